import { NumberInput } from '../parts/controls'
import { typedKept, typedShown } from './lengths'

/** A length to be typed in the unit shown. */
export const LengthInput = (props: { text: string; unit: 'mm' | 'mil'; onType: (text: string) => void }) => (
  <NumberInput
    inputMode="text"
    maxLength={12}
    autoComplete="off"
    value={typedShown(props.text, props.unit)}
    onChange={({ target }) => props.onType(typedKept(target.value, props.unit))}
  />
)

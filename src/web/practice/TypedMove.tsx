import { practiceWords as words } from '../../words/practice'
import { useSettings } from '../app/settings'
import { Button, Field, Muted } from '../parts/controls'
import { LengthInput } from './LengthInput'
import { Row } from './page'

/** A move that is typed and then made: its field, the button beside it, and what was done so far. */
export function TypedMove(props: {
  label: string
  text: string
  onType: (text: string) => void
  /** It is a number, and not too far for one move. */
  can: boolean
  onDo: () => void
  /** What the button says, where it isn't simply “Do it”. */
  button?: string
  note?: string
}) {
  const { unit } = useSettings()
  return (
    <Row role="group" aria-label={props.label} style={{ alignItems: 'end' }}>
      <div style={{ width: 320, maxWidth: '100%' }}>
        <Field label={props.label}>
          <LengthInput text={props.text} unit={unit} onType={props.onType} />
        </Field>
      </div>
      <Button isDisabled={!props.can} onPress={props.onDo}>
        {props.button ?? words.doIt}
      </Button>
      <span style={{ minHeight: 44, display: 'inline-flex', alignItems: 'center' }}>
        <Muted>{props.note}</Muted>
      </span>
    </Row>
  )
}

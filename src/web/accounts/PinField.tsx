import { doorWords as words } from '../../words/page/door'
import { Field, Input } from '../parts/controls'

/** The PIN of whoever's initials stand beside it. */
export function PinField({
  who,
  as,
  value,
  onChange,
}: {
  who: string
  /** What they sign, while their initials are not entered. */
  as: keyof typeof words.pinOfNobody
  value: string
  onChange: (pin: string) => void
}) {
  return (
    <Field label={who.trim() ? words.pinOf(who.trim()) : words.pinOfNobody[as]}>
      <Input
        type="password"
        inputMode="numeric"
        autoComplete="off"
        maxLength={12}
        value={value}
        onChange={({ target }) => onChange(target.value)}
      />
    </Field>
  )
}

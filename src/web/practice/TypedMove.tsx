import { practiceWords as words } from '../../words/practice'
import { Button, Field, Muted, NumberInput } from '../parts/controls'
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
  return (
    <Row role="group" aria-label={props.label} style={{ alignItems: 'end' }}>
      <div style={{ width: 320, maxWidth: '100%' }}>
        <Field label={props.label}>
          <NumberInput
            inputMode="text"
            maxLength={8}
            autoComplete="off"
            value={props.text}
            onChange={({ target }) => props.onType(target.value)}
          />
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

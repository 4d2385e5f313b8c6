import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components'
import styled from 'styled-components'
import { Button } from '../parts/controls'
import { mono } from './style'

const Veil = styled(
  ModalOverlay,
)`position: fixed; inset: 0; background: rgb(0 0 0 / 35%); display: grid; place-items: center; z-index: 5;`
const Sheet = styled(Modal)`
  background: var(--card); border: 1px solid var(--rule); border-radius: 6px; padding: 24px; width: min(520px, 94vw); max-height: 90vh; overflow: auto;
  dl { display: grid; grid-template-columns: auto 1fr; gap: 6px 18px; margin: 16px 0; } dt { ${mono} font-weight: 700; } dd { margin: 0; }
`

const keys: readonly (readonly [keys: string, does: string])[] = [
  ['n', 'new job, on the Floor'],
  ['/', 'search, on the Floor'],
  ['1 – 4', 'to Ready, Seat, Read, Move, in a job'],
  ['Enter', 'next reading as the shaft turns'],
  ['↑  ↓', 'the same angle on the other dial'],
  ['-', 'turns the sign over, from anywhere in a reading'],
  ['Page Up / Down', 'a whole turn of the dial more or less'],
  ['c', 'capture where the shafts stand, with a device connected'],
  ['Ctrl Z', 'take back; with Shift, bring back'],
  ['Esc', 'out of a field, so that these keys work'],
  ['?', 'this list'],
]

/** The list of shortcuts. */
export function Shortcuts(props: { isOpen: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Veil isOpen={props.isOpen} onOpenChange={props.onOpenChange} isDismissable>
      <Sheet>
        <Dialog>
          {({ close }) => (
            <>
              <Heading slot="title">Keys</Heading>
              <dl>{keys.map(([key, does]) => [<dt key={key}>{key}</dt>, <dd key={does}>{does}</dd>])}</dl>
              <Button look="act" onPress={close}>
                Back to work
              </Button>
            </>
          )}
        </Dialog>
      </Sheet>
    </Veil>
  )
}

import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components'
import styled from 'styled-components'
import { appWords } from '../../words/page/app'
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
  ['n', appWords.newJobOnTheFloor],
  ['/', appWords.searchOnTheFloor],
  ['1 – 6', appWords.readySeatReadMoveIn],
  [appWords.enter, appWords.nextReadingInTurningOrder],
  ['↑  ↓', appWords.theSameAngleOnThe],
  ['-', appWords.reversesTheSignFromAnywhere],
  [appWords.pageUpDown, appWords.addsOrTakesOffOne],
  ['c', appWords.capturesAReadingWithA],
  [appWords.ctrlK, appWords.searchesEverything],
  [appWords.ctrlZ, appWords.takeBackWithShiftBring],
  [appWords.esc, appWords.leavesAFieldSoThese],
  ['?', appWords.thisList],
]

/** The list of shortcuts. */
export function Shortcuts(props: { isOpen: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Veil isOpen={props.isOpen} onOpenChange={props.onOpenChange} isDismissable>
      <Sheet>
        <Dialog>
          {({ close }) => (
            <>
              <Heading slot="title">{appWords.keyboardShortcuts}</Heading>
              <dl>{keys.map(([key, does]) => [<dt key={key}>{key}</dt>, <dd key={does}>{does}</dd>])}</dl>
              <Button look="act" onPress={close}>
                {appWords.close}
              </Button>
            </>
          )}
        </Dialog>
      </Sheet>
    </Veil>
  )
}

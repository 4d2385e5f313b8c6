import { Dialog, Heading } from 'react-aria-components'
import { appWords } from '../../words/page/app'
import { Button } from '../parts/controls'
import { Sheet, Veil } from './Sheet'

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

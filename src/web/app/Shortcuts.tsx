import { appWords } from '../../words/page/app'
import { type Opened, ReadingSheet } from './Sheet'

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
export const Shortcuts = (opened: Opened) => (
  <ReadingSheet {...opened} title={appWords.keyboardShortcuts}>
    <dl>{keys.map(([key, does]) => [<dt key={key}>{key}</dt>, <dd key={does}>{does}</dd>])}</dl>
  </ReadingSheet>
)

import { labels, t } from '../language'
import { ended } from '../terms'

/** What is said on these screens. */
export const jobWords = labels({
  thisJob: 'This job',
  restoreThisJob: 'Restore this job',
  title: 'Title',
  doneBy: 'Done by',
  minutesAtTheMachine: 'Minutes at the machine',
  noteForTheReport: 'Note for the report',
  archiveThisJob: 'Archive this job',
  thisTakesTheJobOff: (length: string | number, readings: string | number) =>
    t`Removes this job (${length}, ${readings} readings) from Jobs. Restore it any time from “Archived”.`,
  notices: 'About this job',
  flip: 'Flip',
  pdf: 'PDF',
  signedByThisJobCan: (signedBy: string | number) =>
    `${ended(t`Signed by ${signedBy}`)} ${t`It is locked. Reopen it in Sign.`}`,
  thisJobIsArchivedRestore: 'This job is archived. Restore it in Dimensions.',
  line: 'Dimensions',
  lineHasChanged: 'The line has changed',
  isNow: (place: string, value: string, job: string) =>
    job ? t`${place} is now ${value}, changed in ${job}.` : t`${place} is now ${value}.`,
  take: (value: string) => t`Take ${value}`,
  keepOwn: (value: string) => t`Keep ${value} here`,
  takeAll: 'Take all',
  keepAllOwn: 'Keep all here',
  andMore: (count: string | number) => t`And ${count} more.`,
  flipViewFromTheOther: 'Flip: view from the other side',
  pdfOfThisRound: 'PDF of this round',
  ready: 'Pre-checks',
  seat: 'Soft foot',
  read: 'Readings',
  move: 'Moves',
  prove: 'Verify',
  sign: 'Sign',
  steps: 'Steps',
  thisStepFailedToLoad: 'This step failed to load.',
  nothingYouTypedIsLost: 'Your entries are saved. The last change is the likely cause: undo it or go to another step.',
  undoTheLastChange: 'Undo the last change',
  revertToLastSaved: 'Revert to last saved',
  tryAgain: 'Try again',
  floor: 'Jobs',
  somethingWentWrong: 'Something went wrong.',
  ofCautionsNotSigned: (length: string | number, length2: string | number) =>
    t`${length} of ${length2} cautions not initialed.`,
  goToReady: 'Go to Pre-checks',
  softFootSpoilsEveryReading: 'Soft foot makes every reading unreliable. Correct it first.',
  goToSeat: 'Go to Soft foot',
})

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
    t`This takes the job off the Floor, with its ${length} and ${readings} readings. Find it under “Archived” to restore it.`,
  notices: 'About this job',
  flip: 'Flip',
  pdf: 'PDF',
  signedByThisJobCan: (signedBy: string | number) =>
    `${ended(t`Signed by ${signedBy}`)} ${t`Nothing in it can be changed; it can be opened again under Sign.`}`,
  thisJobIsArchivedRestore: 'This job is archived. Restore it under “Line” above.',
  line: 'Line',
  lineHasChanged: 'The line has changed',
  isNow: (place: string, value: string, job: string) =>
    job ? t`${place} is ${value} now, changed in ${job}.` : t`${place} is ${value} now.`,
  take: (value: string) => t`Take ${value}`,
  keepOwn: (value: string) => t`Keep ${value} here`,
  takeAll: 'Take all',
  keepAllOwn: 'Keep all here',
  andMore: (count: string | number) => t`And ${count} more.`,
  flipViewFromTheOther: 'Flip: view from the other side',
  pdfOfThisRound: 'PDF of this round',
  ready: 'Ready',
  seat: 'Seat',
  read: 'Read',
  move: 'Move',
  prove: 'Prove',
  sign: 'Sign',
  steps: 'Steps',
  thisStepFailedToLoad: 'This step failed to load.',
  nothingYouTypedIsLost:
    'Nothing you typed is lost. The last change is the likely cause: undo it, or use another step.',
  undoTheLastChange: 'Undo the last change',
  revertToLastSaved: 'Revert to last saved',
  tryAgain: 'Try again',
  lineDetails: 'Line details',
  floor: 'Floor',
  somethingWentWrong: 'Something went wrong.',
  ofCautionsNotSigned: (length: string | number, length2: string | number) =>
    t`${length} of ${length2} cautions not signed.`,
  goToReady: 'Go to Ready',
  softFootSpoilsEveryReading: 'Soft foot spoils every reading. Correct it first, then check again.',
  goToSeat: 'Go to Seat',
})

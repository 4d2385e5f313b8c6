import type { EasingSlip } from '../core/practice/stuck'
import { labels, t } from './language'
import type { Said } from './said'

/** What is said in the lesson of the stuck roll. */
export const easingWords = labels({
  name: 'A roll that won’t go',
  goal: 'The housing of roll 4 is seized, and rolls 1 and 7 are driven: they stay. Set the others so that the web forgives what every two neighbours differ by.',
  within: (mm: string) => t`Between every two neighbours one edge of the web may be longer by ${mm}.`,
  section: 'The section from above, the web runs to the right, far side at the top; what each roll is off drawn large',
  roll: 'Roll',
  rollN: (n: string) => t`Roll ${n}`,
  driven: 'driven, stays',
  seized: 'seized',
  rolls: (unit: string) => t`Far end down the line, ${unit} over the face`,
  span: 'Span',
  spans: (unit: string) => t`Far edge longer, ${unit}`,
  spanName: (from: string, to: string) => t`${from} to ${to}`,
  loosen: (n: string) => t`Loosen roll ${n}`,
  tighten: (n: string) => t`Tighten roll ${n}`,
  isLoose: 'It is loose.',
  isTight: 'It is tight.',
  move: (unit: string) => t`Move its far end down the line, ${unit}`,
  soFar: (mm: string) => t`so far ${mm}`,
  signs: 'A minus goes the other way. Drives locked out, nips open; nobody reaches between rolls that can turn.',
  check: 'Check the section',
  moved: (count: string) => t`Rolls moved: ${count}`,
  truth: 'The other two ways:',
  others:
    'leave it, and say what the web has to forgive beside it; or make all its neighbours parallel to it, and pay where that ends. Which it is to be, and why, goes on the record.',
  hints: [
    'The web sees no roll alone: only what neighbours differ by.',
    'Every roll at nought leaves both spans beside the seized one with all of it.',
    'Shared out over three spans each takes a third: the neighbours stand at two thirds of it, theirs at one third.',
    'A roll whose spans are within already is left alone: each one moved costs an hour and a drive.',
  ],
})

const slips: Readonly<Record<EasingSlip, Said>> = labels({
  'still-loose': { title: 'A housing is still loose.', detail: 'A move counts when it is bolted down.' },
  strained: { title: 'Moved while it was bolted down.', detail: 'Nothing moved. Loosen that roll first.' },
  forced: {
    title: 'The seized housing was forced.',
    detail: 'It doesn’t come; it cracks. That is for an engineer to say, with the machine down for it.',
  },
  'reference-moved': {
    title: 'A driven roll was moved.',
    detail: 'What was measured against it no longer holds, and its drive is out.',
  },
  'to-the-numbers': {
    title: 'Every roll to its number, and the web still takes all of it.',
    detail: 'The spans beside the seized roll have the whole of what it is out by. Share it out.',
  },
  'other-way': {
    title: 'Fanned the other way.',
    detail: 'The neighbours go toward the seized roll, not away from it.',
  },
  'one-side': {
    title: 'Right on one side of the seized roll.',
    detail: 'The web comes in and goes out: share it out on the other side as well.',
  },
  spans: { title: 'Some spans are over.', detail: 'See which: the two rolls of a span differ by too much.' },
})

export const sayEasingSlip = (slip: EasingSlip): Said => slips[slip]

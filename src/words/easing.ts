import type { EasingSlip } from '../core/practice/stuck'
import { labels, t } from './language'
import type { Message } from './said'

/** What is said in the lesson of the stuck roll. */
export const easingWords = labels({
  name: 'A roll that can’t be moved',
  topic: 'Share the error with its neighbors',
  goal: 'The housing of roll 4 is seized. Rolls 1 and 7 are driven and must not move. Set the others so that no two neighbors differ by more than the web can take.',
  within: (mm: string) => t`Tolerance: between neighbors, one web edge may be ${mm} longer.`,
  section: 'The section from above: web runs to the right, far side at the top, errors magnified',
  roll: 'Roll',
  rollN: (n: string) => t`Roll ${n}`,
  driven: 'driven, fixed',
  seized: 'seized',
  rolls: (unit: string) => t`Far end down the line over the face, ${unit}`,
  span: 'Span',
  spans: (unit: string) => t`Far edge longer, ${unit}`,
  spanName: (from: string, to: string) => t`${from} to ${to}`,
  loosen: (n: string) => t`Loosen roll ${n}`,
  tighten: (n: string) => t`Tighten roll ${n}`,
  isLoose: 'Loose.',
  isTight: 'Tight.',
  move: (unit: string) => t`Move its far end down the line, ${unit}`,
  soFar: (mm: string) => t`so far ${mm}`,
  signs: 'Minus moves it the other way. Drives locked out, nips open. Never reach between rolls that can turn.',
  check: 'Check my alignment',
  moved: (count: string) => t`Rolls moved: ${count}`,
  truth: 'Two other options:',
  others:
    'leave it and record the strain beside it, or make its neighbors parallel to it. Record your choice and the reason.',
  hints: [
    'The web reacts only to differences between neighboring rolls.',
    'With every other roll at zero, both spans beside the seized roll take the full error.',
    'Spread over three spans, each takes a third: neighbors at two thirds, the next ones at one third.',
    'Leave a roll whose spans are within tolerance: every move costs an hour and a drive check.',
  ],
})

const slips: Readonly<Record<EasingSlip, Message>> = labels({
  'still-loose': { title: 'A housing is still loose.', detail: 'A move counts when it is bolted down.' },
  strained: { title: 'You tried to move it while bolted down.', detail: 'Nothing moved. Loosen that roll first.' },
  forced: {
    title: 'You forced the seized housing.',
    detail: 'It will crack before it moves. Leave that to an engineer and a planned shutdown.',
  },
  'reference-moved': {
    title: 'You moved a driven roll.',
    detail: 'Measurements taken from it no longer apply, and its drive is now out of line.',
  },
  'to-the-numbers': {
    title: 'Every roll is at zero, so the web still takes the full error.',
    detail: 'The spans beside the seized roll carry its whole error. Spread it out.',
  },
  'other-way': {
    title: 'You spread it the wrong way.',
    detail: 'The neighbors go toward the seized roll, not away from it.',
  },
  'one-side': {
    title: 'Only one side of the seized roll is right.',
    detail: 'Spread the error on the other side as well.',
  },
  spans: { title: 'Some spans are out of tolerance.', detail: 'See below which: their two rolls differ by too much.' },
})

export const sayEasingSlip = (slip: EasingSlip): Message => slips[slip]

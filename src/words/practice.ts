import type { LessonName } from '../core/practice/dialLessons'
import type { Judged, Slip } from '../core/practice/judged'
import { labels, t } from './language'
import type { Message } from './said'

/** What is said in practice. */
export const practiceWords = labels({
  practice: 'Practice',
  practiceOnly: 'Practice only. Nothing here touches your jobs.',
  learn: 'Simulated dials and machines with hidden faults to find.',
  groups: { dial: 'At the dial', frame: 'At the feet', pair: 'A pair of machines', other: 'Other machines' },
  minutes: (n: string) => t`${n} min on this machine`,
  rig: 'The dial and the shaft',
  machine: (seed: number) => t`Machine ${seed}`,
  another: 'Another machine',
  again: 'Start over, same machine',
  lock: 'Lock out and try',
  locked: 'Locked out and tried',
  push: 'Preload the dial by',
  pushIn: (mm: string) => t`${mm} mm in`,
  pullOut: (mm: string) => t`${mm} mm out`,
  zero: 'Turn the bezel: zero here',
  unbolt: 'Disconnect the coupling',
  bolt: 'Connect the coupling',
  bolted: 'Coupling connected.',
  unbolted: 'Coupling disconnected: each shaft runs in its own bearings.',
  turnTo: 'Shaft angle',
  blockIn: (mm: string) => t`Put the ${mm} mm gauge block under the tip`,
  blockOut: 'Remove the gauge block',
  blockLies: (mm: string) => t`${mm} mm gauge block under the tip.`,
  noBlock: 'No gauge block under the tip.',
  leverIs: (made: string, used: string) => t`Made for a ${made} mm tip. The fitted tip is ${used} mm.`,
  tap: 'Tap the dial',
  tightenTip: 'Tighten its tip',
  turnHub: 'Turn this hub alone by half a turn',
  tipIsTight: 'The tip is tight now.',
  hubAt: (degrees: string) => t`Hub turned by ${degrees}°.`,
  faultNames: {
    none: 'nothing: the dial is good',
    'loose-tip': 'the tip is loose',
    sticking: 'the needle sticks',
    backlash: 'play in the bracket or bearings',
    'run-out': 'the hub has run-out',
  },
  mirror: 'Far side: seen in a mirror, so left and right are reversed.',
  nearStop: 'Turn as far as it goes, near side',
  farStop: 'Turn as far as it goes, far side',
  goesTo: (near: string, far: string) =>
    t`The bracket clears ${near}° from the top toward near and ${far}° toward far.`,
  inTheWay: 'pipe',
  degrees: (n: number) => t`${n}°`,
  quarterNames: { '0': 'top', '90': 'far', '180': 'bottom', '270': 'near' },
  plungerIn: 'Plunger in: the needle turns clockwise, reading plus.',
  check: 'Check my answers',
  hint: 'Hint',
  doIt: 'Apply',
  truth: 'true',
  yours: 'Your answers',
  passed: 'Passed.',
  notYet: 'Not yet.',
  sheet: 'Readings on the sheet',
  none: 'choose',
  toAll: 'All lessons',
  next: 'Next lesson',
  turnsOf: (turn: string, travel: string, graduation: string) =>
    t`Graduation ${graduation} mm, one turn ${turn} mm, travel ${travel} mm`,
  own: 'Your own lessons',
  ownHint:
    'A lesson is one JSON file: the questions, the set-up and the hidden values. See docs/practice.md. Lessons are stored in this browser.',
  bringIn: 'Import a lesson',
  brought: (name: string) => t`“${name}” imported.`,
  refused: (place: string, why: string) => (place ? t`Not imported. At ${place}: ${why}.` : t`Not imported: ${why}.`),
  remove: (name: string) => t`Remove ${name}`,
  removeIt: 'Remove',
  onMachine: (mm: string) =>
    t`On the machine, with this bracket, the dial zeroed at the top reads ${mm} mm at the bottom.`,
})

/** The dial's two hands in words, for those who listen: what stands there, not what it means. */
export function handsText(needle: number, turns: number, turned: number): string {
  const line = Math.round(needle * 100) % 100
  const low = Math.floor(turns)
  const nearest = Math.round(turns)
  // a hand that stands on its figure is not between two
  const small =
    Math.abs(turns - nearest) < 0.03
      ? t`Revolution counter on ${nearest}.`
      : t`Revolution counter between ${low} and ${low + 1}.`
  return t`Shaft at ${Math.round(turned)} degrees. Needle on line ${line} of 100, clockwise from zero. ${small}`
}

interface LessonWords {
  name: string
  /** What it is about, in about six words, for the list. */
  topic: string
  goal: string
  hints: readonly string[]
  asks: Readonly<Record<string, string>>
}

export const lessonWords: Readonly<Record<LessonName, LessonWords>> = labels({
  'read-a-dial': {
    name: 'Read a dial',
    topic: 'Preload, zero, read with signs',
    goal: 'Preload the dial to mid-travel and zero it at the top. Turn the shaft and write down the other three readings with their signs.',
    hints: [
      'A plunger near the end of its travel can’t follow a hub that falls away. Preload it to mid-travel first.',
      'Watch the revolution counter: if it passed a number, the needle made a whole turn.',
      'If the plunger comes out from the top reading, the sign is minus. 0.30 counter-clockwise of zero is −0.30, not +0.70.',
    ],
    asks: { '90': 'Far reading, mm', '180': 'Bottom reading, mm', '270': 'Near reading, mm' },
  },
  'sag-bench': {
    name: 'Bracket sag',
    topic: 'Find the sag and allow for it',
    goal: 'The bracket is on a straight pipe. Find its sag. Then give the bottom reading of an aligned machine with this bracket, and a machine reading corrected for sag.',
    hints: [
      'Zero at the top, turn to the bottom, read. The pipe is straight, so the whole reading is bracket sag.',
      'On an aligned machine the same bracket sags the same amount. The bottom should read the sag, not zero.',
      'True reading = dial reading − sag. Sag is negative, so subtracting it adds.',
    ],
    asks: {
      sag: 'Sag, bottom minus top, mm',
      aligned: 'Bottom reading of an aligned machine, mm',
      left: 'Machine reading corrected for sag, mm',
    },
  },
  closure: {
    name: 'Four readings that don’t close',
    topic: 'Find the wrong reading',
    goal: 'One of these four readings is wrong. Top + bottom must equal near + far. Find the wrong one and correct it.',
    hints: [
      'Add top and bottom, then near and far. The difference is the error in one of them.',
      'Off by twice a reading: its sign is wrong. Off by a whole turn: someone missed the revolution counter.',
      'Set up the dial and turn to the reading you doubt. Reading it again always settles it.',
    ],
    asks: { which: 'Wrong reading', value: 'It should be, mm' },
  },
  lever: {
    name: 'Lever dial and gauge block',
    topic: 'Correction factor of a lever dial',
    goal: 'A lever dial sits at an unknown angle. Use the 0.50 mm gauge block to find its correction factor, then give the true bottom reading.',
    hints: [
      'Set the lever to mid-travel and zero it at the top. Put the block under the tip: the dial should read 0.50.',
      'Factor = true step ÷ indicated step. A lever at an angle reads high, and so does a tip that is too short, so the factor is below 1.',
      'Remove the block, turn to the bottom, read with sign and turns, then multiply by the factor.',
    ],
    asks: { factor: 'Factor, true ÷ indicated', bottom: 'True bottom reading, mm' },
  },
  trust: {
    name: 'Can you trust this dial?',
    topic: 'Loose tip, sticking, play or run-out',
    goal: 'Only the bracket turns. The hub stays still. The tip, needle, bracket or hub may be faulty, or nothing is. Find the fault and give the true bottom reading.',
    hints: [
      'Read one place twice, approaching from the same side. Different readings mean a loose tip: tighten it and zero again.',
      'Approach the same place from the other side. Two readings mean play, or a sticking needle. Tap the dial: a sticking needle jumps to its reading.',
      'Play stays when you tap. Approach top and bottom from the same side and it cancels.',
      'Turn the hub alone by half a turn. If the bottom reading changes, the hub has run-out: the mean of the two readings is true.',
    ],
    asks: { fault: 'Fault', bottom: 'True bottom reading, mm' },
  },
  'part-turn': {
    name: 'Part of a turn',
    topic: 'Calculate what you can’t reach',
    goal: 'A pipe stops the bracket turning all the way round. Read what you can and work out the bottom and far readings.',
    hints: [
      'Preload to mid-travel and zero at the top. Read at the same angle on both sides.',
      'Bottom = (near + far reading) ÷ (1 − cos angle). At 60° that is twice their sum.',
      'Far = half the bottom + (far − near reading) ÷ (2 × sin angle).',
      'Below 60° a one-line misreading grows to more than four lines at the bottom. Turn as far as the pipe allows.',
    ],
    asks: { bottom: 'Calculated bottom reading, mm', far: 'Calculated far reading, mm' },
  },
  engaged: {
    name: 'What a connected coupling hides',
    topic: 'Read connected, then disconnected',
    goal: 'Read the bottom with the coupling connected, disconnect it and read again. How much offset did the coupling hide?',
    hints: [
      'A connected coupling pulls the shafts together: the dial shows only part of the misalignment.',
      'Disconnected, each shaft sits in its own bearings. Zero at the top again, then read.',
      'Sag is in both readings and cancels in the difference. Offset is half the total reading.',
    ],
    asks: {
      bolted: 'Bottom, coupling connected, mm',
      open: 'Bottom, coupling disconnected, mm',
      hidden: 'Offset hidden by the coupling, no sign, mm',
    },
  },
})

const slips: Readonly<Record<Slip, Message>> = labels({
  sign: { title: 'Wrong sign.', detail: 'On a real machine that puts shims under the wrong feet.' },
  turn: { title: 'One whole turn is missing.', detail: 'Check the revolution counter before and after.' },
  'not-zeroed': {
    title: 'You did not zero the dial at the top.',
    detail: 'Turn to the top, set the bezel to zero, then take the other readings.',
  },
  'ran-out': {
    title: 'The plunger ran out of travel.',
    detail: 'At some point it lost contact or bottomed out. Preload the dial to mid-travel.',
  },
  'other-quarter': {
    title: 'A different reading is wrong.',
    detail: 'Read the doubtful one again: it takes half a minute and always settles it.',
  },
  'sag-twice': {
    title: 'You added the sag instead of subtracting it.',
    detail: 'True reading = dial reading − sag, and sag is negative.',
  },
  bolted: {
    title: 'That is the reading with the coupling connected.',
    detail: 'Disconnect the coupling, zero at the top and read again.',
  },
  'not-halved': {
    title: 'That is the total reading, not the offset.',
    detail: 'The total reading over half a turn is twice the offset: take half.',
  },
  'upside-down': {
    title: 'The factor is inverted.',
    detail: 'Factor = true ÷ indicated. Multiply the dial reading by it.',
  },
  'as-shown': {
    title: 'That is the indicated reading, not the true one.',
    detail: 'Multiply by the factor from the gauge block.',
  },
  divided: {
    title: 'You divided by the factor. Multiply instead.',
    detail: 'A lever at an angle reads high: the true value is smaller.',
  },
  'part-as-quarter': {
    title: 'That is the reading where you stopped, not at the quarter.',
    detail: 'Near and far must be a quarter turn from the top. Calculate them from the angle you reached.',
  },
  'other-fault': {
    title: 'The fault is something else.',
    detail:
      'Read twice from the same side, once from the other side, once after a tap and once with the hub turned. Each fault shows in one of these.',
  },
  'as-it-lied': {
    title: 'That is the faulty reading.',
    detail: 'The fault is still in your reading. Take it so that the fault cancels.',
  },
  off: {
    title: 'That is not the dial reading.',
    detail: 'Count the graduations again from zero, in the direction the needle moved.',
  },
  missing: { title: 'Nothing entered yet.', detail: 'Enter a reading with its sign.' },
})

export const saySlip = ({ slip }: Judged): Message | undefined => slip && slips[slip]

export const unsafeSaid: Message = labels({
  title: 'Failed: you touched the machine before locking out and trying it.',
  detail: 'On a real machine that can cost a hand. Start over and lock out first, by your site’s rules.',
})

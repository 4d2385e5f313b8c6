import type { LessonName } from '../core/practice/dialLessons'
import type { Judged, Slip } from '../core/practice/judged'
import { labels, t } from './language'
import type { Said } from './said'

/** What is said in practice. */
export const practiceWords = labels({
  practice: 'Practice',
  practiceOnly: 'Practice: nothing here is a real machine, and nothing of it reaches a real job.',
  learn:
    'A dial, a bracket and a shaft that behave like real ones, with a hidden truth. Every lesson can be passed and failed; the same number gives the same machine.',
  minutes: (n: string) => t`${n} minutes on the machine so far`,
  rig: 'The dial and the shaft',
  machine: (seed: number) => t`Machine ${seed}`,
  another: 'Another machine',
  again: 'Begin again, same machine',
  lock: 'Lock out and try',
  locked: 'Locked out and tried',
  push: 'Push the dial in by',
  pushIn: (mm: string) => t`${mm} mm in`,
  pullOut: (mm: string) => t`${mm} mm out`,
  zero: 'Turn the bezel: zero here',
  unbolt: 'Take the coupling bolts out',
  bolt: 'Put the coupling bolts back',
  bolted: 'The coupling is bolted up.',
  unbolted: 'The coupling is open: each shaft hangs free.',
  turnTo: 'Shaft turned to',
  blockIn: (mm: string) => t`Slide the ${mm} mm block under the tip`,
  blockOut: 'Take the block out',
  blockLies: (mm: string) => t`The ${mm} mm block lies under the tip.`,
  noBlock: 'No block under the tip.',
  leverIs: (made: string, used: string) => t`Made for a tip ${made} mm long; the one put in is ${used} mm.`,
  tap: 'Tap the dial',
  tightenTip: 'Tighten its tip',
  turnHub: 'Turn the hub alone, half a turn',
  tipIsTight: 'The tip is tight now.',
  hubAt: (degrees: string) => t`Hub turned by ${degrees}°.`,
  faultNames: {
    none: 'nothing: it tells the truth',
    'loose-tip': 'the tip is loose',
    sticking: 'the needle sticks',
    backlash: 'slack in bracket or bearings',
    'run-out': 'the hub runs out',
  },
  mirror: 'On the far side: seen in the mirror, left and right changed.',
  nearStop: 'As far as it goes, near side',
  farStop: 'As far as it goes, far side',
  goesTo: (near: string, far: string) =>
    t`The bracket goes ${near}° toward the near side of the top, ${far}° toward the far side.`,
  inTheWay: 'pipe',
  degrees: (n: number) => t`${n}°`,
  quarterNames: { '0': 'top', '90': 'far', '180': 'bottom', '270': 'near' },
  plungerIn: 'Pushed in, the needle goes clockwise: above zero.',
  check: 'Check my answers',
  hint: 'What would a master look at now?',
  doIt: 'Do it',
  truth: 'true',
  yours: 'Your answers',
  passed: 'Passed.',
  notYet: 'Not yet.',
  sheet: 'What was written down',
  none: 'choose',
  toAll: 'All lessons',
  next: 'Next lesson',
  turnsOf: (turn: string, travel: string, graduation: string) =>
    t`One turn of the needle ${turn} mm, travel ${travel} mm, a line ${graduation} mm`,
  own: 'Your own lessons',
  ownHint:
    'A lesson is one file: what is asked, what hangs where, and the truth, or what of it the machine’s number decides. docs/practice.md says how one is written. They are kept in this browser.',
  bringIn: 'Bring in a lesson',
  brought: (name: string) => t`“${name}” is here.`,
  refused: (place: string, why: string) => (place ? t`Not taken: at ${place}: ${why}.` : t`Not taken: ${why}.`),
  remove: (name: string) => t`Remove ${name}`,
  removeIt: 'Remove',
  onMachine: (mm: string) => t`With this bracket the machine’s dial, zeroed at the top, shows ${mm} mm at the bottom.`,
})

/** The dial's two hands in words, for those who listen: what stands there, not what it means. */
export function handsText(needle: number, turns: number, turned: number): string {
  const line = Math.round(needle * 100) % 100
  const low = Math.floor(turns)
  const nearest = Math.round(turns)
  // a hand that stands on its figure is not between two
  const small =
    Math.abs(turns - nearest) < 0.03 ? t`Small hand on ${nearest}.` : t`Small hand between ${low} and ${low + 1}.`
  return t`Shaft at ${Math.round(turned)} degrees. Needle on line ${line} of 100, clockwise from zero. ${small}`
}

interface LessonWords {
  name: string
  goal: string
  hints: readonly string[]
  asks: Readonly<Record<string, string>>
}

export const lessonWords: Readonly<Record<LessonName, LessonWords>> = labels({
  'read-a-dial': {
    name: 'Read a dial',
    goal: 'Set the dial to half its travel, zero it at the top, turn the shaft and write down what it shows at the other three quarters, with its sign.',
    hints: [
      'A plunger that is nearly all the way out can’t follow a hub that falls away. Push it in to half its travel first.',
      'Watch the small hand: if it went over a number, the needle made a whole turn.',
      'Less than at the top is below zero: the hub fell away from the dial. 0.30 short of zero is −0.30, not +0.70.',
    ],
    asks: { '90': 'Far shows, mm', '180': 'Bottom shows, mm', '270': 'Near shows, mm' },
  },
  'sag-bench': {
    name: 'The sag of a bracket',
    goal: 'The bracket is on a straight pipe. Find its sag, say what an aligned machine shows with it, and what of a machine’s reading is left when the sag is taken off.',
    hints: [
      'Zero at the top, half a turn, read at the bottom. A pipe is straight: what the dial shows is the bracket alone.',
      'On an aligned machine the same bracket hangs through as much. That is what the dial should show, not zero.',
      'What is left of a reading is the reading less the sag; less a number below zero is more.',
    ],
    asks: {
      sag: 'Sag, bottom less top, mm',
      aligned: 'An aligned machine shows at the bottom, mm',
      left: 'Left of the machine’s reading, sag taken off, mm',
    },
  },
  closure: {
    name: 'Four readings that do not close',
    goal: 'Somebody wrote down four readings and one is wrong. Top and bottom must add up to near and far. Find which it is, and what it should be.',
    hints: [
      'Add top and bottom, add near and far. The difference is what one of them is out by.',
      'Out by twice one reading: its sign. Out by a whole turn: the small hand was not watched.',
      'Set the dial up and turn to the one you doubt: reading it again is always right.',
    ],
    asks: { which: 'The wrong one', value: 'It should be, mm' },
  },
  lever: {
    name: 'A lever dial and a known step',
    goal: 'A lever dial stands at an angle nobody measured. Slide the 0.50 mm block under its tip, find what its numbers have to be multiplied by, and read the bottom as it truly is.',
    hints: [
      'Set the lever to half its travel and zero it at the top. Slide the block under the tip: what the dial shows now ought to be 0.50.',
      'The factor is the true step over the shown one. A lever at an angle shows too much, and so does a tip shorter than the one it was made for: the factor is below 1.',
      'Take the block out, turn to the bottom, read with sign and turns, and multiply by the factor.',
    ],
    asks: { factor: 'Factor, true over shown', bottom: 'Bottom as it truly is, mm' },
  },
  trust: {
    name: 'A dial that may lie',
    goal: 'The bracket alone goes round a hub that stands. Something may be wrong with tip, needle, bracket or hub, or nothing. Find out what, and tell what the bottom truly shows.',
    hints: [
      'Read the same place twice, coming from the same side: another number every time is a loose tip. Tighten it and zero again.',
      'Come to the same place from the other side: two numbers are slack in bracket or bearings, or a needle that sticks. Tap the dial: a needle that sticks jumps to its number.',
      'Slack stays however you tap: come to top and bottom from the same side, and it goes out.',
      'Turn the hub alone by half: if the bottom changes, the hub is not round about its shaft. The mean of the two bottoms is the shafts’ own.',
    ],
    asks: { fault: 'What is wrong', bottom: 'Bottom truly shows, mm' },
  },
  'part-turn': {
    name: 'Part of a turn',
    goal: 'A pipe is in the way: the bracket can’t go all the way round. Read what you can, and work out what the dial would have shown at the bottom and at the far side.',
    hints: [
      'Set to half the travel, zero at the top. Stop at the same angle on both sides and read there.',
      'Top to bottom: the two readings added, over 1 less the cosine of the angle. At 60° that is their sum times two.',
      'Far: the far reading less the near one, over twice the sine, gives what near and far differ by from their middle; the middle is half of the bottom.',
      'At less than 60° what you misread by a line is drawn out to more than four at the bottom: go as far as the pipe lets you.',
    ],
    asks: { bottom: 'Bottom would show, mm', far: 'Far would show, mm' },
  },
  engaged: {
    name: 'What a bolted coupling hides',
    goal: 'Read the bottom with the coupling bolted up, take the bolts out and read it again. How much of the offset did the coupling hide?',
    hints: [
      'A coupling that is bolted up pulls the shafts toward each other: the dial shows what is left of the misalignment.',
      'With the bolts out the shafts hang where their own bearings hold them. Zero at the top anew, then read.',
      'The sag is in both readings and goes out of their difference. The offset is half of what the dial goes over.',
    ],
    asks: {
      bolted: 'Bottom, coupling bolted up, mm',
      open: 'Bottom, coupling open, mm',
      hidden: 'Offset that the coupling hid, without a sign, mm',
    },
  },
})

const slips: Readonly<Record<Slip, Said>> = labels({
  sign: { title: 'The sign is the other way round.', detail: 'On a machine that sends the shims to the wrong side.' },
  turn: { title: 'A whole turn is missing.', detail: 'The small hand counts them: look at it before and after.' },
  'not-zeroed': {
    title: 'That is the dial without its zero at the top.',
    detail: 'Turn to the top, turn the bezel until the needle is on zero, then read the others.',
  },
  'ran-out': {
    title: 'The plunger ran out of its way.',
    detail: 'Somewhere on the turn it no longer touches, or is at its stop. Push the dial in to half its travel.',
  },
  'other-quarter': {
    title: 'It is another one.',
    detail: 'Read the one you doubt again; it costs half a minute and is always right.',
  },
  'sag-twice': {
    title: 'The sag was put on, not taken off.',
    detail: 'What is left is the reading less the sag; the sag is below zero.',
  },
  bolted: {
    title: 'That is what a bolted coupling lets through.',
    detail: 'Take the bolts out, zero at the top again, and read once more.',
  },
  'not-halved': {
    title: 'That is what the dial goes over, not the offset.',
    detail: 'Over half a turn the dial goes over twice the offset: take half.',
  },
  'upside-down': {
    title: 'The factor is upside down.',
    detail: 'What is true over what is shown: the number the dial shows is multiplied by it.',
  },
  'as-shown': {
    title: 'That is what the lever shows, not what is there.',
    detail: 'Multiply by the factor that the known step gave.',
  },
  divided: {
    title: 'Divided by the factor, not multiplied.',
    detail: 'A lever at an angle shows too much: less is true.',
  },
  'part-as-quarter': {
    title: 'That is where the turn ends, not a quarter.',
    detail: 'Top and bottom add up to near and far only a quarter turn from the top. Draw it out with the angle.',
  },
  'other-fault': {
    title: 'It is something else.',
    detail:
      'Twice from the same side, once from the other, tapped, and with the hub turned: each fault shows in one of them.',
  },
  'as-it-lied': {
    title: 'That is what the dial made of it.',
    detail: 'What is wrong with it is still in the number. Read it so that it goes out.',
  },
  off: { title: 'Not what the dial shows.', detail: 'Count the lines again, from zero, the way the needle went.' },
  missing: { title: 'Nothing to check yet.', detail: 'Write down a number, with its sign.' },
})

export const saySlip = ({ slip }: Judged): Said | undefined => slip && slips[slip]

export const unsafeSaid: Said = labels({
  title: 'Failed: it was touched before it was locked out and tried.',
  detail: 'On a real machine that costs a hand. Begin again, and lock first; your site’s rules decide how.',
})

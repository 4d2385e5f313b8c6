import type { AligningSlip, PairMove } from '../core/practice/aligning'
import type { PairFoot, PairLesson, PairSide } from '../core/practice/pair'
import { labels, t } from './language'
import type { Message } from './said'

/** What is said in the lessons that end with a pair in line. */
export const aligningWords = labels({
  pair: 'The pair from the side and from above, near side at the bottom',
  pairSide: 'The pair from the side',
  fromSide: 'from the side',
  fromAbove: 'from above',
  times: (n: string) => t`moves drawn ×${n}`,
  foot: 'At which feet',
  place: 'Where to put the straightedge and feeler',
  proud: (mm: string) => t`Here the right hub is ${mm} proud of the left hub.`,
  behind: (mm: string) => t`Here the right hub is ${mm} below the left hub.`,
  flush: 'Here the hubs are flush.',
  gap: (mm: string) => t`Face gap: ${mm}.`,
  hubs: (mm: string) => t`Hub diameter: ${mm}, both.`,
  feet: 'Feet',
  within: (offset: string, slope: string) => t`Tolerance at the coupling: ${offset} offset, ${slope} angularity.`,
  from: 'From the coupling',
  fromTold: (front: string, back: string) =>
    t`Right machine: front feet ${front} from the coupling, back feet ${back}.`,
  standsUp: (unit: string) => t`Shaft height there, ${unit}, + up`,
  standsFar: (unit: string) => t`Shaft side position there, ${unit}, + toward far`,
  shims: (unit: string) => t`Shims there, ${unit}`,
  room: (unit: string) => t`Bolt-hole clearance, ${unit}, near / far`,
  height: 'Shaft height above base',
  warmer: 'Temperature rise, cold to running, K',
  notRun: 'not run yet',
  hidden: 'not while running',
  cold: 'Heights measured cold, from the left machine’s shaft as found.',
  steel: 'Both casings are steel: 11.7 × 10⁻⁶ per K.',
  loosen: (side: string) => t`Loosen the ${side} machine’s bolts`,
  tighten: (side: string) => t`Tighten the ${side} machine’s bolts`,
  areLoose: 'loose',
  areTight: 'tight',
  soFar: (mm: string) => t`total so far ${mm}`,
  signs: 'Minus moves it the other way.',
  pinch: 'Lift with jacks. Never put fingers under a foot. Keep hands out of the hub gap.',
  run: 'Remove locks and run until warm',
  stop: 'Stop and let it cool',
  runs: 'Running: stand clear, touch nothing. Temperatures are being recorded.',
  stands: 'Stopped.',
  hot: 'Casings are hot. Let it cool and lock it out again before you touch it.',
  check: 'Check my alignment',
  left: 'Remaining misalignment',
  offsetUp: 'Vertical offset, + up',
  slopeUp: 'Vertical angularity, + up',
  offsetFar: 'Horizontal offset, + toward far',
  slopeFar: 'Horizontal angularity, + toward far',
  moves: (count: string) => t`Moves made: ${count}`,
  truth: 'Actual values:',
  truthTold: (up: string, slopeUp: string, far: string, slopeFar: string) =>
    t`as found, the right shaft was ${up} up and ${far} toward far at the coupling. Angularity was ${slopeUp} vertical and ${slopeFar} horizontal.`,
  grown: (feet: string, mm: string) => t`${feet} grow by ${mm}.`,
})

export const pairLessonWords: Readonly<
  Record<PairLesson, { name: string; topic: string; goal: string; hints: readonly string[] }>
> = labels({
  rough: {
    name: 'Rough alignment with straightedge and feeler',
    topic: 'Bring it close enough for dials',
    goal: 'No dials yet. Check the rims with a straightedge and the faces with a feeler. Bring the right machine in line with the left one and bolt it down. Its feet sit on bare pads.',
    hints: [
      'Angularity first: (bottom gap − top gap) ÷ hub diameter × foot spacing. If it is open at the bottom, raise the front feet by that. If it is open at the top, raise the back feet.',
      'There are no shims to take out. Where one pair should come down, raise the other pair by the same amount.',
      'Then the offset: (proud at top − proud at bottom) ÷ 2. Move all feet by that amount.',
      'Do the same sideways with near and far. Correcting the angle also moves the hub: measure again.',
    ],
  },
  bound: {
    name: 'Base-bound and bolt-bound',
    topic: 'Moves that limits allow',
    goal: 'The right machine needs to come down more than its shims allow and sideways more than its holes allow. Find moves that work and align the shafts.',
    hints: [
      'Before you move anything: what does each foot need, what shims are under it, how much clearance do its bolts have?',
      'Only the relative position of the shafts counts. If a foot can’t come down, raise the other machine.',
      'Choose a target line that every foot can reach. With both shafts on it they are aligned, whichever machine moves.',
      'Don’t machine a foot or turn down a bolt: an engineer must approve that.',
    ],
  },
  growth: {
    name: 'Aligned at running temperature',
    topic: 'Set it cold for thermal growth',
    goal: 'Run it until warm and note the temperature rise at each foot. Let it cool, lock it out, and set the cold alignment so that it is aligned when running.',
    hints: [
      'Growth = height × 11.7 × 10⁻⁶ × temperature rise. 250 mm and 40 K give 0.12 mm.',
      'The left machine grows too, more at its outer end, so its shaft tilts when running. Extend that line to the right machine’s feet.',
      'Cold target of each right foot = that line − the foot’s own growth.',
      'After the run the locks are off and the casings hot. Let it cool, lock out, try, then touch.',
    ],
  },
})

export const pairFootNames: Readonly<Record<PairFoot, string>> = labels({
  'left-back': 'Left machine, back',
  'left-front': 'Left machine, front',
  'right-front': 'Right machine, front',
  'right-back': 'Right machine, back',
})

export const pairSideNames: Readonly<Record<PairSide, string>> = labels({ left: 'left', right: 'right' })

export const pairMoveNames: Readonly<Record<PairMove, (unit: string) => string>> = labels({
  up: (unit: string) => t`Shims in under these feet, ${unit}`,
  far: (unit: string) => t`Push these feet toward far, ${unit}`,
})

const slips: Readonly<Record<AligningSlip, Message>> = labels({
  'still-loose': { title: 'Bolts are still loose.', detail: 'A move counts when it is bolted down.' },
  'base-bound': {
    title: 'Base-bound: it is on its pad and still too high.',
    detail: 'No shims left to take out. Raise the other machine by the shortfall.',
  },
  'bolt-bound': {
    title: 'Bolt-bound: it can’t go any farther that way.',
    detail: 'Move the other machine toward it by the shortfall.',
  },
  'against-bolt': {
    title: 'Bolt-bound: you pushed until a bolt hit its hole.',
    detail: 'It moved until the bolt touched its hole. Check the clearance before you push.',
  },
  strained: {
    title: 'You tried to move it with the bolts tight.',
    detail: 'Nothing moved, but something bent. Loosen the bolts first.',
  },
  'wrong-feet': {
    title: 'The angularity got worse.',
    detail: 'Open at the bottom: raise the front feet. Open at the top: raise the back feet.',
  },
  'wrong-way': {
    title: 'You moved it the wrong way.',
    detail: 'The error doubled. Move = target − position.',
  },
  'cold-in-line': {
    title: 'Aligned cold, but out when running.',
    detail: 'You set it to its running position. Subtract each foot’s growth.',
  },
  'growth-backwards': {
    title: 'You applied the growth in the wrong direction.',
    detail: 'The machine that grows more must sit lower when cold, not higher.',
  },
  'one-only': {
    title: 'You left out one machine’s growth.',
    detail: 'Both machines get warm. Target = running position of the fixed shaft − growth of the moved one.',
  },
  'never-run': { title: 'You took no temperatures.', detail: 'Run it until warm and note the rise at each foot.' },
  angle: { title: 'Angularity is still out of tolerance.', detail: 'See below how much remains, and in which plane.' },
  offset: { title: 'Offset is still out of tolerance.', detail: 'See below how much remains, and in which plane.' },
})

export const sayAligningSlip = (slip: AligningSlip): Message => slips[slip]

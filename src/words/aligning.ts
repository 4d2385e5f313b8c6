import type { AligningSlip, PairMove } from '../core/practice/aligning'
import type { PairFoot, PairLesson, PairSide } from '../core/practice/pair'
import { labels, t } from './language'
import type { Said } from './said'

/** What is said in the lessons that end with a pair in line. */
export const aligningWords = labels({
  pair: 'The pair from the side and from above, near side at the bottom',
  pairSide: 'The pair from the side',
  fromSide: 'from the side',
  fromAbove: 'from above',
  times: (n: string) => t`moves ${n} times as large`,
  foot: 'At which feet',
  place: 'Where straightedge and blade go',
  proud: (mm: string) => t`The right hub stands ${mm} proud of the left one there.`,
  behind: (mm: string) => t`The right hub lies ${mm} under the left one there.`,
  flush: 'The hubs are flush there.',
  gap: (mm: string) => t`Gap between them: ${mm}.`,
  hubs: (mm: string) => t`Both hubs ${mm} across.`,
  feet: 'Feet',
  within: (offset: string, slope: string) => t`Within ${offset} and ${slope} at the coupling.`,
  from: 'From the coupling',
  fromTold: (front: string, back: string) =>
    t`Right machine: front feet ${front} from the coupling, back feet ${back}.`,
  standsUp: (unit: string) => t`Shaft over them, ${unit} up`,
  standsFar: (unit: string) => t`Shaft over them, ${unit} toward far`,
  shims: (unit: string) => t`Shims there, ${unit}`,
  room: (unit: string) => t`Room in the holes, ${unit} near / far`,
  height: 'Shaft over the base',
  warmer: 'Warmer running than cold, K',
  notRun: 'run it first',
  hidden: 'not while it runs',
  cold: 'Heights as measured cold, against the left machine’s shaft at the start.',
  steel: 'Both casings are steel: 11.7 millionths a kelvin.',
  loosen: (side: string) => t`Loosen the ${side} machine’s bolts`,
  tighten: (side: string) => t`Tighten the ${side} machine’s bolts`,
  areLoose: 'loose',
  areTight: 'tight',
  soFar: (mm: string) => t`so far ${mm}`,
  signs: 'A minus goes the other way.',
  pinch: 'Lift with jacks, never with fingers under a foot; hands out of the gap between the hubs.',
  run: 'Locks off, run until warm',
  stop: 'Stop, let it cool',
  runs: 'It runs: stand clear, touch nothing. The thermometers are read.',
  stands: 'It stands still.',
  hot: 'Casings are hot: let it cool, and lock it out again before you touch it.',
  check: 'Check the pair',
  left: 'What is left',
  offsetUp: 'Offset at the coupling, up',
  slopeUp: 'Slope, up',
  offsetFar: 'Offset at the coupling, toward far',
  slopeFar: 'Slope, toward far',
  moves: (count: string) => t`Moves so far: ${count}`,
  truth: 'The truth:',
  truthTold: (up: string, slopeUp: string, far: string, slopeFar: string) =>
    t`at the start the right shaft stood ${up} up and ${far} toward far at the coupling, with slopes of ${slopeUp} and ${slopeFar}.`,
  grown: (feet: string, mm: string) => t`${feet} grow by ${mm}.`,
})

export const pairLessonWords: Readonly<Record<PairLesson, { name: string; goal: string; hints: readonly string[] }>> =
  labels({
    rough: {
      name: 'Rough, with straightedge and blade',
      goal: 'No dial yet. Feel the hubs with a straightedge and the gap with a blade, and bring the right machine in line with the left one, bolted down. Its feet stand on bare pads.',
      hints: [
        'Angle first. The gap at the bottom against the gap at the top, over the hub’s diameter: open at the bottom lifts the front feet, open at the top the back feet, by that times the distance between the feet.',
        'There is nothing to take out: where an angle wants less under one foot, add as much under the other.',
        'Then the offset: half of what the hub stands proud at the top less what it stands proud at the bottom. All feet go by it alike.',
        'Sideways is the same with near and far. An angle that is taken out about the feet moves the hub as well: feel again.',
      ],
    },
    bound: {
      name: 'No shim left, no room left',
      goal: 'The right machine would have to come down by more than the shims under it, and over by more than its holes let it. Find moves that can be made, and bring the shafts in line.',
      hints: [
        'Before anything is moved: what does the plan want at each foot, what lies under it, what room have its bolts?',
        'Only how the shafts stand to each other counts. A foot that can’t come down makes the other machine come up.',
        'Choose a line that every foot can reach: both shafts on it is in line, whichever machine moves.',
        'Don’t thin a foot, and don’t turn down a bolt: that is for an engineer to say.',
      ],
    },
    growth: {
      name: 'In line when it runs',
      goal: 'Run it until it is warm and read what each foot gets warmer by. Let it cool, lock it out, and set it cold so that it is in line running.',
      hints: [
        'A foot grows by its height × 11.7 millionths × what it gets warmer by: 250 mm and 40 K are 0.12 mm.',
        'The left machine grows as well, and at its outer end more than at the inner one: its shaft leans when it runs. Draw that line on to the right feet.',
        'Cold, each right foot has to stand where that line will be, less what the foot itself will grow.',
        'After it ran, the locks are off and the casings hot: cool, lock, try, then touch.',
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
  far: (unit: string) => t`Push these feet toward the far side, ${unit}`,
})

const slips: Readonly<Record<AligningSlip, Said>> = labels({
  'still-loose': { title: 'Bolts are still loose.', detail: 'A move counts when it is bolted down.' },
  'base-bound': {
    title: 'Down on its pad, and still too high.',
    detail: 'There is no shim left to take out. Raise the other machine by what is missing.',
  },
  'bolt-bound': {
    title: 'Up against its bolts, and not there yet.',
    detail: 'Bring the other machine toward it by what is missing.',
  },
  'against-bolt': {
    title: 'Pushed against a bolt in its hole.',
    detail: 'It went as far as the hole is wide. The room was there to be read before the push.',
  },
  strained: {
    title: 'Moved while its bolts were tight.',
    detail: 'Nothing moved, and something bent. Loosen the machine first.',
  },
  'wrong-feet': {
    title: 'The angle is larger than it was.',
    detail: 'Open at the bottom lifts the front feet, open at the top the back feet.',
  },
  'wrong-way': {
    title: 'It went the other way.',
    detail: 'All of it is twice what it was: the move is where it should be less where it is.',
  },
  'cold-in-line': {
    title: 'In line cold, and out when it runs.',
    detail: 'It stands where it should stand warm. Take off what each foot will grow.',
  },
  'growth-backwards': {
    title: 'Set by the growth the other way round.',
    detail: 'What grows more has to stand lower cold, not higher.',
  },
  'one-only': {
    title: 'The growth of one machine is left out.',
    detail: 'Both get warm: the target is the one shaft running, less what the other grows.',
  },
  'never-run': { title: 'Nobody read a thermometer.', detail: 'Run it until it is warm, and see what each foot does.' },
  angle: { title: 'The angle is not out yet.', detail: 'See below how much is left, and in which plane.' },
  offset: { title: 'The offset is not out yet.', detail: 'See below how much is left, and in which plane.' },
})

export const sayAligningSlip = (slip: AligningSlip): Said => slips[slip]

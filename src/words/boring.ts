import type { WallPlace } from '../core/practice/bores'
import type { BoreMove, BoringSlip } from '../core/practice/boring'
import { labels, t } from './language'
import type { Message } from './said'

/** What is said in the lesson of the bores. */
export const boringWords = labels({
  name: 'Bearing pockets on one line',
  topic: 'Taut wire, sag and four pockets',
  goal: 'A taut wire is centered in pockets 1 and 4. Measure from the wire to the walls of pockets 2 and 3, and allow for wire sag. Bring both centers onto the line, bolted down.',
  within: (mm: string) => t`Tolerance: both centers within ${mm}.`,
  bores: 'The housing from the side and from above, and the chosen pocket seen from the right',
  fromSide: 'from the side',
  fromAbove: 'from above',
  times: (n: string) => t`moves drawn ×${n}`,
  wire: (at: string, length: string) => t`Pocket ${at} from the first support, supports ${length} apart.`,
  wireIs: (weight: string, tension: string) => t`Wire ${weight} N/m, tension ${tension} N.`,
  pocket: 'Pocket',
  pocketN: (n: string) => t`Pocket ${n}`,
  reference: 'reference, fixed',
  wall: 'From the wire to the wall',
  loosen: (n: string) => t`Loosen pocket ${n}`,
  tighten: (n: string) => t`Tighten pocket ${n}`,
  isLoose: 'Loose.',
  isTight: 'Tight.',
  soFar: (mm: string) => t`so far ${mm}`,
  signs:
    'Minus moves it the other way. Rotor out or on its own stands. Keep fingers out from between pocket and housing.',
  check: 'Check my alignment',
  left: 'Pocket centers',
  upOf: (n: string) => t`Pocket ${n}, up`,
  farOf: (n: string) => t`Pocket ${n}, toward far`,
  moves: (count: string) => t`Moves made: ${count}`,
  truth: 'Actual values:',
  truthTold: (n: string, up: string, far: string, droop: string) =>
    t`as found, pocket ${n} was ${up} up and ${far} toward far. The wire sags ${droop} there.`,
  hints: [
    'Height of the pocket center above the wire = (top − bottom) ÷ 2. Do the same with near and far.',
    'Wire sag = weight per mm × distance to one support × distance to the other ÷ (2 × tension).',
    'Height above the line = height above the wire − sag. Take that much out.',
    'Pockets 1 and 4 are the reference. Move one and the line changes.',
  ],
})

export const boreMoveNames: Readonly<Record<BoreMove, (unit: string) => string>> = labels({
  up: (unit: string) => t`Shims in under this pocket, ${unit}`,
  far: (unit: string) => t`Push this pocket toward the far side, ${unit}`,
})

export const wallNames: Readonly<Record<WallPlace, string>> = labels({
  0: 'Top',
  90: 'Far',
  180: 'Bottom',
  270: 'Near',
})

const slips: Readonly<Record<BoringSlip, Message>> = labels({
  'still-loose': { title: 'A pocket is still loose.', detail: 'A move counts when it is bolted down.' },
  strained: { title: 'You tried to move it while bolted down.', detail: 'Nothing moved. Loosen that pocket first.' },
  'reference-moved': {
    title: 'You moved a reference pocket.',
    detail: 'The line runs through pockets 1 and 4, so your measurements no longer apply. Start over.',
  },
  'wrong-way': {
    title: 'You moved it the wrong way.',
    detail: 'The error doubled. Move = target − position.',
  },
  'not-halved': {
    title: 'You moved it by the whole difference instead of half.',
    detail: 'Raising the pocket by 1 changes top and bottom by 1 each, so the difference changes by 2.',
  },
  'droop-left-in': {
    title: 'It is on the wire, not on the line.',
    detail: 'The wire sags below the line. Allow for it.',
  },
  'droop-twice': {
    title: 'You applied the wire sag in the wrong direction.',
    detail: 'The wire is below the line. Height above the line = height above the wire − sag.',
  },
  off: { title: 'Not on the line yet.', detail: 'Measure again. See below how far off it is.' },
})

export const sayBoringSlip = (slip: BoringSlip): Message => slips[slip]

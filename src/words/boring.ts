import type { WallPlace } from '../core/practice/bores'
import type { BoreMove, BoringSlip } from '../core/practice/boring'
import { labels, t } from './language'
import type { Said } from './said'

/** What is said in the lesson of the bores. */
export const boringWords = labels({
  name: 'Pockets on one line',
  goal: 'A taut wire is set true in pockets 1 and 4. Measure from the wire to the wall of pockets 2 and 3, allow for what the wire hangs through, and bring both middles on the line, bolted down.',
  within: (mm: string) => t`Both middles within ${mm}.`,
  bores: 'The housing from the side and from above, and the chosen pocket seen from the right',
  fromSide: 'from the side',
  fromAbove: 'from above',
  times: (n: string) => t`moves ${n} times as large`,
  wire: (at: string, length: string) => t`Pocket ${at} from the first support, supports ${length} apart.`,
  wireIs: (weight: string, tension: string) => t`Wire ${weight} N a metre, pulled with ${tension} N.`,
  pocket: 'Pocket',
  pocketN: (n: string) => t`Pocket ${n}`,
  reference: 'reference, stays',
  wall: 'From the wire to the wall',
  loosen: (n: string) => t`Loosen pocket ${n}`,
  tighten: (n: string) => t`Tighten pocket ${n}`,
  isLoose: 'It is loose.',
  isTight: 'It is tight.',
  soFar: (mm: string) => t`so far ${mm}`,
  signs:
    'A minus goes the other way. The rotor is out or held by its own stands; no fingers between pocket and housing.',
  check: 'Check the line',
  left: 'Where the middles stand',
  upOf: (n: string) => t`Pocket ${n}, up`,
  farOf: (n: string) => t`Pocket ${n}, toward far`,
  moves: (count: string) => t`Moves so far: ${count}`,
  truth: 'The truth:',
  truthTold: (n: string, up: string, far: string, droop: string) =>
    t`pocket ${n} stood ${up} up and ${far} toward far at the start; the wire hangs ${droop} below the line there.`,
  hints: [
    'From the wire to the wall at the top, less the same at the bottom, halved: so far the pocket’s middle is over the wire. Near and far alike.',
    'The wire hangs through: its weight a millimetre × the way from one support × the way to the other, over twice its pull. It hangs below the line by that.',
    'Over the wire, less the droop, is over the line. What it is over the line by comes out.',
    'Pockets 1 and 4 stay. Move one of them and the line is another.',
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

const slips: Readonly<Record<BoringSlip, Said>> = labels({
  'still-loose': { title: 'A pocket is still loose.', detail: 'A move counts when it is bolted down.' },
  strained: { title: 'Moved while it was bolted down.', detail: 'Nothing moved. Loosen that pocket first.' },
  'reference-moved': {
    title: 'A reference was moved.',
    detail: 'The line runs through pockets 1 and 4: what was measured no longer holds. Begin again.',
  },
  'wrong-way': {
    title: 'It went the other way.',
    detail: 'It is twice as far off as it was: where it should be, less where it is.',
  },
  'not-halved': {
    title: 'Moved by the whole difference, not by half.',
    detail: 'A middle that goes up by one takes one from the bottom’s way and gives it to the top’s.',
  },
  'droop-left-in': {
    title: 'It stands on the wire, not on the line.',
    detail: 'The wire hangs below the line. Allow for it.',
  },
  'droop-twice': {
    title: 'The droop was put on the wrong way.',
    detail: 'The wire is below the line: over the wire, less the droop, is over the line.',
  },
  off: { title: 'Not on the line yet.', detail: 'Measure again, and see below how far it is.' },
})

export const sayBoringSlip = (slip: BoringSlip): Said => slips[slip]

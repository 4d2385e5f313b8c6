import type { FrameFault, FrameFoot } from '../core/practice/frame'
import type { SeatingSlip } from '../core/practice/seating'
import { labels, t } from './language'
import type { Said } from './said'

/** What is said in the lesson of the frame on four feet. */
export const seatingWords = labels({
  name: 'Soft foot',
  goal: 'One thing is wrong with this frame. Find it as at a machine: dial on a foot, loosen that bolt alone, look and feel, tighten. Then cure it.',
  frame: 'The frame from above, near side at the bottom',
  foot: 'Foot',
  loosen: 'Loosen its bolt',
  tighten: 'Tighten its bolt',
  tight: 'tight',
  loose: 'loose',
  dial: 'Dial on it, zeroed',
  dialOn: (foot: string, mm: string) => t`Dial on the ${foot} foot: ${mm}`,
  noDial: 'The dial is not on a foot.',
  gaps: (foot: string) => t`Blades under the ${foot} foot`,
  gapsTight: 'Its bolt is tight: no blade goes in.',
  corner: 'Corner',
  mayRise: (most: string) => t`No foot may rise by more than ${most}.`,
  goes: (unit: string) => t`Blade that goes in, ${unit}`,
  none: 'none',
  thickness: (unit: string) => t`Shim in hand, ${unit}`,
  shim: 'Even shim under it',
  step: 'Step shim under it',
  clean: 'Clean pad and foot',
  cleaned: 'cleaned',
  pipeOff: 'Unbolt the pipe',
  pipeOn: 'Bolt the pipe on again',
  pipeIsOff: 'The pipe hangs on its own supports.',
  pipeIsOn: 'The pipe is bolted to the machine.',
  loosenFirst: 'Shims and cleaning need a loose bolt. Fingers stay out: blades and shims by their tabs.',
  whatIsIt: 'What is wrong',
  choose: 'choose',
  check: 'Check the frame',
  rises: 'Each foot rises now, its bolt alone loosened',
  under: (parts: string) => t`under it: ${parts}`,
  evenShim: (mm: string) => t`shim ${mm}`,
  stepShim: (mm: string) => t`step shim ${mm}`,
  truth: 'It was:',
  hints: [
    'One bolt at a time, the other three tight. Zero the dial before you loosen, not after.',
    'Which feet rise? Two across a diagonal: the frame rocks. Two at one end: something pulls. One alone: feel its corners.',
    'One foot alone: blades that go in at one edge only, it is bent; no blade at all although it rises, something under it gives.',
    'A rocking frame wants the gap under one of the two feet, not under both. A pull from outside is never shimmed away.',
  ],
})

export const frameFootNames: Readonly<Record<FrameFoot, string>> = labels({
  'near-left': 'near left',
  'far-left': 'far left',
  'far-right': 'far right',
  'near-right': 'near right',
})

export const frameFaultNames: Readonly<Record<FrameFault, string>> = labels({
  rocking: 'The frame rocks on a diagonal: one foot is short',
  angled: 'One foot is bent',
  springy: 'Something under one foot gives',
  strain: 'A pipe pulls at one end',
})

/** What it was, with the place and the size. */
export function sayFrame(fault: FrameFault, foot: string, size: string): string {
  if (fault === 'rocking') return t`the ${foot} foot was short by ${size}, so the frame rocked.`
  if (fault === 'angled') return t`the ${foot} foot was bent open by ${size}.`
  if (fault === 'springy') return t`dirt and thin shims lay ${size} thick under the ${foot} foot.`
  return t`the pipe pulled upward with ${size} kN at the end of the ${foot} foot.`
}

const slips: Readonly<Record<SeatingSlip, Said>> = labels({
  untold: { title: 'You have not said what is wrong.', detail: 'A cure without a cause comes back.' },
  mistaken: { title: 'That is not what is wrong.', detail: 'Look which feet rise together, and what the blades find.' },
  'still-loose': { title: 'A bolt is still loose.', detail: 'Tighten every foot; the check loosens one at a time.' },
  'both-shimmed': {
    title: 'Shimmed under both feet of the diagonal.',
    detail: 'Now the other two are short. One of the two takes the whole gap.',
  },
  'strain-shimmed': {
    title: 'A shim under a foot that a pipe pulls up.',
    detail: 'The strain stays and goes into the shaft. Take the shim out; have the pipe put right.',
  },
  'even-under-bent': {
    title: 'An even shim under a bent foot.',
    detail: 'It stands on one edge still. A step shim follows the opening; or the foot is machined.',
  },
  'shim-on-dirt': {
    title: 'A shim on top of what gives.',
    detail: 'Clean pad and foot first, and put few clean shims back.',
  },
  thickness: { title: 'Not the thickness of the gap.', detail: 'Measure again with the blades, and cut to that.' },
  'not-cured': { title: 'A foot still rises.', detail: 'Look below which, and by how much.' },
})

export const saySeatingSlip = (slip: SeatingSlip): Said => slips[slip]

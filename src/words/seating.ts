import type { SeatingSlip } from '../core/practice/seating'
import type { FrameFault, FrameFoot } from '../core/practice/softFootRig'
import { labels, t } from './language'
import type { Message } from './said'

/** What is said in the lesson of the frame on four feet. */
export const seatingWords = labels({
  name: 'Soft foot',
  topic: 'Find the fault, then correct it',
  goal: 'This frame has one fault. Find it as on a real machine: dial on a foot, loosen that bolt only, read and feel, retighten. Then correct it.',
  frame: 'The frame from above, near side at the bottom',
  foot: 'Foot',
  loosen: 'Loosen its bolt',
  tighten: 'Tighten its bolt',
  tight: 'tight',
  loose: 'loose',
  dial: 'Dial on it, zeroed',
  dialOn: (foot: string, mm: string) => t`Dial on the ${foot} foot: ${mm}`,
  noDial: 'The dial is not on a foot.',
  gaps: (foot: string) => t`Feeler under the ${foot} foot`,
  gapsTight: 'Bolt tight: no feeler goes in.',
  corner: 'Corner',
  mayRise: (most: string) => t`No foot may rise by more than ${most}.`,
  goes: (unit: string) => t`Thickest feeler that goes in, ${unit}`,
  none: 'none',
  thickness: (unit: string) => t`Shim thickness, ${unit}`,
  shim: 'Insert full shim',
  step: 'Insert step shim',
  clean: 'Clean foot and pad',
  cleaned: 'cleaned',
  pipeOff: 'Disconnect the pipe',
  pipeOn: 'Reconnect the pipe',
  pipeIsOff: 'Pipe disconnected, on its own supports.',
  pipeIsOn: 'Pipe connected.',
  loosenFirst: 'Loosen the bolt before you shim or clean. Keep fingers out: hold feelers and shims by their tabs.',
  whatIsIt: 'Fault',
  choose: 'choose',
  check: 'Check my answer',
  rises: 'Rise of each foot now, one bolt loosened at a time',
  under: (parts: string) => t`under it: ${parts}`,
  evenShim: (mm: string) => t`shim ${mm}`,
  stepShim: (mm: string) => t`step shim ${mm}`,
  truth: 'Actual fault:',
  hints: [
    'Loosen one bolt at a time, the other three tight. Zero the dial before you loosen.',
    'If two feet on a diagonal rise, the frame rocks. Two at one end mean pipe strain. If one rises alone, feel its corners.',
    'One foot alone: a feeler that goes in at one edge only means a bent foot. A rise with no gap means something springy under it.',
    'Shim a rocking frame under one of the two feet, never both. Never shim away pipe strain.',
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
  springy: 'One foot is springy',
  strain: 'Pipe strain at one end',
})

/** What it was, with the place and the size. */
export function sayFrame(fault: FrameFault, foot: string, size: string): string {
  if (fault === 'rocking') return t`the ${foot} foot was short by ${size}, so the frame rocked.`
  if (fault === 'angled') return t`the ${foot} foot was bent, open ${size} at one edge.`
  if (fault === 'springy') return t`there was ${size} of dirt and thin shims under the ${foot} foot.`
  return t`the pipe pulled up with ${size} kN at the ${foot} foot end.`
}

const slips: Readonly<Record<SeatingSlip, Message>> = labels({
  untold: { title: 'You have not named the fault.', detail: 'Without the cause, the fault comes back.' },
  mistaken: { title: 'That is not the fault.', detail: 'Check which feet rise together and what the feeler finds.' },
  'still-loose': { title: 'A bolt is still loose.', detail: 'Tighten every foot. The check loosens one at a time.' },
  'both-shimmed': {
    title: 'You shimmed both feet of the diagonal.',
    detail: 'Now the other two are short. Put the whole gap under one foot.',
  },
  'strain-shimmed': {
    title: 'You shimmed a foot that pipe strain is lifting.',
    detail: 'The strain is still there and bends the shaft. Remove the shim and have the pipe corrected.',
  },
  'even-under-bent': {
    title: 'You put a full shim under a bent foot.',
    detail: 'It still rests on one edge. Use a step shim, or have the foot machined.',
  },
  'shim-on-dirt': {
    title: 'You added a shim to a springy foot.',
    detail: 'Clean foot and pad first. Put back only a few clean shims.',
  },
  thickness: { title: 'The shim does not match the gap.', detail: 'Measure the gap again and match the shim to it.' },
  'not-cured': { title: 'A foot still rises.', detail: 'See below which one, and by how much.' },
})

export const saySeatingSlip = (slip: SeatingSlip): Message => slips[slip]

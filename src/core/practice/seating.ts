import { type Attempted, begun, bolting, isPlain, type PlainAct, plainly, touched } from './attempted'
import {
  diagonalOf,
  emptyFrameHands,
  type Frame,
  type FrameFault,
  type FrameFoot,
  type FrameHands,
  footHeight,
  frameFaults,
  frameFeet,
  makeFrame,
  riseOf,
} from './softFootRig'
import { typedMm } from './typed'

/** The most a foot may rise when its bolt is loosened, mm. */
export const mayRise = 0.05

/** How a person stands in the lesson of the frame: what is kept, and nothing of the truth. */
export interface Seating extends Attempted<FrameHands> {
  lesson: 'soft-foot'
  /** What the person takes it for, and the shim in hand as typed, mm. */
  told: FrameFault | ''
  thickness: string
}

export const beginSeating = (seed: number): Seating => ({
  ...begun(seed, emptyFrameHands),
  lesson: 'soft-foot',
  told: '',
  thickness: '',
})

/** What a person can do at the frame. */
export type SeatingAct =
  | PlainAct
  | { do: 'loosen' | 'tighten' | 'dial' | 'clean'; foot: FrameFoot }
  /** The shim in hand, even or as a step shim with its thick end at the open edge; none where its thickness is no number. */
  | { do: 'shim' | 'step'; foot: FrameFoot }
  | { do: 'pipe'; off: boolean }
  | { do: 'thickness'; text: string }
  | { do: 'tell'; fault: FrameFault | '' }

/** Minutes an act costs. */
const cost = { bolt: 2, dial: 3, shim: 6, clean: 10, pipe: 25 }

/** Thicker than this nobody shims one foot for its softness, mm. */
const thickest = 2

/** The thickness in hand, mm. */
export function inHand({ thickness }: Pick<Seating, 'thickness'>): number | undefined {
  const mm = typedMm(thickness)
  return mm !== undefined && mm >= 0 && mm <= thickest ? mm : undefined
}

/** One act done. Pure: the same state and act give the same. A shim goes in only under a loose foot. */
export function seated(now: Seating, act: SeatingAct): Seating {
  if (isPlain(act)) return plainly(now, act)
  const { hands } = now
  const touch = (change: Partial<FrameHands>, minutes: number): Seating => touched(now, change, minutes)
  switch (act.do) {
    case 'loosen':
    case 'tighten': {
      const loose = bolting(hands.loose, act.foot, act.do)
      return loose ? touch({ loose }, cost.bolt) : now
    }
    case 'dial':
      return touch({ dial: { foot: act.foot, zero: footHeight(makeFrame(now.seed), hands, act.foot) } }, cost.dial)
    case 'shim':
    case 'step': {
      const mm = inHand(now)
      if (mm === undefined || !hands.loose.includes(act.foot)) return now
      const pile = act.do === 'shim' ? 'shims' : 'steps'
      return touch({ [pile]: { ...hands[pile], [act.foot]: mm } }, cost.shim)
    }
    case 'clean':
      return hands.loose.includes(act.foot) && !hands.cleaned.includes(act.foot)
        ? touch({ cleaned: [...hands.cleaned, act.foot] }, cost.clean)
        : now
    case 'pipe':
      return hands.pipeOff === act.off ? now : touch({ pipeOff: act.off }, cost.pipe)
    case 'thickness':
      return { ...now, thickness: act.text }
    case 'tell':
      return { ...now, told: act.fault, checked: false }
  }
}

/** What went wrong, by its name. */
export type SeatingSlip =
  | 'untold'
  | 'mistaken'
  | 'still-loose'
  | 'both-shimmed'
  | 'strain-shimmed'
  | 'even-under-bent'
  | 'shim-on-dirt'
  | 'thickness'
  | 'not-cured'

export interface SeatingJudged {
  frame: Frame
  /** What every foot rises now, mm, where all bolts but its own are tight. */
  rises: Readonly<Record<FrameFoot, number>>
  slips: readonly SeatingSlip[]
  passed: boolean
}

const laid = (pile: FrameHands['shims']): readonly FrameFoot[] => frameFeet.filter((foot) => (pile[foot] ?? 0) > 0)

/** How the frame sits now against the truth: named rightly, every bolt tight, no foot rising by more than it may. */
export function judgeSeating(now: Seating): SeatingJudged {
  const frame = makeFrame(now.seed)
  const { hands, told } = now
  const tight = { ...hands, loose: [] }
  const rises = Object.fromEntries(
    frameFeet.map((foot) => [foot, riseOf(frame, tight, foot)]),
  ) as SeatingJudged['rises']
  const soft = frameFeet.some((foot) => Math.abs(rises[foot]) > mayRise)
  const slips: SeatingSlip[] = []
  if (told === '') slips.push('untold')
  else if (told !== frame.fault) slips.push('mistaken')
  if (hands.loose.length > 0) slips.push('still-loose')
  const shimmed = [...laid(hands.shims), ...laid(hands.steps)]
  // strain is never shimmed away, whether or not it then shows
  if (frame.fault === 'strain' && shimmed.length > 0) slips.push('strain-shimmed')
  if (soft) slips.push(whySoft(frame, hands))
  return { frame, rises, slips, passed: !now.unsafe && slips.length === 0 }
}

/** Why a foot is still soft, from what lies under it. */
function whySoft(frame: Frame, { shims, steps, cleaned }: FrameHands): SeatingSlip {
  const { fault, foot } = frame
  const even = laid(shims)
  if (fault === 'rocking' && even.includes(foot) && even.includes(diagonalOf(foot))) return 'both-shimmed'
  if (fault === 'rocking' && (even.includes(foot) || even.includes(diagonalOf(foot)))) return 'thickness'
  if (fault === 'angled' && even.includes(foot)) return 'even-under-bent'
  if (fault === 'angled' && (steps[foot] ?? 0) > 0) return 'thickness'
  if (fault === 'springy' && even.includes(foot) && !cleaned.includes(foot)) return 'shim-on-dirt'
  return 'not-cured'
}

/** Faults in a fixed order for choosing. */
export const faultChoices = frameFaults

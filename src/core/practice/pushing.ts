import { type Attempted, begun, isPlain, type PlainAct, plainly, touched } from './attempted'
import {
  bears,
  emptySlideHands,
  type Jack,
  jacked,
  jacks,
  makeSlide,
  otherEnd,
  type Slide,
  type SlideEnd,
  type SlideHands,
  type SlideSide,
  slideEnds,
  tightened,
} from './slide'

/** How near each end has to come to where the plan wants it, mm. */
export const missTolerance = 0.03

/** How a person stands in the lesson of the side moves: what is kept, and nothing of the truth. */
export interface Pushing extends Attempted<SlideHands> {
  lesson: 'side-moves'
  /** Turns of the jack bolts so far. */
  turns: number
}

export const beginPushing = (seed: number): Pushing => ({
  ...begun(seed, emptySlideHands),
  lesson: 'side-moves',
  turns: 0,
})

/** How far a jack bolt can be turned at once, mm inward where positive: small, plain, and a whole way off; round in the unit that is shown. */
export const turnsOfJack = {
  mm: [0.02, 0.1, 0.5, -0.1, -1],
  mil: [0.0254, 0.127, 0.508, -0.127, -1.016],
} as const

/** What a person can do at the machine. */
export type PushingAct =
  | PlainAct
  | { do: 'loosen' | 'tighten'; end: SlideEnd }
  | { do: 'dial'; end: SlideEnd; side: SlideSide }
  | { do: 'turn'; jack: Jack; by: number }
  /** Turned in by hand until it just bears, no further. */
  | { do: 'touch'; jack: Jack }

/** Minutes an act costs. */
const cost = { bolts: 3, dial: 3, turn: 0.5 }

/** One act done. Pure: the same state and act give the same. */
export function pushed(now: Pushing, act: PushingAct): Pushing {
  if (isPlain(act)) return plainly(now, act)
  const { hands } = now
  const slide = makeSlide(now.seed)
  const touch = (change: Partial<SlideHands>, minutes: number): Pushing => touched(now, change, minutes)
  switch (act.do) {
    case 'loosen':
      return hands.loose.includes(act.end)
        ? now
        : touch({ loose: [...hands.loose, act.end], crept: { ...hands.crept, [act.end]: 0 } }, cost.bolts)
    case 'tighten':
      return hands.loose.includes(act.end) ? touch(tightened(slide, hands, act.end), cost.bolts) : now
    case 'dial':
      return touch({ dials: { ...hands.dials, [act.end]: { side: act.side, zero: hands.at[act.end] } } }, cost.dial)
    case 'turn':
      return { ...touch(jacked(slide, hands, act.jack, act.by), cost.turn), turns: now.turns + 1 }
    case 'touch': {
      const end = act.jack.startsWith('front') ? 'front' : 'back'
      return {
        ...touch({ tips: { ...hands.tips, [act.jack]: hands.at[end] } }, cost.turn),
        turns: now.turns + 1,
      }
    }
  }
}

/** What went wrong, by its name. */
export type PushingSlip =
  | 'still-loose'
  | 'no-dial'
  | 'wrong-way'
  | 'crept'
  | 'swung'
  | 'not-there'
  | 'jacks-left'
  | 'forced'

export interface PushingJudged {
  slide: Slide
  /** How far each end is from where it should be, mm, positive too far toward the far side. */
  off: Readonly<Record<SlideEnd, number>>
  slips: readonly PushingSlip[]
  passed: boolean
}

/** Where the machine stands against the plan: every end there, bolted down, and nothing left bearing on it. */
export function judgePushing(now: Pushing): PushingJudged {
  const slide = makeSlide(now.seed)
  const { hands } = now
  const off = { front: hands.at.front - slide.wanted.front, back: hands.at.back - slide.wanted.back }
  const missed = slideEnds.filter((end) => Math.abs(off[end]) > missTolerance)
  const slips: PushingSlip[] = []
  if (hands.loose.length > 0) slips.push('still-loose')
  if (slideEnds.some((end) => !hands.dials[end])) slips.push('no-dial')
  for (const end of missed) {
    const why = whyMissed(slide, hands, end, off)
    if (!slips.includes(why)) slips.push(why)
  }
  if (missed.length === 0 && jacks.some((jack) => bears(hands, jack))) slips.push('jacks-left')
  if (hands.forced > 0) slips.push('forced')
  return { slide, off, slips, passed: !now.unsafe && slips.length === 0 }
}

/** Why an end is not there: the sign, the creep of its bolts, the push at the other end, or simply not far enough. */
function whyMissed(slide: Slide, hands: SlideHands, end: SlideEnd, off: PushingJudged['off']): PushingSlip {
  const wanted = slide.wanted[end]
  if (Math.abs(hands.at[end] + wanted) <= 2 * missTolerance) return 'wrong-way'
  // it would be there but for what it crept as its bolts were tightened
  if (Math.abs(off[end] - hands.crept[end]) <= missTolerance && Math.abs(hands.crept[end]) > missTolerance)
    return 'crept'
  // the push at the other end came last: as far as that end was to go, and what it had swung itself before
  const other = otherEnd(end)
  const swung = -slide.swing * (slide.wanted[other] + slide.swing * wanted)
  if (Math.abs(off[other]) <= missTolerance && Math.abs(off[end] - swung) <= 2 * missTolerance) return 'swung'
  return 'not-there'
}

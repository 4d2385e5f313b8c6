import { exactRimReading, shaftPair } from '../rig/geometry'
import { chance } from '../rig/random'
import { type Attempted, begun, isPlain, type PlainAct, plainly, touched } from './attempted'
import { judgePushing, missTolerance, type PushingSlip, pushed } from './pushing'
import { emptySlideHands, type Jack, makeSlide, type Slide, type SlideEnd, type SlideHands, slideEnds } from './slide'

/** The two dials over the coupling: on the hub of the machine that moves, and on the one that stays. */
export const hubDials = ['moved', 'fixed'] as const
export type HubDial = (typeof hubDials)[number]

/** Where the shafts are turned to: the dials at the far side, or at the near one. Degrees from the top. */
export const watched = { far: 90, near: 270 } as const
export type Watched = keyof typeof watched

/**
 * A machine to be pushed in line by reverse dials alone, at the near and the far side: the hidden truth of a lesson, the same for the same
 * seed. Lengths in mm; along the line from the coupling.
 */
export interface Halved {
  slide: Slide
  /** Where each dial touches, and where the feet stand. */
  dial: Readonly<Record<HubDial, number>>
  feet: Readonly<Record<SlideEnd, number>>
}

/** The machine that is pushed: another one than that of the lesson with a plan. */
const slideSeed = (seed: number): number => seed ^ 0x5bd1e9

export function makeHalved(seed: number): Halved {
  const source = chance(seed ^ 0x7d2a41c3)
  const to = (least: number, most: number) => Math.round((least + (most - least) * source.uniform()) / 10) * 10
  const [reach, front] = [to(40, 80), to(160, 260)]
  return {
    slide: makeSlide(slideSeed(seed)),
    dial: { moved: reach, fixed: -reach },
    feet: { front, back: front + to(300, 520) },
  }
}

export interface HalvingHands extends SlideHands {
  side: Watched
  /** What each bezel was turned by: what is taken off before the dial shows it. mm */
  bezels: Readonly<Record<HubDial, number>>
}

/** What a dial would show with its bezel untouched, mm: from exact geometry, the shafts turned to a side. */
function bare({ slide, dial, feet }: Halved, hands: SlideHands, which: HubDial, side: Watched): number {
  const off = (end: SlideEnd) => hands.at[end] - slide.wanted[end]
  const slopeY = (off('back') - off('front')) / (feet.back - feet.front)
  const pair = shaftPair({ offsetY: off('front') - slopeY * feet.front, slopeY, offsetZ: 0, slopeZ: 0 }, 0)
  const on = which === 'moved' ? 'right' : 'left'
  return exactRimReading(pair, { on, x: dial[which], radius: 80, sag: 0 }, watched[side])
}

/** What a dial shows now, mm. */
export const hubDialShows = (halved: Halved, hands: HalvingHands, which: HubDial, side: Watched = hands.side): number =>
  bare(halved, hands, which, side) - hands.bezels[which]

/** How a person stands in the lesson of halving: what is kept, and nothing of the truth. */
export interface Halving extends Attempted<HalvingHands> {
  lesson: 'halving'
  turns: number
}

export const beginHalving = (seed: number): Halving => ({
  ...begun(seed, { ...emptySlideHands, side: 'far' as const, bezels: { moved: 0, fixed: 0 } }),
  lesson: 'halving',
  turns: 0,
})

/** What a person can do at the machine. */
export type HalvingAct =
  | PlainAct
  | { do: 'loosen' | 'tighten'; end: SlideEnd }
  | { do: 'turn'; jack: Jack; by: number }
  | { do: 'touch'; jack: Jack }
  /** Both shafts turned until the dials stand at a side. */
  | { do: 'shafts'; to: Watched }
  /** A bezel turned to nought, or until it shows half of what it showed. */
  | { do: 'zero' | 'half'; dial: HubDial }

/** Minutes an act costs, but for those at the bolts. */
const cost = { shafts: 1, bezel: 0.5 }

/** One act done. Pure: the same state and act give the same. */
export function halved(now: Halving, act: HalvingAct): Halving {
  if (isPlain(act)) return plainly(now, act)
  const { hands, seed } = now
  const touch = (change: Partial<HalvingHands>, minutes: number): Halving => touched(now, change, minutes)
  switch (act.do) {
    case 'shafts':
      return hands.side === act.to ? now : touch({ side: act.to }, cost.shafts)
    case 'zero':
    case 'half': {
      const shown = hubDialShows(makeHalved(seed), hands, act.dial)
      const more = act.do === 'zero' ? shown : shown / 2
      return touch({ bezels: { ...hands.bezels, [act.dial]: hands.bezels[act.dial] + more } }, cost.bezel)
    }
    default: {
      // bolts and jack bolts are those of any machine that is pushed
      const { hands: after, ...rest } = pushed({ ...now, lesson: 'side-moves', seed: slideSeed(seed) }, act)
      return { ...now, ...rest, seed, lesson: 'halving', hands: { ...hands, ...after } }
    }
  }
}

export type HalvingSlip = PushingSlip | 'not-halved'

export interface HalvingJudged {
  halved: Halved
  off: Readonly<Record<SlideEnd, number>>
  slips: readonly HalvingSlip[]
  passed: boolean
}

/** Where the machine stands against the line: both ends on it, bolted down, and nothing left bearing on it. */
export function judgeHalving(now: Halving): HalvingJudged {
  const rig = makeHalved(now.seed)
  const { off, slips: found } = judgePushing({ ...now, lesson: 'side-moves', seed: slideSeed(now.seed) })
  const places: readonly PushingSlip[] = ['wrong-way', 'crept', 'swung', 'not-there']
  // pushed until the dials showed at one side what they had at the other: as far over as it was short
  const whole = slideEnds.every((end) => Math.abs(off[end] - rig.slide.wanted[end]) <= 3 * missTolerance)
  const slips = found.filter((slip) => slip !== 'no-dial' && !(whole && places.includes(slip)))
  const all: HalvingSlip[] = whole ? [...slips, 'not-halved'] : slips
  return { halved: rig, off, slips: all, passed: !now.unsafe && all.length === 0 }
}

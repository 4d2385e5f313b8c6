import { chance } from '../rig/random'

/** The two ends of the machine that moves, as its feet stand from the coupling. */
export const slideEnds = ['front', 'back'] as const
export type SlideEnd = (typeof slideEnds)[number]

export const slideSides = ['near', 'far'] as const
export type SlideSide = (typeof slideSides)[number]

/** A jack bolt beside a foot. */
export type Jack = `${SlideEnd}-${SlideSide}`
export const jacks: readonly Jack[] = ['front-near', 'front-far', 'back-near', 'back-far']

export const otherEnd = (end: SlideEnd): SlideEnd => (end === 'front' ? 'back' : 'front')

/**
 * A machine seen from above that has to be pushed sideways: the hidden truth of a lesson, the same for the same seed. Every length
 * in mm, positive toward the far side.
 */
export interface Slide {
  /** The moves that the plan wants. */
  wanted: Readonly<Record<SlideEnd, number>>
  /** How far a foot creeps as its bolts are tightened, with nothing beside it. */
  creep: Readonly<Record<SlideEnd, number>>
  /** Of a push at one end, what the other one goes the other way while it is free. */
  swing: number
  /** What a jack bolt winds up before the machine lets go. */
  stick: number
}

/** What a person has done so far, and where the machine stands by now. */
export interface SlideHands {
  locked: boolean
  /** Ends whose bolts are loose. */
  loose: readonly SlideEnd[]
  /** Where each end stands against where it stood at the start. */
  at: Readonly<Record<SlideEnd, number>>
  /** Where the tip of each jack bolt stands: it bears where that is where the machine's side is. */
  tips: Readonly<Record<Jack, number>>
  /** The side that each dial stands on, and where its end stood when it was zeroed. */
  dials: Readonly<Partial<Record<SlideEnd, { side: SlideSide; zero: number }>>>
  /** What each end crept when its bolts were tightened last. */
  crept: Readonly<Record<SlideEnd, number>>
  /** Turns of a jack bolt against feet that were bolted down, and against the jack bolt across. */
  forced: number
}

/** So far every tip stands off at first. */
const standsOff = 1

export const emptySlideHands: SlideHands = {
  locked: false,
  loose: [],
  at: { front: 0, back: 0 },
  tips: { 'front-near': -standsOff, 'front-far': standsOff, 'back-near': -standsOff, 'back-far': standsOff },
  dials: {},
  crept: { front: 0, back: 0 },
  forced: 0,
}

/** A stop that bears gives this much. */
const stopGives = 0.01

const hundredths = (mm: number): number => Math.round(mm * 100) / 100

export function makeSlide(seed: number): Slide {
  const source = chance(seed ^ 0x2f6e2b1)
  const signed = (least: number, most: number): number =>
    (source.uniform() < 0.5 ? -1 : 1) * (least + (most - least) * source.uniform())
  return {
    wanted: { front: hundredths(signed(0.2, 0.6)), back: hundredths(signed(0.25, 0.9)) },
    creep: { front: signed(0.08, 0.14), back: signed(0.08, 0.16) },
    swing: 0.2 + 0.15 * source.uniform(),
    stick: 0.01 + 0.02 * source.uniform(),
  }
}

const clamp = (value: number, least: number, most: number): number => Math.min(Math.max(value, least), most)

/** An end moved by what pushes it, the other one swinging about the middle of the friction as far as its own jack bolts let it. */
function moved(slide: Slide, hands: SlideHands, end: SlideEnd, to: number): SlideHands['at'] {
  const other = otherEnd(end)
  const by = to - hands.at[end]
  const free = hands.loose.includes(other) ? hands.at[other] - slide.swing * by : hands.at[other]
  // a jack bolt that stood off already stays where it is: it stops, it does not pull
  const [near, far] = [hands.tips[`${other}-near`], hands.tips[`${other}-far`]]
  const swung = clamp(free, Math.min(near, hands.at[other]), Math.max(far, hands.at[other]))
  return { ...hands.at, [end]: to, [other]: swung } as SlideHands['at']
}

/**
 * A jack bolt turned, mm inward where positive. It pushes a loose end once it has taken up its own wind-up; against bolted feet, or the
 * jack bolt across, it goes no further than that, and it was forced.
 */
export function jacked(slide: Slide, hands: SlideHands, jack: Jack, by: number): SlideHands {
  const [end, side] = jack.split('-') as [SlideEnd, SlideSide]
  const inward = side === 'near' ? 1 : -1
  const wanted = hands.tips[jack] + inward * by
  const put = (tip: number, more: Partial<SlideHands> = {}): SlideHands => ({
    ...hands,
    ...more,
    tips: { ...hands.tips, [jack]: tip },
  })
  const stands = hands.at[end]
  // how far the tip would press into the machine as it stands
  const press = inward * (wanted - stands)
  if (press <= slide.stick) return put(wanted)
  if (!hands.loose.includes(end)) return put(stands + inward * slide.stick, { forced: hands.forced + 1 })
  const across = hands.tips[`${end}-${side === 'near' ? 'far' : 'near'}`]
  const to = wanted - inward * slide.stick
  const past = inward * (to - across)
  const reached = past > 0 ? across : to
  const forced = past > slide.stick ? { forced: hands.forced + 1 } : {}
  return put(reached + inward * slide.stick, { at: moved(slide, hands, end, reached), ...forced })
}

/** The bolts of an end tightened: it creeps, but for what its jack bolts hold. */
export function tightened(slide: Slide, hands: SlideHands, end: SlideEnd): SlideHands {
  if (!hands.loose.includes(end)) return hands
  const stands = hands.at[end]
  const [near, far] = [hands.tips[`${end}-near`], hands.tips[`${end}-far`]]
  const to = clamp(stands + slide.creep[end], Math.min(near, stands) - stopGives, Math.max(far, stands) + stopGives)
  return {
    ...hands,
    at: moved(slide, hands, end, to),
    loose: hands.loose.filter((one) => one !== end),
    crept: { ...hands.crept, [end]: to - stands },
  }
}

/** What the dial at an end shows, mm: its plunger goes in, and the number up, as the machine comes toward the side it stands on. */
export function slideShows(hands: SlideHands, end: SlideEnd): number | undefined {
  const dial = hands.dials[end]
  return dial && (dial.side === 'far' ? 1 : -1) * (hands.at[end] - dial.zero)
}

/** Whether the tip of a jack bolt bears on the machine. */
export function bears(hands: SlideHands, jack: Jack): boolean {
  const [end, side] = jack.split('-') as [SlideEnd, SlideSide]
  return (side === 'near' ? 1 : -1) * (hands.tips[jack] - hands.at[end]) > -0.005
}

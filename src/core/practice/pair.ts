import { expansion } from '../quantity/expansion'
import { exactFaceReading, exactRimReading, type ShaftAxis, type ShaftPair, type Vector } from '../rig/geometry'
import { chance } from '../rig/random'

/** Lessons that end with a pair in line: roughly by eye and blade, with no shim left or no hole left, and running warm. */
export const pairLessons = ['rough', 'bound', 'growth'] as const
export type PairLesson = (typeof pairLessons)[number]

/** How near the shafts have to come: offset in mm, slope in mm over mm. Roughly is what a dial then stays well inside its travel with. */
export const pairAllows: Readonly<Record<PairLesson, { offset: number; slope: number }>> = {
  rough: { offset: 0.3, slope: 0.0015 },
  bound: { offset: 0.05, slope: 0.0005 },
  growth: { offset: 0.05, slope: 0.0003 },
}

/** Feet in order along the line; front feet are those next to the coupling. */
export const pairFeet = ['left-back', 'left-front', 'right-front', 'right-back'] as const
export type PairFoot = (typeof pairFeet)[number]
export const pairSides = ['left', 'right'] as const
export type PairSide = (typeof pairSides)[number]

export const sideOf = (foot: PairFoot): PairSide => (foot.startsWith('left') ? 'left' : 'right')

export type PerFoot = Readonly<Record<PairFoot, number>>

/**
 * Two machines at a coupling: the hidden truth of a lesson, the same for the same seed. Lengths in mm; far and up positive, along the
 * line from the coupling.
 */
export interface Pair {
  /** Where each foot stands along the line, and how high its machine's shaft lies over it. */
  at: PerFoot
  height: PerFoot
  /** Hubs: half their diameter, and what they stand apart. */
  hub: { radius: number; apart: number }
  /** Where the shaft stands over each foot at the start, cold. */
  far: PerFoot
  up: PerFoot
  /** Shims under each foot at the start, and how far its bolts let it go to either side. */
  pack: PerFoot
  hole: PerFoot
  /** What each foot gets warmer by, K, from cold to running. */
  warmer: PerFoot
}

/** What a person has done so far. */
export interface PairHands {
  locked: boolean
  loose: readonly PairSide[]
  /** What each foot was raised by, and pushed toward the far side. mm */
  up: PerFoot
  far: PerFoot
  /** The machines run, and are warm; they ran once, and the thermometers were read. */
  running: boolean
  ran: boolean
  /** Pushes that came up against a bolt in its hole. */
  against: number
}

const none: PerFoot = { 'left-back': 0, 'left-front': 0, 'right-front': 0, 'right-back': 0 }

export const emptyPairHands: PairHands = {
  locked: false,
  loose: [],
  up: none,
  far: none,
  running: false,
  ran: false,
  against: 0,
}

export const perFoot = (of: (foot: PairFoot) => number): PerFoot =>
  Object.fromEntries(pairFeet.map((foot) => [foot, of(foot)])) as PerFoot

const to = (mm: number, step: number): number => Math.round(mm / step) * step
const hundredths = (mm: number): number => Math.round(mm * 100) / 100

export function makePair(lesson: PairLesson, seed: number): Pair {
  const source = chance(seed ^ 0x3c6ef372)
  const between = (least: number, most: number): number => least + (most - least) * source.uniform()
  const signed = (least: number, most: number): number => (source.uniform() < 0.5 ? -1 : 1) * between(least, most)
  const [front, spread] = [() => to(between(140, 260), 10), () => to(between(300, 600), 10)]
  const [leftFront, rightFront] = [front(), front()]
  const height = { left: to(between(220, 320), 5), right: to(between(180, 280), 5) }
  const pair: Pair = {
    at: {
      'left-back': -leftFront - spread(),
      'left-front': -leftFront,
      'right-front': rightFront,
      'right-back': rightFront + spread(),
    },
    height: perFoot((foot) => height[sideOf(foot)]),
    hub: { radius: to(between(60, 100), 5), apart: to(between(3, 6), 0.5) },
    far: none,
    up: none,
    pack: none,
    hole: perFoot(() => 6),
    warmer: none,
  }
  switch (lesson) {
    case 'rough':
      // it stands low and on bare pads: there is nothing to take out
      return {
        ...pair,
        up: { ...none, 'right-front': -between(0.6, 3), 'right-back': -between(0.6, 3) },
        far: { ...none, 'right-front': signed(0.8, 3), 'right-back': signed(0.8, 3) },
      }
    case 'bound': {
      // more than a line from the right machine's own feet still makes good within what is allowed
      const reach = pairAllows.bound.offset + pairAllows.bound.slope * pair.at['right-back']
      const [pack, hole] = [hundredths(between(0.1, 0.3)), hundredths(between(0.4, 0.7))]
      const side = source.uniform() < 0.5 ? -1 : 1
      return {
        ...pair,
        // the right machine would have to come down by more than its shims, and over by more than its holes
        up: {
          ...none,
          'right-front': hundredths(pack + between(0.4, 0.9)),
          'right-back': hundredths(signed(0.1, 0.6)),
        },
        far: {
          ...none,
          'right-front': hundredths(signed(0.05, 0.3)),
          'right-back': hundredths(side * (hole + Math.max(reach + 0.05, between(0.4, 0.7)))),
        },
        pack: { 'left-back': 1, 'left-front': 1, 'right-front': pack, 'right-back': 1.5 },
        hole: { 'left-back': 2.5, 'left-front': 2.5, 'right-front': 2.5, 'right-back': hole },
      }
    }
    case 'growth': {
      const hot = Math.round(between(95, 130))
      const cool = Math.round(between(30, 45))
      return {
        ...pair,
        up: { ...none, 'right-front': hundredths(signed(0.1, 0.4)), 'right-back': hundredths(signed(0.1, 0.4)) },
        pack: perFoot(() => 3),
        // a pump that is hotter at its outer end, and a motor that is evenly warm
        warmer: {
          'left-back': hot + Math.round(between(5, 20)),
          'left-front': hot,
          'right-front': cool,
          'right-back': cool,
        },
      }
    }
  }
}

/** What each foot grows by from cold to running: its height, its material's expansion, what it gets warmer by. mm */
export const growthOf = ({ height, warmer }: Pair, foot: PairFoot): number =>
  expansion.steel * height[foot] * warmer[foot]

/** Where the shaft stands over each foot now, mm: cold, or running and grown. */
export function shaftOver(pair: Pair, hands: PairHands, running = hands.running): { up: PerFoot; far: PerFoot } {
  return {
    up: perFoot((foot) => pair.up[foot] + hands.up[foot] + (running ? growthOf(pair, foot) : 0)),
    far: perFoot((foot) => pair.far[foot] + hands.far[foot]),
  }
}

/** Both shafts as lines in space. */
export function axesOf(pair: Pair, hands: PairHands, running = hands.running): ShaftPair {
  const { up, far } = shaftOver(pair, hands, running)
  const axis = (side: PairSide): ShaftAxis => {
    const [front, back]: [PairFoot, PairFoot] = [`${side}-front`, `${side}-back`]
    const point: Vector = [pair.at[front], far[front], up[front]]
    const [right, left] = side === 'left' ? [front, back] : [back, front]
    const along = [pair.at[right] - pair.at[left], far[right] - far[left], up[right] - up[left]] as const
    const length = Math.hypot(...along)
    return { point, along: [along[0] / length, along[1] / length, along[2] / length] }
  }
  return { left: axis('left'), right: axis('right') }
}

/** How the right shaft stands against the left one at the coupling: offset in mm, slope in rad, up and far. */
export function misaligned(pair: Pair, hands: PairHands, running = hands.running) {
  const { left, right } = axesOf(pair, hands, running)
  const at = ({ point, along }: ShaftAxis, plane: 1 | 2) => {
    const slope = along[plane] / along[0]
    return { slope, here: point[plane] - slope * point[0] }
  }
  const between = (plane: 1 | 2) => {
    const [l, r] = [at(left, plane), at(right, plane)]
    return { offset: r.here - l.here, slope: r.slope - l.slope }
  }
  return { far: between(1), up: between(2) }
}

/** Places round the hubs where a straightedge is laid and a blade is put in, degrees from the top toward the far side. */
export const roundHubs = [0, 90, 180, 270] as const

/**
 * What a straightedge along the left hub and a blade between the hubs tell at a place: how far the right hub stands out past the left
 * one, and the gap. mm, to 0.05 and to 0.02
 */
export function feltAt(pair: Pair, hands: PairHands, degrees: number): { step: number; gap: number } {
  const shafts = axesOf(pair, hands)
  const { radius, apart } = pair.hub
  const step = exactRimReading(shafts, { on: 'right', x: apart / 2, radius, sag: 0 }, degrees)
  const toward = exactFaceReading(shafts, { on: 'right', x: apart / 2, radius, side: 'front', sag: 0 }, degrees)
  return { step: to(step, 0.05), gap: to(apart - toward, 0.02) }
}

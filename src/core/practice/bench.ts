import type { Misalignment } from '../probes/probe'
import { exactRimReading, shaftPair } from '../rig/geometry'
import { chance } from '../rig/random'

/** A dial as a person handles it. mm. */
export interface Gauge {
  /** One turn of the needle, and how far the plunger goes in all. */
  turn: number
  travel: number
  graduation: number
}

/**
 * One dial on one bracket, over a coupling or on a straight pipe: the hidden truth of a lesson, the same for the same seed. Lengths
 * in mm, slopes in rad. Readings come from exact geometry (`core/rig/geometry.ts`), never from the product's own formulas.
 */
export interface Bench {
  gauge: Gauge
  truth: Misalignment
  /** Where the plunger touches, from the coupling's centre; the hub it runs on. */
  x: number
  radius: number
  /** Bottom against top, below zero: what the bracket hangs through by its own weight. */
  sag: number
  /** A bolted coupling holds the shafts toward each other: what it leaves of the offset and of the slope, as a share. */
  held: { offset: number; slope: number }
}

const aligned: Misalignment = { offsetY: 0, slopeY: 0, offsetZ: 0, slopeZ: 0 }

/** To the graduation, so that a dial can be read without guessing between its lines. */
const round = (mm: number, step = 0.01): number => Math.round(mm / step) * step

/** @param on a pipe is straight: what the dial shows there is the bracket alone */
export function makeBench(seed: number, on: 'coupling' | 'pipe'): Bench {
  const source = chance(seed)
  const between = (low: number, high: number) => low + (high - low) * source.uniform()
  const either = () => (source.uniform() < 0.5 ? -1 : 1)
  const sag = round(-between(0.06, 0.34))
  const bench = {
    gauge: { turn: 1, travel: 10, graduation: 0.01 },
    // far enough out that a sign or a whole turn matters, never so far that a dial could not follow
    truth:
      on === 'pipe'
        ? aligned
        : {
            offsetY: either() * between(0.15, 0.85),
            slopeY: either() * between(0, 0.0006),
            offsetZ: either() * between(0.15, 0.85),
            slopeZ: either() * between(0, 0.0006),
          },
    x: round(between(60, 120), 5),
    radius: round(between(70, 110), 5),
    sag,
  }
  // drawn last, so that every machine there was stays the machine it was
  return { ...bench, held: { offset: between(0.2, 0.8), slope: between(0.2, 0.8) } }
}

/** What a person has done with dial and shaft so far. */
export interface Hands {
  /** Isolation locked and tried: nothing is touched before it. */
  locked: boolean
  /** The shafts' turn, degrees from the top toward the far side. */
  turned: number
  /** How far the plunger is pushed in at the top, mm. */
  preset: number
  /** What the bezel was turned by: the plunger's stand that reads zero, mm. */
  zero: number
  /** The coupling is bolted up. */
  engaged?: boolean
}

export const emptyHands: Hands = { locked: false, turned: 0, preset: 0.4, zero: 0 }

/** How the shafts stand while the coupling is bolted up: minimal, an elastic coupling that takes a share of each. */
const heldBy = (truth: Misalignment, { offset, slope }: Bench['held']): Misalignment => ({
  offsetY: offset * truth.offsetY,
  slopeY: slope * truth.slopeY,
  offsetZ: offset * truth.offsetZ,
  slopeZ: slope * truth.slopeZ,
})

/** How much farther in the plunger is at an angle than at the top, mm. */
export function swing({ truth, x, radius, sag, held }: Bench, degrees: number, engaged = false): number {
  const pair = shaftPair(engaged ? heldBy(truth, held) : truth, 0)
  const dial = { on: 'right' as const, x, radius, sag }
  return exactRimReading(pair, dial, degrees) - exactRimReading(pair, dial, 0)
}

/** Where the plunger stands, mm: nought is all the way out, where it touches nothing; it goes no farther in than its travel. */
export const plungerAt = (bench: Bench, hands: Hands, degrees = hands.turned): number =>
  Math.min(bench.gauge.travel, Math.max(0, hands.preset + swing(bench, degrees, hands.engaged)))

/** Whether the plunger follows the hub all the way round. */
export const follows = (bench: Bench, { preset, engaged }: Hands): boolean =>
  Array.from({ length: 72 }, (_, i) => preset + swing(bench, 5 * i, engaged)).every(
    (stand) => stand > 0 && stand < bench.gauge.travel,
  )

/** What the dial's two hands show: the needle, as a share of its turn from the zero of the bezel, and the small hand's whole turns. */
export function handsOf(bench: Bench, hands: Hands): { needle: number; turns: number; plunger: number } {
  const plunger = plungerAt(bench, hands)
  const { turn } = bench.gauge
  const from = (plunger - hands.zero) / turn
  return { needle: from - Math.floor(from), turns: plunger / turn, plunger }
}

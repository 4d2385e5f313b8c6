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
export interface DialRig {
  gauge: Gauge
  truth: Misalignment
  /** Where the plunger touches, from the coupling's center; the hub it runs on. */
  x: number
  radius: number
  /** Bottom against top, below zero: what the bracket hangs through by its own weight. */
  sag: number
  /** A bolted coupling holds the shafts toward each other: what it leaves of the offset and of the slope, as a share. */
  held: { offset: number; slope: number }
  /** A lever dial: its angle to the surface at half its travel, degrees; the length of tip it was made for, and of the one put in. mm */
  lever?: { angle: number; made: number; used: number }
  /** What makes it show another number than the shafts give it, and by how much, mm. */
  lies?: { fault: DialFault; by: number; at: number }
  /** A pipe is in the way: how far the bracket turns from the top toward each side, degrees. */
  stops?: { near: number; far: number }
}

/** What can be wrong with a dial, its tip, its bracket or the hub it runs on; or nothing is. */
export const dialFaults = ['none', 'loose-tip', 'sticking', 'backlash', 'run-out'] as const
export type DialFault = (typeof dialFaults)[number]

/** What else a bench may have. */
export interface BenchHas {
  lies?: boolean
  lever?: boolean
  stops?: boolean
}

/** The block of a known step, mm. */
export const knownStep = 0.5

const aligned: Misalignment = { offsetY: 0, slopeY: 0, offsetZ: 0, slopeZ: 0 }

/** To the graduation, so that a dial can be read without guessing between its lines. */
const round = (mm: number, step = 0.01): number => Math.round(mm / step) * step

/** @param on a pipe is straight: what the dial shows there is the bracket alone */
export function makeDialRig(seed: number, on: 'coupling' | 'pipe', { lever, stops, lies }: BenchHas = {}): DialRig {
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
  const whole: DialRig = { ...bench, held: { offset: between(0.2, 0.8), slope: between(0.2, 0.8) } }
  if (lever)
    return onLever(whole, { angle: between(30, 45), made: 25, used: either() > 0 ? 25 : 20 }, between(0.12, 0.18))
  if (lies) {
    const fault = dialFaults[Math.floor(dialFaults.length * source.uniform())] ?? 'none'
    return { ...whole, lies: { fault, by: between(0.05, 0.1), at: 360 * source.uniform() } }
  }
  return stops ? { ...whole, stops: { near: round(between(55, 85), 5), far: round(between(55, 85), 5) } } : whole
}

/** A lever dial has little travel: small misalignment, and a bottom that shows it the way the bracket hangs, so that the factor matters. */
function onLever(bench: DialRig, lever: NonNullable<DialRig['lever']>, offset: number): DialRig {
  const { truth } = bench
  const hung = (offsetZ: number): DialRig => ({
    ...bench,
    lever,
    gauge: { ...bench.gauge, travel: 2 },
    sag: round(0.3 * bench.sag),
    truth: { offsetY: 0.2 * truth.offsetY, slopeY: 0.2 * truth.slopeY, offsetZ, slopeZ: 0.2 * truth.slopeZ },
  })
  const [up, down] = [hung(offset), hung(-offset)]
  return Math.abs(swing(up, 180)) > Math.abs(swing(down, 180)) ? up : down
}

/** What a lever dial's number has to be multiplied by: it turns by an angle and shows an arc, at its angle to the surface. 1 for a plunger. */
export const leverFactor = ({ lever }: DialRig): number =>
  lever ? (Math.cos((lever.angle * Math.PI) / 180) * lever.used) / lever.made : 1

/** What the dial indicates where its tip stands, mm from all the way out: exactly, the lever's angle changes as it swings. */
function indicated({ lever, gauge }: DialRig, stands: number): number {
  if (!lever) return stands
  const angle = (lever.angle * Math.PI) / 180
  const half = gauge.travel / 2
  return half + lever.made * (Math.asin((stands - half) / lever.used + Math.sin(angle)) - angle)
}

/** What a person has done with dial and shaft so far. */
export interface DialHands {
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
  /** The block of a known step lies under the tip. */
  step?: boolean
  /** How often it was turned, and which way last; the needle as it stuck there; the tip was tightened; the hub turned alone, degrees. */
  turns?: number
  way?: 1 | -1
  stuckAt?: number | undefined
  tipTight?: boolean
  hub?: number
}

export const emptyDialHands: DialHands = { locked: false, turned: 0, preset: 0.4, zero: 0 }

/** How the shafts stand while the coupling is bolted up: minimal, an elastic coupling that takes a share of each. */
const heldBy = (truth: Misalignment, { offset, slope }: DialRig['held']): Misalignment => ({
  offsetY: offset * truth.offsetY,
  slopeY: slope * truth.slopeY,
  offsetZ: offset * truth.offsetZ,
  slopeZ: slope * truth.slopeZ,
})

/** How much farther in the plunger is at an angle than at the top, mm. */
export function swing({ truth, x, radius, sag, held }: DialRig, degrees: number, engaged = false): number {
  const pair = shaftPair(engaged ? heldBy(truth, held) : truth, 0)
  const dial = { on: 'right' as const, x, radius, sag }
  return exactRimReading(pair, dial, degrees) - exactRimReading(pair, dial, 0)
}

/** Where the plunger stands, mm: nought is all the way out, where it touches nothing; it goes no farther in than its travel. */
export const plungerAt = (bench: DialRig, hands: DialHands, degrees = hands.turned): number =>
  Math.min(bench.gauge.travel, Math.max(0, tipAt(bench, hands, degrees)))

function tipAt(bench: DialRig, hands: DialHands, degrees: number): number {
  const { preset, engaged, step } = hands
  const stands = preset + swing(bench, degrees, engaged) + (step ? knownStep : 0)
  return indicated(bench, bench.lies ? lied(bench.lies, hands, degrees, stands) : stands)
}

/** What a dial with something wrong makes of where its tip ought to stand, mm. */
function lied(
  { fault, by, at }: NonNullable<DialRig['lies']>,
  hands: DialHands,
  degrees: number,
  stands: number,
): number {
  switch (fault) {
    case 'none':
      return stands
    case 'loose-tip':
      // another number every time it was moved
      return hands.tipTight
        ? stands
        : stands + by * (2 * chance(Math.round(1000 * at) + (hands.turns ?? 0)).uniform() - 1)
    case 'sticking':
      // the needle stays behind until it is pulled along, or tapped
      return hands.stuckAt === undefined ? stands : Math.min(stands + by, Math.max(stands - by, hands.stuckAt))
    case 'backlash':
      return stands + ((hands.way ?? 1) * by) / 2
    case 'run-out':
      // its bracket alone goes round: it runs along a hub that is not round about its shaft
      return stands + by * Math.cos(((degrees - at - (hands.hub ?? 0)) * Math.PI) / 180)
  }
}

/** Whether the plunger follows the hub all the way round, as far as it can be turned. */
export const follows = (bench: DialRig, hands: DialHands): boolean =>
  Array.from({ length: 72 }, (_, i) => 5 * i)
    .filter((degrees) => turnAllowed(bench, 0, degrees) === degrees)
    .map((degrees) => tipAt(bench, hands, degrees))
    .every((stand) => stand > 0 && stand < bench.gauge.travel)

/** Where the shafts come to when they are turned the short way, degrees: as far as the bracket goes. */
export function turnAllowed({ stops }: DialRig, from: number, to: number): number {
  const short = ((to - from + 540) % 360) - 180
  const start = ((from + 180) % 360) - 180
  const end = stops ? Math.min(stops.far, Math.max(-stops.near, start + short)) : start + short
  return ((end % 360) + 360) % 360
}

/** What the dial's two hands show: the needle, as a share of its turn from the zero of the bezel, and the small hand's whole turns. */
export function handsOf(bench: DialRig, hands: DialHands): { needle: number; turns: number; plunger: number } {
  const plunger = plungerAt(bench, hands)
  const { turn } = bench.gauge
  const from = (plunger - hands.zero) / turn
  return { needle: from - Math.floor(from), turns: plunger / turn, plunger }
}

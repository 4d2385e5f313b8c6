import type { PlaneLine } from '../../../quantity/axis'

/** A foot that is pushed or lifted: where it stands, mm, measured as the coupling is. */
export interface Bolt {
  foot: string
  x: number
}

/** A machine with its two outermost stations, at a coupling. Positions are those of its axis against its neighbor's. */
export interface Pushed {
  /** +1 where it is the machine to the right of the coupling, −1 where it is the left one. */
  side: 1 | -1
  couplingX: number
  bolts: readonly [Bolt, Bolt]
}

/**
 * A probe that is watched while a machine is moved: what it shows is `w₀·offset + w₁·slope` of the misalignment at the
 * coupling (mm, rad), once it is set to half of its swing. Sag does not change while the shafts stand.
 */
export interface Watch {
  id: string
  weight: readonly [offset: number, slope: number]
}

export const shows = ({ weight: [w0, w1] }: Watch, line: PlaneLine): number => w0 * line.offset + w1 * line.slope

/**
 * The misalignment at the coupling once one foot was moved by `by` mm and the machine pivoted on the other: its axis goes
 * `by·(x − x_other)/(x_foot − x_other)` at x.
 */
export function pivoted({ side, couplingX, bolts }: Pushed, line: PlaneLine, bolt: 0 | 1, by: number): PlaneLine {
  const [own, other] = bolt === 0 ? bolts : [bolts[1], bolts[0]]
  const slope = by / (own.x - other.x)
  return { offset: line.offset + side * slope * (couplingX - other.x), slope: line.slope + side * slope }
}

/** One move at a jack bolt: what every probe shows when it is far enough. */
export interface Stop {
  foot: string
  by: number
  /** The misalignment then. */
  line: PlaneLine
  /** In the order of the probes. */
  readings: number[]
}

/**
 * Two moves that finish: one foot by all it needs, then the other. Each dial is told where it stands when the foot is far
 * enough, which at the first foot is not zero.
 */
export function stops(
  machine: Pushed,
  now: PlaneLine,
  by: readonly [number, number],
  watches: readonly Watch[],
  first: 0 | 1 = 0,
): Stop[] {
  const found: Stop[] = []
  let line = now
  for (const bolt of [first, first === 0 ? 1 : 0] as const) {
    line = pivoted(machine, line, bolt, by[bolt])
    found.push({
      foot: machine.bolts[bolt].foot,
      by: by[bolt],
      line,
      readings: watches.map((watch) => shows(watch, line)),
    })
  }
  return found
}

/** Where one foot alone, pivoting on the other, brings the machine parallel to where it is to stand. */
export interface ParallelStop extends Stop {
  /** What both feet have to go from there, alike. mm */
  left: number
}

/**
 * The foot that is moved by what it needs more than the other: then both need the same, and what every probe shows is as far from its
 * goal as that, signs taken off, where it feels all of it.
 *
 * @param bolt the foot that is moved
 * @param enough what is not worth a stop, mm
 */
export function parallelStop(
  machine: Pushed,
  now: PlaneLine,
  by: readonly [number, number],
  watches: readonly Watch[],
  bolt: 0 | 1,
  enough: number,
): ParallelStop | undefined {
  const other = bolt === 0 ? 1 : 0
  const more = by[bolt] - by[other]
  if (Math.abs(more) <= enough || Math.abs(by[other]) <= enough) return undefined
  const line = pivoted(machine, now, bolt, more)
  const readings = watches.map((watch) => shows(watch, line))
  return { foot: machine.bolts[bolt].foot, by: more, line, readings, left: by[other] }
}

/** How a machine creeps into place when each foot is pushed until its own dial shows what it should in the end. */
export interface Creep {
  /** Moves needed until both feet are within `enough`; undefined where it never gets there. */
  moves: number | undefined
  /** What is left of a foot's error after each turn of two moves: below one it converges. */
  ratio: number
  /** Which watch belongs to which bolt. */
  watchOf: readonly [number, number]
}

/** No one pushes more often than this. */
const patience = 60

/**
 * The classic creep: near foot until its dial is where it should be, far foot until its own is, and again. Every move spoils
 * the other dial by a fixed ratio.
 *
 * @param by what each foot needs, mm
 * @param enough how near a foot has to come, mm
 * @returns undefined where there are no two dials that tell the feet apart
 */
export function creep(
  machine: Pushed,
  by: readonly [number, number],
  watches: readonly Watch[],
  enough: number,
): Creep | undefined {
  const still: PlaneLine = { offset: 0, slope: 0 }
  /** What a watch shows for one mm at a foot. */
  const gain = watches.map((watch) => [0, 1].map((bolt) => shows(watch, pivoted(machine, still, bolt as 0 | 1, 1))))
  const [first, second] = pairOf(gain)
  if (first === undefined || second === undefined) return undefined
  const [a, b] = [gain[first], gain[second]]
  const [a0 = 0, a1 = 0, b0 = 0, b1 = 0] = [a?.[0], a?.[1], b?.[0], b?.[1]]
  if (Math.abs(a0) < 1e-9 || Math.abs(b1) < 1e-9) return undefined
  const ratio = (a1 * b0) / (a0 * b1)
  let [left0, left1] = by
  let moves = 0
  while (Math.max(Math.abs(left0), Math.abs(left1)) > enough && moves < patience) {
    // pushed until its dial shows the end: that takes out its own error and the other foot's share in this dial
    if (moves % 2 === 0) left0 = -(a1 / a0) * left1
    else left1 = -(b0 / b1) * left0
    moves++
  }
  return { moves: moves < patience ? moves : undefined, ratio, watchOf: [first, second] }
}

/** The watches that tell the feet apart best: the first foot's dial feels it most against the other. */
function pairOf(gain: readonly (readonly number[])[]): [number?, number?] {
  const share = gain.map(([g0 = 0, g1 = 0]) => Math.abs(g0) / (Math.abs(g0) + Math.abs(g1) || 1))
  if (share.length < 2) return []
  const first = share.indexOf(Math.max(...share))
  const second = share.lastIndexOf(Math.min(...share))
  return first === second ? [] : [first, second]
}

/**
 * The misalignment from what the probes show now, by least squares; undefined where fewer than two tell offset and slope
 * apart.
 */
export function lineFrom(watches: readonly Watch[], readings: readonly (number | undefined)[]): PlaneLine | undefined {
  let [aa, ab, bb, ar, br] = [0, 0, 0, 0, 0]
  // slopes are weighed over a hundred millimeters, so that both unknowns have like size
  const reach = 100
  watches.forEach(({ weight: [w0, w1] }, i) => {
    const reading = readings[i]
    if (reading === undefined) return
    const s = w1 / reach
    aa += w0 * w0
    ab += w0 * s
    bb += s * s
    ar += w0 * reading
    br += s * reading
  })
  const det = aa * bb - ab * ab
  if (det < 1e-6) return undefined
  return { offset: (ar * bb - br * ab) / det, slope: (aa * br - ab * ar) / det / reach }
}

/** What both feet still need so that the machine comes to the goal, mm: positive far or up. */
export function stillToGo({ side, couplingX, bolts }: Pushed, now: PlaneLine, goal: PlaneLine): [number, number] {
  const at = (x: number) => side * (goal.offset - now.offset + (goal.slope - now.slope) * (x - couplingX))
  return [at(bolts[0].x), at(bolts[1].x)]
}

/**
 * How well the feet are known from the probes, mm: what a deviation of each reading comes to at each foot. Dials stand near the
 * coupling and feet far from it, so that a hundredth at the dials can be several at the back feet.
 *
 * @param sd deviation of each probe's number, in the order of the watches
 */
export function toGoDoubt(machine: Pushed, watches: readonly Watch[], sd: readonly number[]): [number, number] {
  const none = watches.map(() => 0)
  const from = lineFrom(watches, none)
  if (!from) return [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY]
  let [first, second] = [0, 0]
  watches.forEach((_, i) => {
    const line = lineFrom(
      watches,
      none.map((zero, k) => (k === i ? (sd[i] ?? 0) : zero)),
    )
    if (!line) return
    const [a, b] = stillToGo(machine, line, from)
    first += a * a
    second += b * b
  })
  return [Math.sqrt(first), Math.sqrt(second)]
}

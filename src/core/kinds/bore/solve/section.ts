import { type Contradiction, contradictionsOf } from '../../../fit/contradiction'
import { determined, leastSquares } from '../../../fit/leastSquares'
import type { Row } from '../../../fit/row'
import type { Written } from '../../../fit/slips'
import { sagAt } from '../../../probes/probe'
import { direction, foldDegrees, radians } from '../../../quantity/angles'

/** One section of a bore, read round from the carrier. Lengths in mm. */
export interface SectionReadings {
  /** Degrees from the top toward the far side, what was read there, and in which set: each has a zero of its own. */
  readings: readonly (readonly [degrees: number, mm: number, set?: string, written?: WrittenReading])[]
  /** Bottom against top, of the bracket alone. */
  sag: number
  /** Deviation of one reading. */
  sd: number
}

/** A reading as it was written down, and the sign it was taken with: −1 where a push showed that the numbers fall. */
export interface WrittenReading {
  at: string
  value: number
  sign: 1 | -1
  turn?: number | undefined
}

export interface Estimate {
  value: number
  sd: number
}

export interface SectionSolved {
  /** Where the bore's center stands from the carrier, up and to the far side; null where the readings leave it open. */
  vertical: Estimate | null
  horizontal: Estimate | null
  /** Covariance of the two. */
  covariance: number
  /** Half of largest less smallest radius, and where the reading is highest, 0 to 180 degrees; null below eight places. */
  ovality: { value: number; sd: number; at: number } | null
  /** Top + bottom − far − near; null where one of them was not read. */
  closure: number | null
  /** Root mean square of what the fit leaves of the readings, in deviations; null where nothing is left over to tell. */
  misfit: number | null
  /** Its readings contradict each other: nothing is told of it for sure. */
  contradiction?: Pick<Contradiction<string>, 'squares' | 'free' | 'suspects'> | undefined
}

/** So many places tell an oval from a place. */
export const placesForOval = 8

/** At how many places round the bore it was read: one that was read twice is one place. */
export const placesIn = (readings: readonly (readonly [degrees: number, ...rest: unknown[]])[]): number =>
  new Set(readings.map(([degrees]) => foldDegrees(degrees).toFixed(6))).size

type Unknown = 'horizontal' | 'vertical' | 'evenCos' | 'evenSin'

/** The probe's equation: `c + p·e(θ) + sag·(1 − cos θ)/2 + A₂·cos(2θ − ψ₂)`, with p = carrier − bore. */
export function solveSection({ readings, sag, sd }: SectionReadings): SectionSolved {
  const oval = placesIn(readings) >= placesForOval
  const unknowns: Unknown[] = ['horizontal', 'vertical', ...(oval ? (['evenCos', 'evenSin'] as const) : [])]
  const rows = readings.map(([degrees, mm, set = '']): Row<Unknown> => {
    const [y, z] = direction(degrees)
    const twice = 2 * radians(degrees)
    return {
      observed: mm - sagAt(sag, degrees),
      sd,
      // where the bore stands from the carrier is the other way round
      coefficients: [-y, -z, ...(oval ? [Math.cos(twice), Math.sin(twice)] : [])],
      constants: [{ key: set, coefficient: 1 }],
    }
  })
  const scales = unknowns.map(() => 1)
  const known = determined(unknowns, rows, scales)
  const fit = rows.length > 0 ? leastSquares(unknowns, rows, known.spanning) : undefined
  const told = (name: Unknown): Estimate | null => {
    const at = unknowns.indexOf(name)
    const combination = unknowns.map((_, i) => (i === at ? 1 : 0))
    if (at < 0 || !fit || !known.follows(combination)) return null
    return { value: fit.values[name], sd: Math.sqrt(Math.max(0, fit.covariance[at]?.[at] ?? 0)) }
  }
  const [horizontal, vertical] = [told('horizontal'), told('vertical')]
  const [evenCos, evenSin] = [told('evenCos'), told('evenSin')]
  const written = readings.flatMap(([, , set = '', own], row): Written<string>[] =>
    own ? [{ at: own.at, value: own.value, row, by: own.sign / sd, list: set, turn: own.turn }] : [],
  )
  const [contradiction] = fit ? contradictionsOf(unknowns, rows, fit, written) : []
  return {
    contradiction,
    horizontal,
    vertical,
    covariance: horizontal && vertical ? (fit?.covariance[0]?.[1] ?? 0) : 0,
    ovality: evenCos && evenSin ? ovalOf(evenCos, evenSin) : null,
    closure: closureOf(readings),
    misfit: fit ? misfitOf(rows, unknowns, fit) : null,
  }
}

function ovalOf(cos: Estimate, sin: Estimate): { value: number; sd: number; at: number } {
  const at = (Math.atan2(sin.value, cos.value) * 90) / Math.PI
  return { value: Math.hypot(cos.value, sin.value), sd: Math.max(cos.sd, sin.sd), at: (at + 180) % 180 }
}

/** Top + bottom − far − near, each the mean of what was read there. */
function closureOf(readings: SectionReadings['readings']): number | null {
  const at = (quarter: number): number | undefined => {
    const read = readings.filter(([degrees]) => Math.abs(((degrees - quarter + 540) % 360) - 180) < 1e-6)
    return read.length > 0 ? read.reduce((sum, [, mm]) => sum + mm, 0) / read.length : undefined
  }
  const [top, far, bottom, near] = [at(0), at(90), at(180), at(270)]
  if (top === undefined || far === undefined || bottom === undefined || near === undefined) return null
  return top + bottom - far - near
}

function misfitOf(
  rows: readonly Row<Unknown>[],
  unknowns: readonly Unknown[],
  { values, constants, solved }: NonNullable<ReturnType<typeof leastSquares<Unknown>>>,
): number | null {
  const over = rows.length - solved.length - constants.size
  if (over <= 0) return null
  const square = rows.reduce((sum, { observed, coefficients, sd, constants: own }) => {
    const c = constants.get(own[0]?.key ?? '') ?? 0
    const fitted = unknowns.reduce((total, name, i) => total + (coefficients[i] ?? 0) * values[name], c)
    return sum + ((observed - fitted) / sd) ** 2
  }, 0)
  return Math.sqrt(square / over)
}

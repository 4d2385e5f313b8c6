import { type Contradiction, contradictionsOf } from '../../../fit/contradiction'
import { determined, leastSquares } from '../../../fit/leastSquares'
import type { Row } from '../../../fit/row'
import type { Written } from '../../../fit/slips'
import { direction } from '../../../quantity/angles'
import { probabilityOf } from '../../../verdict/probability'

/**
 * Sheaves on a belt, each against the plane of the reference sheave's face. Lengths in mm, angles in rad; x along the shaft of
 * the reference sheave, y to the far side, z up.
 */
export interface Sheave {
  id: string
  /** Center of its measured face. */
  centre: readonly [x: number, y: number, z: number]
  /** From the measured face inward to the middle of its grooves. */
  toGroove: number
}

export interface Drive {
  reference: Sheave
  moved: readonly Sheave[]
  /** Where the measured faces look: +1 toward larger x. */
  faces: 1 | -1
}

/** A number that a reading was made of: where it is written, and how much the reading changes with it. */
export interface WrittenNumber {
  at: string
  value: number
  per: number
  list?: string | undefined
  turn?: number | undefined
  unitless?: true | undefined
}

/** How far along x a point of a face stands from the reference plane, as it was read. */
export interface FaceReading {
  type: 'face'
  on: string
  /** Degrees from the top toward the far side. */
  angle: number
  radius: number
  value: number
  /** Readings of one target share an unknown constant; without it there is none. */
  target?: string | undefined
  /** The sheave was turned by so many degrees. */
  turned: number
  /** The sheave that stays was turned with it by as much: its wobble, magnified by the span, turns about as well. */
  both?: true | undefined
  sd: number
  written?: readonly WrittenNumber[] | undefined
}

/** What an instrument tells by itself: an angle of the shaft, or the place of the face. */
export interface DirectReading {
  type: 'direct'
  on: string
  what: 'toe' | 'tilt' | 'offset'
  value: number
  sd: number
  written?: readonly WrittenNumber[] | undefined
}

export type BeltReading = FaceReading | DirectReading

/** A number with its deviation; null where the readings leave it open. */
export interface Estimate {
  value: number
  sd: number
}

export interface SheaveSolved {
  id: string
  /** Turn in plan and in elevation; the offset of the grooves. */
  toe: Estimate | null
  tilt: Estimate | null
  offset: Estimate | null
  /** Of the face, read at two turns or more: its size, and where it stands farthest toward larger x, degrees at turn nought. */
  wobble?: { value: number; at: number } | null
  /** What the belt feels: its angle where it leaves either sheave, and its twist. */
  belt: { atReference: Estimate | null; atMoved: Estimate | null; twist: Estimate | null }
  /** Center distance, mm. */
  distance: number
  /** Chance that all three are within the limit, by the numbers alone; null where one of them is open. */
  probability: number | null
  /** Its readings contradict each other: nothing is told of it for sure. */
  contradiction?: Pick<Contradiction<string>, 'squares' | 'free' | 'suspects'> | undefined
}

/** The span from the reference sheave to another: its direction in (y, z), and its length. */
export function spanOf({ reference }: Drive, { centre }: Sheave): { y: number; z: number; length: number } {
  const [dy, dz] = [centre[1] - reference.centre[1], centre[2] - reference.centre[2]]
  const length = Math.hypot(dy, dz)
  return { y: dy / length, z: dz / length, length }
}

/** From the offset of a face to that of the grooves: `o_g = o − s·(h_moved − h_ref)`. */
export const grooveShift = ({ reference, faces }: Drive, { toGroove }: Sheave): number =>
  -faces * (toGroove - reference.toGroove)

const parts = ['toe', 'tilt', 'offset', 'wobbleCos', 'wobbleSin', 'wobbleShift'] as const
type Part = (typeof parts)[number]
type Unknown = `${string} ${Part}`

/** Turns at which a sheave was read, degrees from 0 to 360. */
const turnsOf = (readings: readonly BeltReading[], id: string): Set<number> =>
  new Set(
    readings.flatMap((one) => (one.type === 'face' && one.on === id ? [(((one.turned % 360) + 360) % 360) % 360] : [])),
  )

/**
 * One equation for each reading: `a = o − ρ(αy·sin θ + αz·cos θ) + ρ·w·cos(θ − ψ − r) + c`. Where the sheave that stays turned as
 * well, its wobble leans the reference plane: a slope of the face, which goes with the own wobble, and a shift `C·w·cos r` of its
 * center. All of it changes sign over half a turn, so the mean of both has none.
 */
function rowOf(reading: BeltReading, unknowns: readonly Unknown[], moved: boolean): Row<Unknown> {
  const values = new Map<string, number>()
  if (reading.type === 'direct') values.set(`${reading.on} ${reading.what}`, 1)
  else if (moved) {
    const [sin, cos] = direction(reading.angle)
    const [turnedSin, turnedCos] = direction(reading.angle - reading.turned)
    values.set(`${reading.on} toe`, -reading.radius * sin)
    values.set(`${reading.on} tilt`, -reading.radius * cos)
    values.set(`${reading.on} offset`, 1)
    values.set(`${reading.on} wobbleCos`, reading.radius * turnedCos)
    values.set(`${reading.on} wobbleSin`, reading.radius * turnedSin)
    if (reading.both) values.set(`${reading.on} wobbleShift`, direction(reading.turned)[1])
  }
  return {
    observed: reading.value,
    sd: reading.sd,
    coefficients: unknowns.map((name) => values.get(name) ?? 0),
    constants: reading.type === 'face' && reading.target ? [{ key: reading.target, coefficient: 1 }] : [],
  }
}

/**
 * Every moved sheave from all the readings at once, since targets are shared.
 *
 * @param limit what the belt may feel, rad
 * @param offsetLimit what the grooves may stand off beside that, mm
 */
export function solveDrive(
  drive: Drive,
  readings: readonly BeltReading[],
  limit: number,
  offsetLimit = Number.POSITIVE_INFINITY,
): SheaveSolved[] {
  const wobbling = new Set(drive.moved.filter(({ id }) => turnsOf(readings, id).size > 1).map(({ id }) => id))
  const together = new Set(readings.flatMap((one) => (one.type === 'face' && one.both ? [one.on] : [])))
  const unknowns = drive.moved.flatMap(({ id }) =>
    parts
      .filter((part) => (part === 'wobbleShift' ? together.has(id) : wobbling.has(id) || !part.startsWith('wobble')))
      .map((part): Unknown => `${id} ${part}`),
  )
  const own = new Set(drive.moved.map(({ id }) => id))
  const rows = readings.map((reading) => rowOf(reading, unknowns, own.has(reading.on)))
  const radius = Math.max(1, ...readings.map((one) => (one.type === 'face' ? one.radius : 1)))
  const scales = unknowns.map((name) => (name.endsWith(' offset') || name.endsWith(' wobbleShift') ? 1 : radius))
  const known = determined(unknowns, rows, scales)
  const fit = rows.length > 0 ? leastSquares(unknowns, rows, known.spanning) : undefined
  const written = readings.flatMap(({ written: own = [], sd }, row) =>
    own.map(({ per, ...one }): Written<string> => ({ ...one, row, by: per / sd })),
  )
  const contradictions = fit ? contradictionsOf(unknowns, rows, fit, written) : []
  const told = (factors: Partial<Record<Unknown, number>>, plus = 0): Estimate | null => {
    const combination = unknowns.map((name) => factors[name] ?? 0)
    if (!fit || !known.follows(combination)) return null
    const value = combination.reduce((sum, factor, i) => sum + factor * (fit.values[unknowns[i] ?? ' toe'] ?? 0), plus)
    const variance = combination.reduce(
      (sum, a, i) => sum + combination.reduce((inner, b, j) => inner + a * b * (fit.covariance[i]?.[j] ?? 0), 0),
      0,
    )
    return { value, sd: Math.sqrt(Math.max(0, variance)) }
  }
  return drive.moved.map((sheave): SheaveSolved => {
    const { id } = sheave
    const of = (part: Part): Unknown => `${id} ${part}`
    const span = spanOf(drive, sheave)
    const shift = grooveShift(drive, sheave)
    const [toe, tilt, offset] = [
      told({ [of('toe')]: 1 }),
      told({ [of('tilt')]: 1 }),
      told({ [of('offset')]: 1 }, shift),
    ]
    const belt = {
      atReference: told({ [of('offset')]: 1 / span.length }, shift / span.length),
      atMoved: told(
        { [of('offset')]: 1 / span.length, [of('toe')]: span.y, [of('tilt')]: span.z },
        shift / span.length,
      ),
      twist: told({ [of('tilt')]: span.y, [of('toe')]: -span.z }),
    }
    const turn = wobbling.has(id) ? wobbleOf(told({ [of('wobbleCos')]: 1 }), told({ [of('wobbleSin')]: 1 })) : undefined
    return {
      id,
      toe,
      tilt,
      offset,
      ...(turn === undefined ? {} : { wobble: turn }),
      belt,
      distance: span.length,
      probability: toe && tilt && offset && fit ? chanceWithin() : null,
      contradiction: contradictions.find(({ unknowns: hit }) => parts.some((part) => hit.has(of(part)))),
    }
    function chanceWithin(): number {
      const at = [of('toe'), of('tilt'), of('offset')].map((name) => unknowns.indexOf(name))
      const covariance = [...at, -1].map((i) => [...at, -1].map((j) => fit?.covariance[i]?.[j] ?? 0))
      return probabilityOf(
        (y, z, o) => {
          const atReference = o / span.length
          const atMoved = atReference + y * span.y + z * span.z
          const twist = z * span.y - y * span.z
          const felt = Math.max(Math.abs(atReference), Math.abs(atMoved), Math.abs(twist))
          return felt <= limit && Math.abs(o) <= offsetLimit
        },
        [toe?.value ?? 0, tilt?.value ?? 0, offset?.value ?? 0, 0],
        covariance,
      )
    }
  })
}

/** `w·cos ψ` and `w·sin ψ` as size and place. */
function wobbleOf(cos: Estimate | null, sin: Estimate | null): { value: number; at: number } | null {
  if (!cos || !sin) return null
  const at = (Math.atan2(sin.value, cos.value) * 180) / Math.PI
  return { value: Math.hypot(cos.value, sin.value), at: (at + 360) % 360 }
}

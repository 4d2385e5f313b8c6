import type { Chance } from '../../rig/random'

/** A point or a direction: x the way the web runs, y across, z up. mm */
export type Vec = readonly [x: number, y: number, z: number]

const add = (a: Vec, b: Vec, by = 1): Vec => [a[0] + by * b[0], a[1] + by * b[1], a[2] + by * b[2]]
const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const unit = (a: Vec): Vec => {
  const size = Math.hypot(...a)
  return [a[0] / size, a[1] / size, a[2] / size]
}

/** A roll in space: a line through the middle of its face, and its radius. */
export interface TrueRoll {
  middle: Vec
  axis: Vec
  radius: number
}

/** A roll of small slopes `dx/dy` and `dz/dy`, its middle shifted along y. */
export const rollOf = (
  { x, z, radius }: { x: number; z: number; radius: number },
  { square, level, centre = 0 }: { square: number; level: number; centre?: number },
): TrueRoll => ({ middle: [x, centre, z], axis: unit([square, 1, level]), radius })

/** Where a roll's axis meets the plane across the machine at y. */
const axisAt = ({ middle, axis }: TrueRoll, y: number): Vec => add(middle, axis, (y - middle[1]) / axis[1])

/** How far apart two axes stand in the plane across the machine at y: what a tape between them tells, less their radii. */
export const apartAt = (i: TrueRoll, j: TrueRoll, y: number): number =>
  Math.hypot(...add(axisAt(j, y), axisAt(i, y), -1))

/** Length of a tape round two rolls at y: two tangents and what lies on each roll. */
export function loopAt(i: TrueRoll, j: TrueRoll, y: number): number {
  const distance = apartAt(i, j, y)
  const turn = Math.asin((i.radius - j.radius) / distance)
  return (
    2 * Math.sqrt(distance ** 2 - (i.radius - j.radius) ** 2) +
    i.radius * (Math.PI + 2 * turn) +
    j.radius * (Math.PI - 2 * turn)
  )
}

/** The two diagonals between the corners of two faces: from i's near end to j's far end, and the other way. */
export function diagonalsOf(i: TrueRoll, j: TrueRoll, width: number): { nearFar: number; farNear: number } {
  const corner = ({ middle, axis }: TrueRoll, along: number): Vec => add(middle, axis, along)
  const between = (a: Vec, b: Vec) => Math.hypot(...add(b, a, -1))
  const half = width / 2
  return {
    nearFar: between(corner(i, -half), corner(j, half)),
    farNear: between(corner(i, half), corner(j, -half)),
  }
}

/** What a scale held along x to the roll's axis tells from a plane through `from` whose trace turns by a heading: `x − x_p − ψ(y − y_p)`. */
export const scaleAt = (roll: TrueRoll, y: number, from: { x: number; y: number; heading: number }): number =>
  axisAt(roll, y)[0] - from.x - Math.tan(from.heading) * (y - from.y)

/** Divisions a precision level tells on top of a roll: its slope, its zero and how it lies. @param step rad a division */
export const levelOn = ({ axis }: TrueRoll, step: number, zero: number, turned: boolean): number =>
  (axis[2] / Math.hypot(axis[0], axis[1]) + (turned ? -zero : zero)) / step

/** The same roll turned about a point by small angles: (square, level) taken out by its housings. */
export function housedBy(roll: TrueRoll, pivot: number, near: { y: number; x: number; z: number }): TrueRoll {
  const still = axisAt(roll, pivot)
  const moved = add(axisAt(roll, near.y), [near.x, 0, near.z])
  const axis = unit(add(still, moved, -1))
  const along = dot(add(roll.middle, axisAt(roll, pivot), -1), roll.axis)
  return { ...roll, axis, middle: add(still, axis, along) }
}

export const noisy = (value: number, sd: number, source: Chance): number => value + sd * source.normal()

import { type Misalignment, type Side, sagAt } from '../probes/probe'
import { direction } from '../quantity/angles'

/**
 * Exact readings from 3-D geometry: straight lines in space, rays, cylinders and planes. Nothing here knows the linear
 * formulas of `core/probes`; that is what it is for.
 */
export type Vector = readonly [x: number, y: number, z: number]

export interface ShaftAxis {
  point: Vector
  /** Unit vector, pointing right. */
  along: Vector
}

export const plus = (a: Vector, b: Vector, k = 1): Vector => [a[0] + k * b[0], a[1] + k * b[1], a[2] + k * b[2]]
export const times = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
export const unit = (a: Vector): Vector => {
  const length = Math.sqrt(times(a, a))
  return [a[0] / length, a[1] / length, a[2] / length]
}

/** Two shafts that meet at a coupling. The left one lies along x. */
export interface ShaftPair {
  left: ShaftAxis
  right: ShaftAxis
}

/** The pair with a given misalignment at `couplingX`. Lengths in mm, slopes in rad. */
export function shaftPair(truth: Misalignment, couplingX: number): ShaftPair {
  return {
    left: { point: [0, 0, 0], along: [1, 0, 0] },
    right: { point: [couplingX, truth.offsetY, truth.offsetZ], along: unit([1, truth.slopeY, truth.slopeZ]) },
  }
}

export const carrierAndTouched = (pair: ShaftPair, on: Side): readonly [carrier: ShaftAxis, touched: ShaftAxis] =>
  on === 'right' ? [pair.left, pair.right] : [pair.right, pair.left]

export const pointAtX = (axis: ShaftAxis, x: number): Vector =>
  plus(axis.point, axis.along, (x - axis.point[0]) / axis.along[0])

/** The direction at an angle, square to an axis. */
export function squareTo(axis: ShaftAxis, degrees: number): Vector {
  const [y, z] = direction(degrees)
  const raw: Vector = [0, y, z]
  return unit(plus(raw, axis.along, -times(raw, axis.along)))
}

/** Where a plane through a point stands along x, on the line along x through (y, z). */
export const planeAlongX = (through: Vector, normal: Vector, y: number, z: number): number =>
  through[0] - (normal[1] * (y - through[1]) + normal[2] * (z - through[2])) / normal[0]

/**
 * A rim dial whose bracket turns with the other shaft: how far out, from the bracket's own axis, the rim is met, less the
 * rim's radius, plus sag. Ray against cylinder.
 */
export function exactRimReading(
  pair: ShaftPair,
  dial: { on: Side; x: number; radius: number; sag: number },
  degrees: number,
): number {
  const [carrier, touched] = carrierAndTouched(pair, dial.on)
  const start = pointAtX(carrier, dial.x)
  const ray = squareTo(carrier, degrees)
  const from = plus(start, touched.point, -1)
  const square = (v: Vector): Vector => plus(v, touched.along, -times(v, touched.along))
  const p = square(from)
  const q = square(ray)
  const a = times(q, q)
  const b = times(p, q)
  const c = times(p, p) - dial.radius ** 2
  return (-b + Math.sqrt(b * b - a * c)) / a - dial.radius + sagAt(dial.sag, degrees)
}

/**
 * A dial on the touched machine's face: how far toward the dial the face stands, measured along the bracket's own axis,
 * plus sag. Ray against plane.
 */
export function exactFaceReading(
  pair: ShaftPair,
  dial: { on: Side; x: number; radius: number; side: 'front' | 'back'; sag: number },
  degrees: number,
): number {
  const [carrier, touched] = carrierAndTouched(pair, dial.on)
  const outward = plus([0, 0, 0], squareTo(carrier, degrees), dial.radius)
  const start = plus(pointAtX(carrier, dial.x), outward)
  const face = pointAtX(touched, dial.x)
  const along = times(plus(face, start, -1), touched.along) / times(carrier.along, touched.along)
  const towardOther = (dial.on === 'right' ? -1 : 1) * (dial.side === 'front' ? 1 : -1)
  return towardOther * along + sagAt(dial.sag, degrees)
}

/**
 * A dial that feels the wall of a bore in the touched machine: how much nearer the wall stands than the bore's radius,
 * from the carrier's own axis, plus sag. Ray against cylinder.
 */
export const exactBoreReading = (
  pair: ShaftPair,
  dial: { on: Side; x: number; radius: number; sag: number },
  degrees: number,
): number => sagAt(dial.sag, degrees) - exactRimReading(pair, { ...dial, sag: 0 }, degrees)

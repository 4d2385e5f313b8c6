import { direction } from '../../quantity/angles'
import { planeAlongX } from '../../rig/geometry'
import type { Chance } from '../../rig/random'

/** A point or a direction in space: x along the shaft of the reference sheave, y to the far side, z up. mm. */
export type Vec = readonly [x: number, y: number, z: number]

const add = (a: Vec, b: Vec, by = 1): Vec => [a[0] + by * b[0], a[1] + by * b[1], a[2] + by * b[2]]
const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const cross = (a: Vec, b: Vec): Vec => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]
const unit = (a: Vec): Vec => {
  const size = Math.hypot(...a)
  return [a[0] / size, a[1] / size, a[2] / size]
}

/** A sheave as a rigid body: center of its measured face, the direction of its shaft, and how its face wobbles. */
export interface Body {
  centre: Vec
  axis: Vec
  /** The face is not square to the shaft by this much, rad; it stands farthest toward larger x at `at` degrees, at turn nought. */
  wobble?: { by: number; at: number }
}

/** A shaft of small slopes, in plan and in elevation. */
export const axisOf = (toe: number, tilt: number): Vec => unit([1, toe, tilt])

/** The normal of its face with the sheave turned by some degrees. */
function faceNormal({ axis, wobble }: Body, turned: number): Vec {
  if (!wobble) return axis
  const [sin, cos] = direction(wobble.at + turned)
  // the face leans back where it stands out: its normal leans the other way
  return unit(add(axis, [0, sin, cos], -Math.tan(wobble.by)))
}

/** How far along x the face stands, on the line along x through the point at an angle and a radius beside the face's center. */
export function faceAt(body: Body, degrees: number, radius: number, turned = 0): number {
  const [sin, cos] = direction(degrees)
  const normal = faceNormal(body, turned)
  return planeAlongX(body.centre, normal, body.centre[1] + radius * sin, body.centre[2] + radius * cos)
}

/** The same, read with an error. */
export const readFace = (
  body: Body,
  {
    degrees,
    radius,
    turned = 0,
    sd,
    source,
  }: { degrees: number; radius: number; turned?: number; sd: number; source: Chance },
): number => faceAt(body, degrees, radius, turned) + sd * source.normal()

/** The middle of the grooves: inward from the face along the shaft. */
export const grooveOf = ({ centre, axis }: Body, toGroove: number, faces: 1 | -1): Vec =>
  add(centre, axis, -faces * toGroove)

/** A machine moved as a rigid body: turned about a point, then shifted. */
export function movedBy(body: Body, { about, turn, shift }: { about: Vec; turn: Vec; shift: Vec }): Body {
  const angle = Math.hypot(...turn)
  const rotate = (v: Vec): Vec => {
    if (angle === 0) return v
    const k = unit(turn)
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
    // Rodrigues' rotation
    return add(add([v[0] * cos, v[1] * cos, v[2] * cos], cross(k, v), sin), k, dot(k, v) * (1 - cos))
  }
  return {
    ...body,
    centre: add(add(about, rotate(add(body.centre, about, -1))), shift),
    axis: rotate(body.axis),
  }
}

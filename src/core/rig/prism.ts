import type { Side } from '../probes/probe'
import { plus, pointAtX, type ShaftAxis, type ShaftPair, squareTo, times, unit, type Vector } from './geometry'

const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]

/** A ray from a point to a plane, and the way it goes on. */
function mirrored(from: Vector, way: Vector, through: Vector, normal: Vector): { at: Vector; way: Vector } {
  const at = plus(from, way, times(plus(through, from, -1), normal) / times(way, normal))
  return { at, way: plus(way, normal, -2 * times(way, normal)) }
}

/**
 * What a head sees of its own beam, folded back by two mirrors at a right angle on the other shaft, their edge across the radius: how far out
 * and how far on round the spot falls, mm. Both shafts turned to an angle; rays and planes in space, nothing linear.
 *
 * @param height of the beam over the head's own axis, and of the prism's edge over its
 */
export function exactPrismReading(
  pair: ShaftPair,
  { on, head, edge, height = 60 }: { on: Side; head: number; edge: number; height?: number },
  degrees: number,
): { r: number; t: number } {
  const [own, other]: [ShaftAxis, ShaftAxis] = on === 'right' ? [pair.right, pair.left] : [pair.left, pair.right]
  const toward = Math.sign(edge - head)
  const frame = (axis: ShaftAxis) => {
    const radial = squareTo(axis, degrees)
    return { radial, along: axis.along, across: unit(cross(axis.along, radial)) }
  }
  const [a, b] = [frame(own), frame(other)]
  // across: the way the angle grows, from the top toward the far side
  const sign = times(a.across, squareTo(own, degrees + 90)) > 0 ? 1 : -1
  const from = plus(pointAtX(own, head), a.radial, height + 8)
  const ridge = plus(pointAtX(other, edge), b.radial, height)
  const back = unit(plus(b.radial, b.along, -toward))
  const front = unit(plus(b.radial, b.along, toward))
  const beam: Vector = [toward * a.along[0], toward * a.along[1], toward * a.along[2]]
  const first = mirrored(from, beam, ridge, back)
  const second = mirrored(first.at, first.way, ridge, front)
  const face = pointAtX(own, head)
  const spot = plus(second.at, second.way, times(plus(face, second.at, -1), a.along) / times(second.way, a.along))
  const off = plus(spot, face, -1)
  return { r: times(off, a.radial), t: sign * times(off, a.across) }
}

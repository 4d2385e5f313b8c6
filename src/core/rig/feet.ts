import type { Misalignment } from '../probes/probe'
import { pointAtX, shaftPair, type Vector } from './geometry'

/** The machine that is pushed, with the two places its shaft is carried at. Lengths in mm from the coupling. */
export interface Supported {
  /** +1 where it is the machine to the right of the coupling, −1 where it is the left one. */
  side: 1 | -1
  bolts: readonly [Bolt, Bolt]
}

interface Bolt {
  foot: string
  x: number
}

/**
 * The pair of shafts once one foot of a machine was pushed: its shaft is the straight line through the two points in space
 * that its feet carry, one of them moved. Nothing of the linear formulas that a stand-in is there to check.
 */
export function supportedAt(
  { side, bolts }: Supported,
  truth: Misalignment,
  foot: string,
  plane: 'vertical' | 'horizontal',
  by: number,
): Misalignment {
  const { left, right } = shaftPair(truth, 0)
  const own = side === 1 ? right : left
  const other = side === 1 ? left : right
  const carried = bolts.map(({ foot: id, x }): Vector => {
    const [px, py, pz] = pointAtX(own, x)
    const pushed = id === foot ? by : 0
    return plane === 'vertical' ? [px, py, pz + pushed] : [px, py + pushed, pz]
  })
  const [a = [0, 0, 0], b = [1, 0, 0]] = carried
  const run = b[0] - a[0]
  const slopeY = (b[1] - a[1]) / run
  const slopeZ = (b[2] - a[2]) / run
  const moved = { y: a[1] - slopeY * a[0], z: a[2] - slopeZ * a[0], slopeY, slopeZ }
  const [, oy, oz] = pointAtX(other, 0)
  const still = { y: oy, z: oz, slopeY: other.along[1] / other.along[0], slopeZ: other.along[2] / other.along[0] }
  const [to, from] = side === 1 ? [moved, still] : [still, moved]
  return {
    offsetY: to.y - from.y,
    offsetZ: to.z - from.z,
    slopeY: to.slopeY - from.slopeY,
    slopeZ: to.slopeZ - from.slopeZ,
  }
}

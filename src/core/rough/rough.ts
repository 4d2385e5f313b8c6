import type { Axis } from '../frame/axis'

/** Four gaps round a coupling, mm; undefined where not measured. */
export interface QuarterGaps {
  top?: number | undefined
  far?: number | undefined
  bottom?: number | undefined
  near?: number | undefined
}

/** What was measured with straightedge, strip, feeler and taper gauge. Lengths in mm. */
export interface RoughGaps {
  /**
   * Under a straightedge laid along the left hub, or from a strip fixed to it and swept round: how far the right hub's rim
   * stands in from it. Negative where the right hub stands out.
   */
  rim: QuarterGaps
  /** Between the hub faces, at the rim. */
  face: QuarterGaps
  /** Diameter at which the face gaps were taken. */
  faceDiameter?: number | undefined
  /** Radius of the left hub less the right's, where only one of two opposite rim gaps was taken. */
  radiusDifference?: number | undefined
}

/** How far off the shafts are, roughly: offset at the coupling in mm, slope in rad, each null where not measured. */
export type RoughPosition = { [plane in keyof Axis]: { offset: number | null; slope: number | null } }

/**
 * Centre difference = half the difference of two opposite rim gaps; from one gap alone, that gap less the difference of the
 * radii. Slope = difference of two opposite face gaps over the diameter: open at the bottom, the right-hand shaft rises
 * away from the coupling. Right against left, positive up and toward the far side.
 */
export function roughPosition(gaps: RoughGaps): RoughPosition {
  const { rim, face, faceDiameter, radiusDifference } = gaps
  const offset = (positive: number | undefined, negative: number | undefined): number | null => {
    if (positive !== undefined && negative !== undefined) return (negative - positive) / 2
    const difference = radiusDifference ?? 0
    if (positive !== undefined) return difference - positive
    return negative === undefined ? null : negative - difference
  }
  const slope = (positive: number | undefined, negative: number | undefined): number | null =>
    positive === undefined || negative === undefined || !faceDiameter ? null : (negative - positive) / faceDiameter
  return {
    vertical: { offset: offset(rim.top, rim.bottom), slope: slope(face.top, face.bottom) },
    horizontal: { offset: offset(rim.far, rim.near), slope: slope(face.far, face.near) },
  }
}

/** What a moved foot needs, angle first and offset after, mm: `total` is both. */
export interface RoughMove {
  angle: number
  offset: number
  total: number
}

/**
 * Moves of one foot of the machine at the right (or left) of the coupling: first the angle is taken out about the coupling,
 * then the whole machine is brought across by the offset.
 *
 * @param distance of the foot from the coupling, mm, signed along x
 */
export function roughMove(
  position: { offset: number | null; slope: number | null },
  distance: number,
  side: 'left' | 'right',
): RoughMove {
  const sign = side === 'right' ? -1 : 1
  const angle = sign * (position.slope ?? 0) * distance
  const offset = sign * (position.offset ?? 0)
  // no "−0": what is nothing is nothing
  return { angle: angle + 0, offset: offset + 0, total: angle + offset + 0 }
}

/** A dial fits when its whole swing stays in its travel with half of it to spare, and the offset is under 0.5 mm. */
export function goodEnoughForDial(position: RoughPosition, travel: number): boolean | undefined {
  const { vertical, horizontal } = position
  if (vertical.offset === null || horizontal.offset === null) return undefined
  const offset = Math.hypot(vertical.offset, horizontal.offset)
  return offset <= 0.5 && 2 * offset <= travel / 2
}

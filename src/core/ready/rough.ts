import type { Axis } from '../quantity/axis'

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
   * Under a straightedge laid along the hub that carries it, or from a strip fixed to that hub and swept round: how far the
   * other hub's rim stands in from it. Negative where the other hub stands out.
   */
  rim: QuarterGaps
  /** The hub that carries the straightedge or the strip; the left one where nothing is said. */
  carrier?: 'left' | 'right' | undefined
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
 * Center difference = half the difference of two opposite rim gaps; from one gap alone, that gap less the difference of the
 * radii. Slope = difference of two opposite face gaps over the diameter: open at the bottom, the right-hand shaft rises
 * away from the coupling. Right against left, positive up and toward the far side.
 */
export function roughPosition(gaps: RoughGaps): RoughPosition {
  const { rim, face, faceDiameter, radiusDifference, carrier = 'left' } = gaps
  // carried by the right hub, what is felt is the left one: the same gap the other way round
  const way = carrier === 'left' ? 1 : -1
  const offset = (positive: number | undefined, negative: number | undefined): number | null => {
    if (positive !== undefined && negative !== undefined) return (way * (negative - positive)) / 2 + 0
    const difference = way * (radiusDifference ?? 0)
    if (positive !== undefined) return way * (difference - positive) + 0
    return negative === undefined ? null : way * (negative - difference) + 0
  }
  const slope = (positive: number | undefined, negative: number | undefined): number | null =>
    positive === undefined || negative === undefined || !faceDiameter ? null : (negative - positive) / faceDiameter
  return {
    vertical: { offset: offset(rim.top, rim.bottom), slope: slope(face.top, face.bottom) },
    horizontal: { offset: offset(rim.far, rim.near), slope: slope(face.far, face.near) },
  }
}

/** Where a machine's feet stand along the shaft, mm: front is nearest to the coupling. */
export interface RoughFeet {
  front: number
  back: number
  coupling: number
  side: 'left' | 'right'
}

/**
 * The vertical part by the trade's rule, mm. First the angle, by adding only: open at the bottom, under the front feet; open at the
 * top, under the back feet; `gap · spacing / diameter`. Then the offset that is left, under all feet alike: above zero to add,
 * below it the machine is too high.
 */
export interface RoughLift {
  /** Which pair gets the shim that takes the angle out; nothing where the slope is not known or is none. */
  angle: { under: 'front' | 'back'; add: number } | undefined
  /** What all feet need after that; undefined where the offset was not measured. */
  all: number | undefined
}

/**
 * Adding `a` under the front feet turns the machine about its back feet, and lifts its shaft at the coupling by `a·D_back/S`;
 * adding it under the back feet lowers it there by `a·D_front/S`.
 */
export function roughLift(
  { offset, slope }: { offset: number | null; slope: number | null },
  { front, back, coupling, side }: RoughFeet,
): RoughLift {
  const spacing = Math.abs(back - front)
  const shim = Math.abs(slope ?? 0) * spacing
  const under = (slope ?? 0) > 0 ? ('front' as const) : ('back' as const)
  const [nearDistance, farDistance] = [Math.abs(front - coupling), Math.abs(back - coupling)]
  const lifted =
    spacing === 0 ? 0 : under === 'front' ? (shim * farDistance) / spacing : (-shim * nearDistance) / spacing
  // offset is right less left: a lifted right machine adds to it, a lifted left one takes from it
  const left = offset === null ? undefined : offset + (side === 'right' ? lifted : -lifted)
  return {
    angle: shim > 0 ? { under, add: shim } : undefined,
    all: left === undefined ? undefined : (side === 'right' ? -left : left) + 0,
  }
}

/** How far a foot is to be pushed toward the far side, mm: slope and offset at once. `x` of the foot and of the coupling in mm. */
export const roughPush = (
  { offset, slope }: { offset: number | null; slope: number | null },
  { x, coupling, side }: { x: number; coupling: number; side: 'left' | 'right' },
): number => (side === 'right' ? -1 : 1) * ((offset ?? 0) + (slope ?? 0) * (x - coupling)) + 0

/** A dial fits when its whole swing stays in its travel with half of it to spare, and the offset is under 0.5 mm. */
export function goodEnoughForDial(position: RoughPosition, travel: number): boolean | undefined {
  const { vertical, horizontal } = position
  if (vertical.offset === null || horizontal.offset === null) return undefined
  const offset = Math.hypot(vertical.offset, horizontal.offset)
  return offset <= 0.5 && 2 * offset <= travel / 2
}

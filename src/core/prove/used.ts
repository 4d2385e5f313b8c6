import type { Misalignment } from '../probes/probe'
import type { Plane, PlaneLine } from '../quantity/axis'
import type { Misaligned } from '../shafts/coupling'
import { type Joint, type Limits, type Seen, seenAt } from '../verdict/verdict'

/** Weights of the offset at a coupling (mm) and of the slope (rad) in something that is seen or judged in one plane. */
export type Weight = readonly [offset: number, slope: number]

/** One thing that a coupling is judged by: what of the misalignment, and the most it may be, in both planes together. */
export interface Judged {
  by: 'offset' | 'slope'
  weight: Weight
  most: number
}

/**
 * What a coupling is judged by, as the verdict judges it: the offset at its center and the angle between the shafts; of a
 * spacer the angle at each flex plane, which is the offset at the other one over its length, and the offset only where a
 * figure was given.
 */
export function judgedBy({ x, flexPlanes }: Joint, limits: Limits): Judged[] {
  const offset: Judged[] = limits.judgesOffset ? [{ by: 'offset', weight: [1, 0], most: limits.offset }] : []
  if (!flexPlanes) return [...offset, { by: 'slope', weight: [0, 1], most: limits.slope }]
  const span = flexPlanes[1] - flexPlanes[0]
  return [
    ...offset,
    ...flexPlanes.map((plane): Judged => ({ by: 'slope', weight: [1, plane - x], most: limits.slope * span })),
  ]
}

/** What running adds to what was read cold. */
export const running = (m: Misalignment, growth: Record<Plane, PlaneLine>): Misalignment => ({
  offsetY: m.offsetY + growth.horizontal.offset,
  slopeY: m.slopeY + growth.horizontal.slope,
  offsetZ: m.offsetZ + growth.vertical.offset,
  slopeZ: m.slopeZ + growth.vertical.slope,
})

/** What is judged at a coupling, as read cold and, where growth is given, as it runs. */
export function seenOf(
  { misalignment, measured }: Misaligned,
  joint: Joint,
  growth: Record<Plane, PlaneLine>,
): { cold: Seen; running: Seen | undefined } {
  const still = { offset: 0, slope: 0 }
  const of = (plane: Plane) => (measured.includes(plane) ? growth[plane] : still)
  const [v, h] = [of('vertical'), of('horizontal')]
  const grows = [v, h].some(({ offset, slope }) => offset !== 0 || slope !== 0)
  return {
    cold: seenAt(misalignment, joint),
    running: grows ? seenAt(running(misalignment, { vertical: v, horizontal: h }), joint) : undefined,
  }
}

/** How much of what is allowed is used at a coupling: 1 is all of it. */
export interface Used {
  share: number
  /** What uses the most. */
  by: Judged['by']
}

/**
 * The largest share of its limits that a misalignment uses, in both planes together.
 *
 * @param m of the running shafts: offsets in mm at the coupling, slopes in rad
 */
export function usedOf(m: Misalignment, coupling: Joint, limits: Limits): Used {
  return judgedBy(coupling, limits)
    .map(({ by, weight: [o, s], most }): Used => {
      const vector = Math.hypot(m.offsetY * o + m.slopeY * s, m.offsetZ * o + m.slopeZ * s)
      return { by, share: vector / most }
    })
    .reduce((most, one) => (one.share > most.share ? one : most))
}

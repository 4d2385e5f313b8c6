import type { Plane, PlaneLine } from '../quantity/axis'
import type { Misaligned } from '../shafts/coupling'
import { probabilityOf } from './probability'
import type { LimitRow } from './table'

/** Where two shafts are joined. Lengths in mm. */
export interface Joint {
  x: number
  /** Diameter at which the halves slide on each other. */
  diameter?: number | undefined
  /** Stations of the flex planes of a spacer coupling. */
  flexPlanes?: readonly [number, number] | undefined
  /** By which a site's table tells couplings apart; a spacer where it has flex planes, else a short one. */
  kind?: 'short' | 'spacer' | 'rigid' | undefined
}

/** What a line says of what its couplings may do. */
export interface Allowed {
  rpm?: number | undefined
  /**
   * The maker's or the site's figures: offset in mm, slope in rad (of a spacer: the angle at each flex plane). They win over
   * every policy of ours. A spacer needs no figure for its offset.
   */
  tolerance?: { offset?: number | undefined; slope: number } | undefined
  /** The site's own table by speed and kind of coupling; absent where none is chosen. */
  table?: readonly LimitRow[] | undefined
}

/** What is allowed at a coupling: offset in mm, slope in rad, and whose word that is. */
export interface Limits {
  /** At the coupling's center; of a spacer without a figure for it, what its allowed angle comes to over its length. */
  offset: number
  /** Of a spacer: the angle at each flex plane. */
  slope: number
  /** Whether the offset at the center is judged: of a spacer only where a figure for that was given. */
  judgesOffset: boolean
  source: 'figures' | 'table' | 'slip-speed'
}

export interface Verdict {
  /** within: P ≥ 95 %; outside: P ≤ 5 %; unsure: between, or a plane was not measured. */
  state: 'within' | 'outside' | 'unsure'
  /** Probability that the running shafts are within (of the measured planes alone where one is missing). */
  probability: number
  limits: Limits
  /** Spacer: the angle at its left and its right flex plane, rad, of both planes together. */
  flexAngles?: [left: number, right: number]
  /** Each measured plane by itself. */
  byPlane: Partial<Record<Plane, Verdict['state']>>
}

/**
 * Verdict by confidence. Judged running: the relative growth is added to what was read cold. The vector of both planes
 * must be inside (which holds each plane inside as well). Short coupling: offset at its center and slope. Spacer: the
 * angle at each flex plane, `offset at the other plane ÷ distance between the planes`, against the allowed angle; at its
 * center only where a figure for that was given.
 */
export function verdictOf(fit: Misaligned, coupling: Joint, limits: Limits, growth: Record<Plane, PlaneLine>): Verdict {
  const { misalignment: m, measured, covariance } = fit
  const v = measured.includes('vertical') ? 1 : 0
  const h = measured.includes('horizontal') ? 1 : 0
  const mean = [
    h * (m.offsetY + growth.horizontal.offset),
    h * (m.slopeY + growth.horizontal.slope),
    v * (m.offsetZ + growth.vertical.offset),
    v * (m.slopeZ + growth.vertical.slope),
  ] as const
  const weights = [h, h, v, v]
  const known = covariance.map((row, i) => row.map((value, j) => value * (weights[i] ?? 0) * (weights[j] ?? 0)))

  const planes = coupling.flexPlanes
  const span = planes ? planes[1] - planes[0] : 0
  const reach = planes ? planes.map((x) => x - coupling.x) : []
  const { judgesOffset } = limits
  // squares rather than Math.hypot, which is ten times slower and runs some thousand times here
  const offsetMost = limits.offset ** 2
  const slopeMost = limits.slope ** 2
  const planeMost = (limits.slope * span) ** 2
  const inside = (oy: number, sy: number, oz: number, sz: number): boolean => {
    if (judgesOffset && oy * oy + oz * oz > offsetMost) return false
    if (!planes) return sy * sy + sz * sz <= slopeMost
    return reach.every((r) => (oy + sy * r) ** 2 + (oz + sz * r) ** 2 <= planeMost)
  }
  const chance = probabilityOf(inside, mean, known)
  const alone = (plane: Plane) => {
    const keep = plane === 'horizontal' ? [1, 1, 0, 0] : [0, 0, 1, 1]
    const [oy, sy, oz, sz] = mean
    const at = [oy * (keep[0] ?? 0), sy * (keep[1] ?? 0), oz * (keep[2] ?? 0), sz * (keep[3] ?? 0)] as const
    const own = known.map((row, i) => row.map((value, j) => value * (keep[i] ?? 0) * (keep[j] ?? 0)))
    return stateOf(measured.length === 1 ? chance : probabilityOf(inside, at, own))
  }
  const state = stateOf(chance)
  return {
    state: state === 'within' && measured.length < 2 ? 'unsure' : state,
    probability: chance,
    limits,
    ...(planes ? { flexAngles: flexAngles(mean, reach, span) } : {}),
    byPlane: Object.fromEntries(measured.map((plane) => [plane, alone(plane)])),
  }
}

/** What of a misalignment is judged at a coupling: mm at its center, rad between the shafts; of a spacer the angle at its left and right flex plane. */
export interface Seen {
  offset: number
  slope: number
  flex?: [left: number, right: number]
}

/** A misalignment as its coupling is judged by it, both planes together. */
export function seenAt(m: Misaligned['misalignment'], { x, flexPlanes }: Joint): Seen {
  const seen = { offset: Math.hypot(m.offsetY, m.offsetZ), slope: Math.hypot(m.slopeY, m.slopeZ) }
  if (!flexPlanes) return seen
  const reach = flexPlanes.map((plane) => plane - x)
  const mean = [m.offsetY, m.slopeY, m.offsetZ, m.slopeZ] as const
  return { ...seen, flex: flexAngles(mean, reach, flexPlanes[1] - flexPlanes[0]) }
}

/** The spacer runs from the left axis at the left plane to the right axis at the right one: each angle is the offset at the other plane over the span. */
function flexAngles(
  [oy, sy, oz, sz]: readonly [number, number, number, number],
  reach: readonly number[],
  span: number,
): [number, number] {
  const over = (r = 0) => Math.hypot(oy + sy * r, oz + sz * r) / span
  return [over(reach[1]), over(reach[0])]
}

/** By confidence: within from 95 %, outside to 5 %. */
export const stateOf = (probability: number): Verdict['state'] =>
  probability <= 0.05 ? 'outside' : probability >= 0.95 ? 'within' : 'unsure'

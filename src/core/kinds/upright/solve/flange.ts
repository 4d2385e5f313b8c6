import { direction, foldDegrees } from '../../../quantity/angles'
import type { Plane, PlaneLine } from '../../../quantity/axis'
import type { Misaligned } from '../../../shafts/coupling'
import { boltAngle } from '../document/make'
import { packsInPlane, planeThrough } from './packs'

/** A flanged joint. Lengths in mm, heights measured as the coupling's. */
export interface Flange {
  height: number
  /** Diameter of the bolt circle. */
  circle: number
  bolts: number
  /** A spigot: its clearance, of the diameter, and where in it the upper machine stands now; or the bolts' where that is less. */
  spigot?: { clearance: number; offset: readonly [y: number, z: number] } | undefined
  /** Shims to choose from, and how many in a pack. */
  stock?: readonly number[] | undefined
  mostShims?: number | undefined
}

/** What is to be done at one bolt, mm. */
export interface BoltWork {
  bolt: number
  /** How far the joint is to be opened there: below zero where it would have to close. */
  lift: number
  /** The same with nothing under the high spot: the shim. */
  shim: number
  /** The shims nearest to it in the stock; absent where there is none. */
  pack?: number[]
}

/** What brings the upper shaft over the lower one. Lengths in mm; a plane that was not read is null. */
export interface FlangeWork {
  /** Null until both planes are known: every bolt stands in both. */
  bolts: BoltWork[] | null
  /** How far the shaft rises by the shims. */
  rise: number | null
  /** The push wanted at the joint, toward 90° (y) and toward bolt 1 (z). */
  push: { y: number | null; z: number | null; size: number | null; angle: number | null }
  /** Whether the spigot lets it go there; null without a spigot, or while a plane is not known. */
  fits: boolean | null
  /** Where the spigot stops the push: what of it can be made, and what then stays at the joint, toward 90° and toward bolt 1. */
  stopped?: { push: { y: number; z: number }; stays: { y: number; z: number } }
  /** What stays at the coupling where the spigot stops it short, or after rounding to whole shims; absent where nothing does. */
  left?: Record<Plane, PlaneLine>
  /** The most any pack stands off the plane through all of them: beyond 0.02 mm the bolts would bend the flange. */
  unevenness: number
}

/**
 * Shims and push at a flange.
 *
 * The lift wanted at a bolt is `R·(βY·sin θ + βZ·cos θ)`; nothing goes under the bolt where that is least. The push is minus
 * the axis' place at the joint, `−(o + β·(height − coupling))`: the shims turn the machine about a point of the joint, so the
 * axis does not move there.
 *
 * @param couplingX height of the coupling, at which the misalignment is stated
 */
export function flangeWork({ misalignment: m, measured }: Misaligned, couplingX: number, flange: Flange): FlangeWork {
  const { circle, bolts: count, height } = flange
  const known = { vertical: measured.includes('vertical'), horizontal: measured.includes('horizontal') }
  const both = known.vertical && known.horizontal
  const above = height - couplingX
  const place = { y: m.offsetY + m.slopeY * above, z: m.offsetZ + m.slopeZ * above }
  const push = { y: known.horizontal ? 0 - place.y : null, z: known.vertical ? 0 - place.z : null }
  const lifts = Array.from({ length: count }, (_, i) => {
    const [y, z] = direction(boltAngle(i + 1, count))
    return (circle / 2) * (m.slopeY * y + m.slopeZ * z)
  })
  const least = Math.min(...lifts)
  const shims = lifts.map((lift) => lift - least)
  const packs = flange.stock && packsInPlane(flange.stock, shims, flange.mostShims ?? 4)
  const work = lifts.map((lift, i): BoltWork => {
    const pack = packs?.[i]
    return { bolt: i + 1, lift, shim: shims[i] ?? 0, ...(pack ? { pack } : {}) }
  })
  const size = push.y === null || push.z === null ? null : Math.hypot(push.y, push.z)
  const whole: FlangeWork = {
    bolts: both ? work : null,
    rise: both ? 0 - least : null,
    push: {
      ...push,
      size,
      angle: size ? foldDegrees((Math.atan2(push.y ?? 0, push.z ?? 0) * 180) / Math.PI) : size === null ? null : 0,
    },
    fits: null,
    unevenness: 0,
  }
  if (!both) return whole
  const { slope, unevenness } = remaining(m, work, circle)
  const short = shortOf(push.y ?? 0, push.z ?? 0, flange.spigot)
  // the axis stands off by what the spigot keeps back, at the joint; from there to the coupling by the slope that stays
  const leftIn = (short: number, slope: number): PlaneLine => ({ offset: short - slope * above, slope })
  const rounded = flange.stock !== undefined
  return {
    ...whole,
    unevenness,
    fits: flange.spigot ? short === undefined : null,
    ...(short ? { stopped: { push: { y: (push.y ?? 0) + short.y, z: (push.z ?? 0) + short.z }, stays: short } } : {}),
    ...(short || rounded
      ? { left: { vertical: leftIn(short?.z ?? 0, slope.z), horizontal: leftIn(short?.y ?? 0, slope.y) } }
      : {}),
  }
}

/** What a push leaves undone because the spigot stops it, mm: from the nearest place of its clearance circle. */
function shortOf(y: number, z: number, spigot: Flange['spigot']): { y: number; z: number } | undefined {
  if (!spigot) return undefined
  const [atY, atZ] = [spigot.offset[0] + y, spigot.offset[1] + z]
  const out = Math.hypot(atY, atZ)
  const reach = spigot.clearance / 2
  if (out <= reach + 1e-9) return undefined
  const share = reach / out - 1
  return { y: atY * share, z: atZ * share }
}

/** The slopes that stay once the packs are in: those read less the plane that lies through the packs by least squares. */
function remaining(
  m: Misaligned['misalignment'],
  work: readonly BoltWork[],
  circle: number,
): { slope: { y: number; z: number }; unevenness: number } {
  if (work.some(({ pack }) => pack === undefined)) return { slope: { y: 0, z: 0 }, unevenness: 0 }
  const { y, z, unevenness } = planeThrough(work.map(({ pack = [] }) => pack.reduce((sum, shim) => sum + shim, 0)))
  const radius = circle / 2
  return { slope: { y: m.slopeY - y / radius, z: m.slopeZ - z / radius }, unevenness }
}

import { planeThrough } from '../quantity/plane'
import type { SeatCure } from '../seat/cure'
import type { CornerGaps, FootCheck } from '../seat/foot'

/** A simulated machine frame on its base. Lengths in mm; seen from above, y toward the far side. */
export interface RiggedFrame {
  feet: readonly RiggedFoot[]
  /** Half the pad's length along x and along y. */
  pad: { x: number; y: number }
  /** A rigid frame tips as one piece; a limber one lets each foot down by itself; most do a share of both, 1 for rigid. */
  frame: 'rigid' | 'limber' | number
}

export interface RiggedFoot {
  id: string
  x: number
  y: number
  /** How far the middle of its sole stands off its pad when the frame lies in its plane. */
  off: number
  /** Slope of the sole against the pad, mm per mm. */
  tilt?: { x: number; y: number }
  /** How far it springs up when its bolt is loosened, without opening a gap: dirt, burrs, bent shims. */
  spring?: number
  /** How far pipes or conduits lift it when its bolt is loosened. */
  pulled?: number
}

/** The lowest point of a sole tilted against its pad, below its middle. */
const reachOf = (foot: RiggedFoot, pad: RiggedFrame['pad']): number =>
  Math.abs(foot.tilt?.x ?? 0) * pad.x + Math.abs(foot.tilt?.y ?? 0) * pad.y

/**
 * What a person would find at every foot in turn, its bolt loosened and the others tight: contact geometry, nothing of
 * `core/seat` but how a plane lies. The tight feet of a rigid frame are drawn down onto their pads and set the frame's plane (where
 * they are more than three, the one that best fits them); the loose one
 * stands where that puts it, or rests on its pad. Gaps are read with a feeler in steps of `feeler`, 0 for exact.
 */
export function checkFrame(rigged: RiggedFrame, feeler = 0.01): FootCheck[] {
  const { feet, pad } = rigged
  const read = (mm: number) => (feeler > 0 ? Math.round(mm / feeler) * feeler : mm)
  const stiffness = rigged.frame === 'rigid' ? 1 : rigged.frame === 'limber' ? 0 : rigged.frame
  return feet.map((foot): FootCheck => {
    const others = feet.filter((other) => other !== foot).map((other) => ({ x: other.x, y: other.y, z: -other.off }))
    const plane = planeThrough(others)
    const body = (x: number, y: number) => stiffness * plane(x, y)
    const middle = foot.off + body(foot.x, foot.y) + (foot.pulled ?? 0)
    const rest = reachOf(foot, pad)
    // a sole that reaches its pad anywhere rests there
    const lift = Math.max(0, rest - middle)
    const at = (sx: 1 | -1, sy: 1 | -1) => {
      const [dx, dy] = [sx * pad.x, sy * pad.y]
      const lean = body(foot.x + dx, foot.y + dy) - body(foot.x, foot.y)
      return read(Math.max(0, middle + lift + lean + (foot.tilt?.x ?? 0) * dx + (foot.tilt?.y ?? 0) * dy))
    }
    const gaps: CornerGaps = { lowNear: at(-1, -1), lowFar: at(-1, 1), highNear: at(1, -1), highFar: at(1, 1) }
    // drawn down, the foot bends until its middle meets the pad; loosened, it comes back
    const rise = Math.max(0, middle + lift) + (foot.spring ?? 0)
    return { id: foot.id, x: foot.x, y: foot.y, rise: read(rise), gaps }
  })
}

/** The same frame with dirt, burrs and bent shims out from under the feet. */
export const cleaned = (rigged: RiggedFrame, feet: readonly string[]): RiggedFrame => ({
  ...rigged,
  feet: rigged.feet.map((foot) => (feet.includes(foot.id) ? { ...foot, spring: 0 } : foot)),
})

/** The same frame with a cure put under it. Steps fill the wedge they were cut for, down to one step. */
export function withCure(rigged: RiggedFrame, cure: readonly SeatCure[]): RiggedFrame {
  return {
    ...rigged,
    feet: rigged.feet.map((foot) => {
      const put = cure.find((one) => one.foot === foot.id)
      if (!put) return foot
      if ('shim' in put) return { ...foot, off: foot.off - put.shim }
      return wedged(foot, rigged.pad, put.steps)
    }),
  }
}

/** What is left of a tilted sole over its strips: sampled all over the pad, a plane laid through the rest. */
function wedged(
  foot: RiggedFoot,
  pad: RiggedFrame['pad'],
  steps: Extract<SeatCure, { steps: unknown }>['steps'],
): RiggedFoot {
  const samples = Array.from({ length: 21 }, (_, i) => i / 10 - 1)
  const points = samples.flatMap((u) =>
    samples.map((v) => ({ x: u * pad.x, y: v * pad.y, z: leftOver(foot, pad, steps, u, v) })),
  )
  const rest = planeThrough(points)
  return {
    ...foot,
    off: rest(0, 0),
    tilt: { x: (rest(pad.x, 0) - rest(-pad.x, 0)) / (2 * pad.x), y: (rest(0, pad.y) - rest(0, -pad.y)) / (2 * pad.y) },
  }
}

/**
 * Gap that strips leave under one point of a sole, mm; below zero where they are too thick.
 *
 * @param u from −1 at the low edge of the pad to 1 at the high one
 * @param v from −1 at its near edge to 1 at its far one
 */
export function leftOver(
  foot: RiggedFoot,
  pad: RiggedFrame['pad'],
  steps: Extract<SeatCure, { steps: unknown }>['steps'],
  u: number,
  v: number,
): number {
  const inward = { low: (1 + u) / 2, high: (1 - u) / 2, near: (1 + v) / 2, far: (1 - v) / 2 }
  const stack = steps.filter((step) => step.cover >= inward[step.edge]).reduce((sum, step) => sum + step.thickness, 0)
  return foot.off + (foot.tilt?.x ?? 0) * u * pad.x + (foot.tilt?.y ?? 0) * v * pad.y - stack
}

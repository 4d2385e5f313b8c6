import type { SeatCure } from '../seat/cure'
import type { CornerGaps, FootCheck } from '../seat/foot'

/** A simulated machine frame on its base. Lengths in mm; seen from above, y toward the far side. */
export interface RiggedFrame {
  feet: readonly RiggedFoot[]
  /** Half the pad's length along x and along y. */
  pad: { x: number; y: number }
  /** A rigid frame tips as one piece; a limber one lets each foot down by itself. */
  frame: 'rigid' | 'limber'
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

type Plane = (x: number, y: number) => number

/** The plane through three points. */
function planeThrough([a, b, c]: readonly { x: number; y: number; z: number }[]): Plane {
  if (!a || !b || !c) return () => 0
  const det = (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y)
  const zx = ((b.z - a.z) * (c.y - a.y) - (c.z - a.z) * (b.y - a.y)) / det
  const zy = ((c.z - a.z) * (b.x - a.x) - (b.z - a.z) * (c.x - a.x)) / det
  return (x, y) => a.z + zx * (x - a.x) + zy * (y - a.y)
}

/** The lowest point of a sole tilted against its pad, below its middle. */
const reachOf = (foot: RiggedFoot, pad: RiggedFrame['pad']): number =>
  Math.abs(foot.tilt?.x ?? 0) * pad.x + Math.abs(foot.tilt?.y ?? 0) * pad.y

/**
 * What a person would find at every foot in turn, its bolt loosened and the others tight: contact geometry, nothing of
 * `core/seat`. The tight feet of a rigid frame are drawn down onto their pads and set the frame's plane; the loose one
 * stands where that puts it, or rests on its pad. Gaps are read with a feeler in steps of `feeler`, 0 for exact.
 */
export function checkFrame(rigged: RiggedFrame, feeler = 0.01): FootCheck[] {
  const { feet, pad } = rigged
  const read = (mm: number) => (feeler > 0 ? Math.round(mm / feeler) * feeler : mm)
  return feet.map((foot): FootCheck => {
    const others = feet.filter((other) => other !== foot).map((other) => ({ x: other.x, y: other.y, z: -other.off }))
    const body: Plane = rigged.frame === 'rigid' ? planeThrough(others) : () => 0
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

/** What is left of a tilted sole over a stair of strips: sampled along the pad, a plane laid through the rest. */
function wedged(
  foot: RiggedFoot,
  pad: RiggedFrame['pad'],
  steps: Extract<SeatCure, { steps: unknown }>['steps'],
): RiggedFoot {
  const [edge] = steps.map((step) => step.edge)
  if (!edge) return foot
  const along = edge === 'low' || edge === 'high' ? 'x' : 'y'
  const inward = edge === 'high' || edge === 'far' ? 1 : -1
  const tilt = foot.tilt?.[along] ?? 0
  const samples = Array.from({ length: 41 }, (_, i) => i / 20 - 1)
  const rest = samples.map((s) => {
    const fromEdge = (1 - inward * s) / 2
    const stack = steps.filter((step) => step.cover >= fromEdge).reduce((sum, step) => sum + step.thickness, 0)
    return foot.off + tilt * pad[along] * s - stack
  })
  const mean = rest.reduce((sum, value) => sum + value, 0) / rest.length
  const spread = samples.reduce((sum, s) => sum + s * s, 0)
  const slope = samples.reduce((sum, s, i) => sum + s * ((rest[i] ?? 0) - mean), 0) / spread
  return { ...foot, off: mean, tilt: { x: foot.tilt?.x ?? 0, y: foot.tilt?.y ?? 0, [along]: slope / pad[along] } }
}

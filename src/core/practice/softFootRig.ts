import { Matrix, solve } from 'ml-matrix'
import { chance } from '../rig/random'

/** Feet of the frame, in order round it as the person stands: near left, far left, far right, near right. */
export const frameFeet = ['near-left', 'far-left', 'far-right', 'near-right'] as const
export type FrameFoot = (typeof frameFeet)[number]

/** What can be wrong with a frame; one of them is. */
export const frameFaults = ['rocking', 'angled', 'springy', 'strain'] as const
export type FrameFault = (typeof frameFaults)[number]

/** Corners of a pad, as the person stands. */
export const padCorners = ['near-left', 'far-left', 'far-right', 'near-right'] as const

/**
 * A frame on four feet with one thing wrong with it: the hidden truth of a lesson, the same for the same seed. A plate that is
 * stiff but for one twist, bolts that pull, pads that push and never pull. Lengths in mm, forces in kN.
 */
export interface Frame {
  fault: FrameFault
  /** The foot that has it; with strain, one of the two at the end where the pipe pulls. */
  foot: FrameFoot
  /** How much: the gap of a short foot, the opening of a bent one, what lies under a springy one; with strain the pull, kN. */
  size: number
}

/** What a person has done with the frame so far. */
export interface FrameHands {
  locked: boolean
  loose: readonly FrameFoot[]
  /** Even shims and step shims under the feet, mm; the thick end of a step shim lies where the foot stands open. */
  shims: Readonly<Partial<Record<FrameFoot, number>>>
  steps: Readonly<Partial<Record<FrameFoot, number>>>
  cleaned: readonly FrameFoot[]
  /** The pipe is unbolted from the machine. */
  pipeOff: boolean
  /** Where the dial stands, and the height of the foot at which it was zeroed, mm. */
  dial?: { foot: FrameFoot; zero: number } | undefined
}

export const emptyFrameHands: FrameHands = {
  locked: false,
  loose: [],
  shims: {},
  steps: {},
  cleaned: [],
  pipeOff: false,
}

/** Half the distances between bolts, half a pad, mm. */
const half = { x: 200, y: 150 }
const pad = { x: 30, y: 20 }
/** Weight, pull of a tight bolt, kN. */
const weight = 1.2
const bolt = 20
/** Stiffness of the frame against twist, of a pad on the base, of what lies under a springy foot, kN/mm. */
const stiff = { twist: 200, base: 4000, soft: 60 }

/** +1 or −1 of each foot along and across, near and left below zero. */
const at = (foot: FrameFoot): { x: number; y: number } => ({
  x: foot.endsWith('left') ? -1 : 1,
  y: foot.startsWith('near') ? -1 : 1,
})

/** Height of the frame over a place, its places as shares of the half distances: lift, two leans, twist. */
const shape = (x: number, y: number): number[] => [1, x, y, x * y]

export const diagonalOf = (foot: FrameFoot): FrameFoot => {
  const { x, y } = at(foot)
  return `${y < 0 ? 'far' : 'near'}-${x < 0 ? 'right' : 'left'}`
}

export function makeFrame(seed: number): Frame {
  const source = chance(seed ^ 0x51ed270b)
  const fault = frameFaults[Math.floor(source.uniform() * frameFaults.length)] ?? 'rocking'
  const foot = frameFeet[Math.floor(source.uniform() * frameFeet.length)] ?? 'near-left'
  const share = source.uniform()
  const size = {
    rocking: 0.12 + 0.3 * share,
    angled: 0.2 + 0.4 * share,
    springy: 0.12 + 0.16 * share,
    strain: 2.6 + 2.8 * share,
  }[fault]
  return { fault, foot, size: Math.round(size * 100) / 100 }
}

/** How a foot of its own stands to the frame: its underside over the frame's plane, its opening outward, what squeezes under it. mm */
function footOf(frame: Frame, hands: FrameHands, foot: FrameFoot) {
  const own = frame.foot === foot
  const shim = hands.shims[foot] ?? 0
  const open = (frame.fault === 'angled' && own ? frame.size : 0) - (hands.steps[foot] ?? 0)
  return {
    short: (frame.fault === 'rocking' && own ? frame.size : 0) - shim,
    open,
    under: frame.fault === 'springy' && own && !hands.cleaned.includes(foot) ? frame.size : 0,
  }
}

/**
 * How the frame stands: [lift, lean along, lean across, twist] in mm at the bolts. The least energy of a convex, piecewise
 * quadratic function, found by Newton steps over the pads that touch.
 */
function stand(frame: Frame, hands: FrameHands): number[] {
  const feet = frameFeet.map((foot) => {
    const { x, y } = at(foot)
    const { short, open, under } = footOf(frame, hands, foot)
    const loose = hands.loose.includes(foot)
    // a tight bolt bends an open foot flat; a loose one stands on its closed edge
    return { g: shape(x, y), offset: short - (loose ? Math.abs(open) / 2 : 0), under, loose }
  })
  const pull = frame.fault === 'strain' && !hands.pipeOff ? frame.size : 0
  const end = at(frame.foot).x
  let q = [0, 0, 0, 0]
  for (let step = 0; step < 60; step++) {
    const gradient = [weight - pull, -pull * end, 0, stiff.twist * (q[3] ?? 0)]
    const hessian = [0, 1, 2, 3].map((i) =>
      [0, 1, 2, 3].map((j) => (i === 3 && j === 3 ? stiff.twist : i === j ? 1e-6 : 0)),
    )
    const add = (g: readonly number[], force: number, stiffness: number) => {
      for (let i = 0; i < 4; i++) {
        gradient[i] = (gradient[i] ?? 0) + force * (g[i] ?? 0)
        const row = hessian[i]
        for (let j = 0; row && j < 4; j++) row[j] = (row[j] ?? 0) + stiffness * (g[i] ?? 0) * (g[j] ?? 0)
      }
    }
    for (const { g, offset, under, loose } of feet) {
      const height = offset + g.reduce((sum, part, i) => sum + part * (q[i] ?? 0), 0)
      if (!loose) add(g, bolt, 0)
      if (height < 0) add(g, stiff.base * height, stiff.base)
      if (under > 0 && height < under) add(g, stiff.soft * (height - under), stiff.soft)
    }
    const by = solve(new Matrix(hessian), Matrix.columnVector(gradient)).to1DArray()
    q = q.map((value, i) => value - (by[i] ?? 0))
    if (Math.max(...by.map(Math.abs)) < 1e-9) break
  }
  return q
}

/** How high a foot stands over its pad, mm: what a dial on it measures, from any zero. */
export function footHeight(frame: Frame, hands: FrameHands, foot: FrameFoot): number {
  const q = stand(frame, hands)
  const { x, y } = at(foot)
  return shape(x, y).reduce((sum, part, i) => sum + part * (q[i] ?? 0), 0)
}

/** What a dial shows that was zeroed on a foot; undefined where none stands. mm */
export const dialShows = (frame: Frame, hands: FrameHands): number | undefined =>
  hands.dial && footHeight(frame, hands, hands.dial.foot) - hands.dial.zero

/** Gap at the corners of a foot, mm: what blades go in, thinner than 0.02 none. A tight foot has none. */
export function gapsAt(frame: Frame, hands: FrameHands, foot: FrameFoot): Record<(typeof padCorners)[number], number> {
  const q = stand(frame, hands)
  const own = at(foot)
  const { short, open, under } = footOf(frame, hands, foot)
  const loose = hands.loose.includes(foot)
  const gap = (corner: FrameFoot): number => {
    const { x, y } = at(corner)
    const [px, py] = [own.x + (x * pad.x) / half.x, own.y + (y * pad.y) / half.y]
    const height = shape(px, py).reduce((sum, part, i) => sum + part * (q[i] ?? 0), 0)
    // opens away from the frame's middle, along the machine's side
    const outward = (y === own.y ? 1 : -1) * (open / 2)
    const felt = height + short + outward - under
    return loose && felt >= 0.02 ? Math.round(felt * 100) / 100 : 0
  }
  return Object.fromEntries(padCorners.map((corner) => [corner, gap(corner)])) as ReturnType<typeof gapsAt>
}

/** How far a foot rises when its bolt alone is loosened, mm. */
export function riseOf(frame: Frame, hands: FrameHands, foot: FrameFoot): number {
  const tight = { ...hands, loose: [] }
  return footHeight(frame, { ...tight, loose: [foot] }, foot) - footHeight(frame, tight, foot)
}

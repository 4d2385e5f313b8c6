import type { Side } from '../probes/probe'
import { exactRimReading, shaftPair } from '../rig/geometry'
import { chance } from '../rig/random'
import { type Attempted, begun, isPlain, type PlainAct, plainly } from './attempted'
import { typedMm } from './typed'

/** The two hubs that a pair of reverse dials touch: that of the machine that stays, on the left, and of the one that moves. */
export const hubs = ['left', 'right'] as const
export type Hub = Side

export const plotFeet = ['front', 'back'] as const
export type PlotFoot = (typeof plotFeet)[number]

/**
 * A pair of reverse dials read top to bottom, to be plotted by hand: the hidden truth of a lesson, the same for the same seed. Lengths in
 * mm, heights positive up, from the shaft of the machine that stays; the line is measured from the coupling.
 */
export interface Plot {
  /** Where each plunger touches, and where the feet of the machine that moves stand. */
  at: Readonly<Record<Hub | PlotFoot, number>>
  /** What each dial showed at the bottom, zeroed at the top, and the sag of its bracket. To the line of a dial. */
  bottom: Readonly<Record<Hub, number>>
  sag: Readonly<Record<Hub, number>>
  /** The moved shaft at the coupling, and its slope, rad. */
  offset: number
  slope: number
}

/** What a square of the paper is: along the line and up, mm. */
export const square = { along: 10, up: 0.02 } as const
/** The paper reaches so far up and down, mm. */
export const reach = 0.4

const lines = (mm: number): number => Math.round(mm * 100) / 100
const squares = (mm: number): number => Math.round(mm / square.along) * square.along

export function makePlot(seed: number): Plot {
  const source = chance(seed ^ 0x1f83d9ab)
  const between = (least: number, most: number): number => least + (most - least) * source.uniform()
  const either = (): number => (source.uniform() < 0.5 ? -1 : 1)
  const [left, right] = [-squares(between(60, 120)), squares(between(60, 120))]
  const front = right + squares(between(80, 140))
  const back = front + squares(between(220, 360))
  const sag = { left: lines(-between(0.06, 0.18)), right: lines(-between(0.06, 0.18)) }
  const slope = either() * between(0.00012, 0.0003)
  // far enough off that a sign, a half and a sag each matter, and never off the paper
  const offset = either() * between(0.1, 0.2)
  const pair = shaftPair({ offsetY: 0, slopeY: 0, offsetZ: offset, slopeZ: slope }, 0)
  const read = (on: Hub, x: number): number => {
    const dial = { on, x, radius: 80, sag: sag[on] }
    return lines(exactRimReading(pair, dial, 180) - exactRimReading(pair, dial, 0))
  }
  return {
    at: { left, right, front, back },
    bottom: { left: read('left', left), right: read('right', right) },
    sag,
    offset,
    slope,
  }
}

/** How high the shaft that moves stands at a place, mm: the truth. */
export const truthAt = ({ offset, slope }: Plot, x: number): number => offset + slope * x

/** Where the dots were put, mm, and which of them were put at all. */
export interface PlotHands {
  locked: boolean
  dots: Readonly<Record<Hub, number>>
  put: readonly Hub[]
}

/** How a person stands in the lesson of the graph: what is kept, and nothing of the truth. */
export interface Plotting extends Attempted<PlotHands> {
  lesson: 'graph'
  /** What was read off at the feet, as typed. */
  feet: Readonly<Record<PlotFoot, string>>
}

export const beginPlotting = (seed: number): Plotting => ({
  ...begun(seed, { locked: false, dots: { left: 0, right: 0 }, put: [] }),
  lesson: 'graph',
  feet: { front: '', back: '' },
})

export type PlottingAct = PlainAct | { do: 'dot'; hub: Hub; mm: number } | { do: 'foot'; foot: PlotFoot; text: string }

/** One act done. Pure: the same state and act give the same. */
export function plotted(now: Plotting, act: PlottingAct): Plotting {
  if (isPlain(act)) return plainly(now, act)
  const { hands } = now
  switch (act.do) {
    case 'dot': {
      const mm = Math.min(reach, Math.max(-reach, lines(act.mm)))
      return {
        ...now,
        hands: {
          ...hands,
          dots: { ...hands.dots, [act.hub]: mm },
          put: hands.put.includes(act.hub) ? hands.put : [...hands.put, act.hub],
        },
        checked: false,
      }
    }
    case 'foot':
      return { ...now, feet: { ...now.feet, [act.foot]: act.text }, checked: false }
  }
}

/** The line through both dots, as far as the paper goes: its height at a place, mm. */
export function lineAt({ at }: Plot, dots: PlotHands['dots'], x: number): number {
  return dots.left + ((dots.right - dots.left) * (x - at.left)) / (at.right - at.left)
}

/** What went wrong, by its name. */
export type PlotSlip = 'no-dots' | 'changed' | 'sign' | 'not-halved' | 'sag-left-in' | 'dot' | 'no-feet' | 'foot'

export interface PlotJudged {
  plot: Plot
  dots: Readonly<Record<Hub, { right: boolean; truth: number }>>
  feet: Readonly<Record<PlotFoot, { right: boolean; line: number; truth: number }>>
  slips: readonly PlotSlip[]
  passed: boolean
}

/** A dot is put to the line of a dial, and half of one more; a foot is read off to a square. mm */
const nearDot = 0.015
const nearFoot = square.up

/** Both dots against the truth, and the feet against the line that was drawn through them. */
export function judgePlot({ seed, hands, feet }: Plotting): PlotJudged {
  const plot = makePlot(seed)
  const truth = { left: truthAt(plot, plot.at.left), right: truthAt(plot, plot.at.right) }
  const off = (hub: Hub, mm: number): boolean => Math.abs(hands.dots[hub] - mm) > nearDot
  const dots = Object.fromEntries(
    hubs.map((hub) => [hub, { right: hands.put.includes(hub) && !off(hub, truth[hub]), truth: truth[hub] }]),
  ) as PlotJudged['dots']
  const told = Object.fromEntries(
    plotFeet.map((foot) => {
      const line = lineAt(plot, hands.dots, plot.at[foot])
      const typed = typedMm(feet[foot])
      return [
        foot,
        { right: typed !== undefined && Math.abs(typed - line) <= nearFoot, line, truth: truthAt(plot, plot.at[foot]) },
      ]
    }),
  ) as PlotJudged['feet']
  const slips: PlotSlip[] = []
  const add = (slip: PlotSlip) => slips.includes(slip) || slips.push(slip)
  if (hands.put.length < hubs.length) add('no-dots')
  else {
    const why = hubs.flatMap((hub) => (dots[hub].right ? [] : [whyOff(plot, hub, truth[hub], hands.dots[hub])]))
    const changed = why.length === 2 && why.includes('dot') && !off('left', truth.right) && !off('right', truth.left)
    for (const slip of changed ? (['changed'] as const) : why) add(slip)
  }
  for (const foot of plotFeet) if (!told[foot].right) add(typedMm(feet[foot]) === undefined ? 'no-feet' : 'foot')
  return { plot, dots, feet: told, slips, passed: slips.length === 0 }
}

/** The slip that a dot tells of itself. */
function whyOff({ bottom, sag }: Plot, hub: Hub, truth: number, put: number): PlotSlip {
  const near = (mm: number): boolean => Math.abs(put - mm) <= nearDot
  // a plunger on the hub that moves goes out at the bottom as that hub is high; on the one that stays it goes in
  const sign = hub === 'right' ? -1 : 1
  if (near(-truth)) return 'sign'
  if (near(2 * truth) || near(-2 * truth)) return 'not-halved'
  if (near((sign * bottom[hub]) / 2) || near((sign * (bottom[hub] + sag[hub])) / 2)) return 'sag-left-in'
  return 'dot'
}

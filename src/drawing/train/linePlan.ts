import { shaftEnds } from '../../core/kinds/train/document/ends'
import { downBy, trainEnds } from '../../core/kinds/train/plan/choices'
import { axisAfter } from '../../core/kinds/train/solve/after'
import { positionAt } from '../../core/kinds/train/solve/positions'
import type { JobSolution } from '../../core/kinds/train/solve/round'
import { machineGrowthAt } from '../../core/kinds/train/solve/targets'
import { lineAt, type Plane, planes } from '../../core/quantity/axis'
import { t } from '../../words/language'
import { footName, place, planeName, type Terms } from '../../words/terms'
import type { Handle, Point, Shape } from '../scene'
import { withinBand } from './lineParts'
import type { PlanDrawing, Sheet } from './sheet'

/** Cold targets, the running line, the stops of the feet and the shaft that is being moved. */
export function planShapes(
  { plan, live }: PlanDrawing,
  solved: JobSolution,
  plane: Plane,
  sheet: Sheet,
  band: readonly [number, number],
): Shape[] {
  const { train, solution } = solved
  const shapes: Shape[] = []
  const at = (x: number, mm: number): Point => [sheet.x(x), sheet.y(plane, mm)]
  const stroke = (role: 'target' | 'running' | 'live', xs: readonly [number, number], value: (x: number) => number) => {
    const points = withinBand(at(xs[0], value(xs[0])), at(xs[1], value(xs[1])), band[0] + 4, band[1] - 4)
    shapes.push({ kind: 'line', role, points })
  }
  train.machines.forEach((machine, m) => {
    const ends = shaftEnds(train, m)
    const cold = axisAfter(train, solution, plan.moves, m, plane, 0)
    if (!cold) return
    if (plan.feasible) {
      stroke('target', ends, (x) => lineAt(cold, x))
      stroke('running', ends, (x) => lineAt(cold, x) + machineGrowthAt(machine, plane, x))
    }
    if (live?.machine === machine.id && live.plane === plane) stroke('live', ends, (x) => lineAt(live.axis, x - live.x))
  })
  for (const { x, machine, facts } of plan.stations) {
    const links = solution.chains[plane][train.machines.findIndex(({ id }) => id === machine)]
    if (!links) continue
    const limits = downBy(facts)
    const value = positionAt(links, x).value
    const stops = plane === 'vertical' ? [limits?.up, neg(limits?.down)] : [limits?.far, neg(limits?.near)]
    for (const stop of stops) {
      if (stop === undefined) continue
      const [px, py] = at(x, value + stop)
      if (py < band[0] + 4 || py > band[1] - 4) continue
      const tick = stop >= 0 === sheet.y(plane, 1) < sheet.y(plane, 0) ? -5 : 5
      shapes.push({
        kind: 'line',
        role: 'stop',
        points: [
          [px - 9, py + tick],
          [px - 9, py],
          [px + 9, py],
          [px + 9, py + tick],
        ],
      })
    }
  }
  return shapes
}

const neg = (value: number | undefined): number | undefined => (value === undefined ? undefined : -value)

/** Whether any shaft stands elsewhere when it runs: only then is its running line another than its target. */
export const grows = ({ train }: JobSolution): boolean =>
  train.machines.some((machine, m) =>
    planes.some((plane) => shaftEnds(train, m).some((x) => Math.abs(machineGrowthAt(machine, plane, x)) > 1e-9)),
  )

/** Where the running line can be taken hold of: at the ends of the train, and over every foot between. */
export function planHandles({ plan }: PlanDrawing, solved: JobSolution, terms: Terms, sheet: Sheet): Handle[] {
  const { target } = plan
  if (!target) return []
  const ends = trainEnds(solved)
  return planes.flatMap((plane) => {
    if (plan.stations.every((station) => station[plane] === null)) return []
    return plan.stations
      .filter((station, i, all) => station[plane] !== null && all.findIndex(({ x }) => x === station.x) === i)
      .map(({ foot, x }): Handle => {
        const value = lineAt(target[plane], x)
        return {
          id: `${plane}:${foot}`,
          plane,
          x,
          end: ends.includes(x),
          at: [sheet.x(x), sheet.y(plane, value)],
          value,
          mmPerPx: -1 / (sheet.y(plane, 0) - sheet.y(plane, 1)),
          label: t`Target line at ${footName(foot, terms)}, ${planeName[plane]}`,
          told: place(value, plane, terms),
        }
      })
  })
}

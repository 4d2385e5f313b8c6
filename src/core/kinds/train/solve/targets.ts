import { lineAt, lineThrough, type Plane } from '../../../quantity/axis'
import type { Foot, Machine } from './model'

export const growthOf = (foot: Foot, plane: Plane): number => foot.growth?.[plane] ?? 0

/** How a machine's axis moves from cold to running at `x`, mm: the line through its feet's growth. */
export function machineGrowthAt(machine: Machine, plane: Plane, x: number): number {
  return lineThrough(
    machine.feet.map((foot) => ({ x: foot.x, value: growthOf(foot, plane) })),
    x,
  ).offset
}

/** A line all shafts shall lie on when running, relative to the fixed machine's cold axis. */
export type TargetLine = (plane: Plane, x: number) => number

/** Nothing but the fixed machine stays: the target is its own running axis. */
export const fixedTarget =
  (fixed: Machine): TargetLine =>
  (plane, x) =>
    machineGrowthAt(fixed, plane, x)

/** Two feet stay in both planes: their running places define the target line. */
export function heldTarget(held: readonly { x: number; running: Record<Plane, number> }[]): TargetLine {
  const line = (plane: Plane) =>
    lineThrough(
      held.map((h) => ({ x: h.x, value: h.running[plane] })),
      0,
    )
  const lines = { vertical: line('vertical'), horizontal: line('horizontal') }
  return (plane, x) => lineAt(lines[plane], x)
}

import type { Misalignment } from '../../../probes/probe'
import { lineThrough, type Plane, type PlaneLine, planes } from '../../../quantity/axis'
import type { Train } from './model'
import { positionAt } from './positions'
import type { Solution } from './solve'
import { machineGrowthAt } from './targets'

/** How stations of feet are moved, mm: up and toward the far side. A station that is not named stays. */
export type Moves = ReadonlyMap<string, Partial<Record<Plane, number>>>

/**
 * The cold axis of a machine once its feet are moved, stated at `x`, relative to the fixed machine's axis as it was read; null
 * where the readings do not reach it. Through its stations by least squares; with fewer than two stations nothing turns it.
 */
export function axisAfter(
  train: Train,
  solution: Solution,
  moves: Moves,
  m: number,
  plane: Plane,
  x: number,
): PlaneLine | null {
  const machine = train.machines[m]
  const links = solution.chains[plane][m]
  if (!machine || !links) return null
  const places = machine.feet.map((foot) => ({
    x: foot.x,
    value: positionAt(links, foot.x).value + (moves.get(foot.id)?.[plane] ?? 0),
  }))
  if (new Set(places.map((place) => place.x)).size >= 2) return lineThrough(places, x)
  const { value, slope } = positionAt(links, x)
  const [lift] = machine.feet.map((foot) => moves.get(foot.id)?.[plane] ?? 0)
  return { offset: value + (lift ?? 0), slope }
}

/** What a coupling's readings will say once the feet are moved, cold: right less left. Null in a plane that was not measured. */
export function couplingAfter(
  train: Train,
  solution: Solution,
  moves: Moves,
  c: number,
): Record<Plane, PlaneLine | null> {
  const coupling = train.couplings[c]
  const inPlane = (plane: Plane): PlaneLine | null => {
    if (!coupling) return null
    const [a, b] = [coupling.left, coupling.left + 1].map((m) =>
      axisAfter(train, solution, moves, m, plane, coupling.x),
    )
    return a && b ? { offset: b.offset - a.offset, slope: b.slope - a.slope } : null
  }
  return { vertical: inPlane('vertical'), horizontal: inPlane('horizontal') }
}

/** The same with all shafts running: growth added. */
export function runningAfter(
  train: Train,
  solution: Solution,
  moves: Moves,
  c: number,
): Record<Plane, PlaneLine | null> {
  const cold = couplingAfter(train, solution, moves, c)
  const coupling = train.couplings[c]
  const inPlane = (plane: Plane): PlaneLine | null => {
    const line = cold[plane]
    const [left, right] = coupling ? [train.machines[coupling.left], train.machines[coupling.left + 1]] : []
    if (!line || !coupling || !left || !right) return line
    const grown = (x: number) => machineGrowthAt(right, plane, x) - machineGrowthAt(left, plane, x)
    const offset = grown(coupling.x)
    return { offset: line.offset + offset, slope: line.slope + grown(coupling.x + 1) - offset }
  }
  return { vertical: inPlane('vertical'), horizontal: inPlane('horizontal') }
}

/** Both planes of a coupling as the fit states them; a plane that is not known counts as in line. */
export function misalignmentOf(lines: Record<Plane, PlaneLine | null>): Misalignment {
  return {
    offsetY: lines.horizontal?.offset ?? 0,
    slopeY: lines.horizontal?.slope ?? 0,
    offsetZ: lines.vertical?.offset ?? 0,
    slopeZ: lines.vertical?.slope ?? 0,
  }
}

/** Where every station stands after the moves, relative to the fixed machine as it then stands, mm. */
export function positionsAfter(train: Train, solution: Solution, moves: Moves) {
  return train.machines.flatMap((machine, m) =>
    machine.feet.map((foot) => {
      const at = (plane: Plane): number | null => {
        const own = axisAfter(train, solution, moves, m, plane, foot.x)
        const fixed = axisAfter(train, solution, moves, train.fixed, plane, foot.x)
        return own && fixed ? own.offset - fixed.offset : null
      }
      const [vertical, horizontal] = planes.map(at)
      return { machine: machine.id, foot: foot.id, vertical: vertical ?? null, horizontal: horizontal ?? null }
    }),
  )
}

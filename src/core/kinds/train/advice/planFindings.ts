import { type Plane, type PlaneLine, planes } from '../../../quantity/axis'
import type { Doubt } from '../../../shafts/doubt'
import type { VerdictState } from '../../../verdict/state'
import type { Verdict } from '../../../verdict/verdict'
import { type Tie, tieOf } from '../document/held'
import type { Line } from '../document/schema'
import { type OrderAdvice, orderAdvice } from '../plan/bolts'
import { growthKnown } from '../plan/growth'
import type { InTheWay, JobPlan } from '../plan/plan'
import type { JobSolution } from '../solve/round'
import { doubted, movesDoubted } from './doubt'

/** One thing worth saying of a plan before the spanner is picked up, as data. Lengths in mm. */
export type PlanFinding =
  | { kind: 'in-the-way'; peg: 'outside'; blocked: InTheWay; together: boolean; stays: JobPlan['stays'] }
  /** Stations that the plan would move and whose place nobody gave. */
  | { kind: 'unplaced'; peg: 'outside'; feet: readonly string[] }
  /** A held station that no reading reaches: there is no line through it. */
  | { kind: 'held-unreached'; peg: 'outside'; foot: string; plane: Plane }
  /** Moves that hang on readings in doubt. */
  | { kind: 'not-sure'; peg: 'unsure'; coupling: string; doubts: readonly Doubt[] }
  | { kind: 'overlarge'; peg: 'unsure'; foot: string; plane: Plane; move: number }
  /** A machine with pipes, or a rotor in its casing, is to be moved; `agreed` once a person has put initials to as much. */
  | {
      kind: 'tied-moved'
      peg: 'unsure' | 'nothing'
      machine: string
      tie: Tie
      most: Record<Plane, { foot: string; move: number }>
      agreed: { by: string; at: string } | undefined
    }
  | { kind: 'coarse-pack'; peg: 'unsure'; foot: string; residual: number }
  | { kind: 'no-growth'; peg: 'nothing' }
  | { kind: 'packs-unknown'; peg: 'nothing'; machines: string[] }
  | { kind: 'no-stock'; peg: 'nothing'; machines: string[] }
  | {
      kind: 'left'
      peg: VerdictState
      coupling: string
      lines: Record<Plane, PlaneLine | null>
      verdict: Verdict
      /** The plan cannot be carried out whole: this is what can be done. */
      partly: boolean
      doubted: boolean
    }
  | { kind: 'order'; peg: 'nothing'; advice: OrderAdvice }

/** More than this is rough alignment, not a shim: jacks and wedges first, then read again. mm. */
const overlarge = 2

/** What is said of a plan, most urgent first. */
export function planFindings(
  solved: JobSolution,
  plan: JobPlan | undefined,
  line: Pick<Line, 'machines'>,
): PlanFinding[] {
  if (!plan) return []
  const moved = plan.stations.filter(({ vertical }) => Math.abs(vertical ?? 0) > solved.resolution / 2)
  const machines = (list: readonly { machine: string }[]) => [...new Set(list.map(({ machine }) => machine))]
  const unknown = moved.filter(({ feet }) => feet.some(({ present }) => present === undefined))
  const unstocked = moved.filter(({ feet }) => feet.every(({ present, change }) => present && !change))
  return [
    ...(plan.unplaced.length > 0 ? [{ kind: 'unplaced', peg: 'outside', feet: plan.unplaced } as const] : []),
    ...solved.solution.couplings.flatMap(({ id, result, doubts }): PlanFinding[] =>
      result.ok && movesDoubted(solved, id) ? [{ kind: 'not-sure', peg: 'unsure', coupling: id, doubts }] : [],
    ),
    ...planes.flatMap((plane) =>
      plan.solution.unreached[plane].map(
        (foot): PlanFinding => ({
          kind: 'held-unreached',
          peg: 'outside',
          foot,
          plane,
        }),
      ),
    ),
    ...plan.blocking.map(
      (blocked): PlanFinding => ({
        kind: 'in-the-way',
        peg: 'outside',
        blocked,
        together: plan.together[blocked.plane],
        stays: plan.stays,
      }),
    ),
    ...plan.stations.flatMap((station) =>
      (['vertical', 'horizontal'] as const).flatMap((plane): PlanFinding[] => {
        const move = station[plane] ?? 0
        return Math.abs(move) > overlarge ? [{ kind: 'overlarge', peg: 'unsure', foot: station.foot, plane, move }] : []
      }),
    ),
    ...tiedMoved(solved, plan, line),
    ...plan.stations.flatMap(({ foot, feet }): PlanFinding[] => {
      const worst =
        feet.map(({ change }) => change?.pack.residual ?? 0).sort((a, b) => Math.abs(b) - Math.abs(a))[0] ?? 0
      return plan.feasible && Math.abs(worst) > 2 * solved.resolution + 1e-9
        ? [{ kind: 'coarse-pack', peg: 'unsure', foot, residual: worst }]
        : []
    }),
    ...plan.left.flatMap(({ coupling, lines, verdict }): PlanFinding[] =>
      verdict
        ? [
            {
              kind: 'left',
              peg: verdict.state,
              coupling,
              lines,
              verdict,
              partly: !plan.feasible,
              doubted: doubted(solved, coupling),
            },
          ]
        : [],
    ),
    ...(growthKnown(solved.train) ? [] : [{ kind: 'no-growth', peg: 'nothing' } as const]),
    ...(unknown.length ? [{ kind: 'packs-unknown', peg: 'nothing', machines: machines(unknown) } as const] : []),
    ...(unstocked.length ? [{ kind: 'no-stock', peg: 'nothing', machines: machines(unstocked) } as const] : []),
    ...(plan.stations.some(({ horizontal }) => horizontal !== null)
      ? [{ kind: 'order', peg: 'nothing', advice: orderAdvice(solved) } as const]
      : []),
  ]
}

/**
 * Machines that had better stay and are moved all the same, each with its largest move in either plane. What was agreed to
 * holds as long as the plan asks for no more.
 */
function tiedMoved({ round, resolution }: JobSolution, plan: JobPlan, line: Pick<Line, 'machines'>): PlanFinding[] {
  return line.machines.flatMap(({ id, kind }): PlanFinding[] => {
    const tie = tieOf(kind)
    const own = plan.stations.filter(({ machine }) => machine === id)
    const most = mostMoved(own)
    const { vertical, horizontal } = most
    if (!tie || Math.max(Math.abs(vertical.move), Math.abs(horizontal.move)) <= resolution / 2) return []
    const said = round.plan?.agreed?.[id]
    const enough = (plane: Plane) => said !== undefined && Math.abs(most[plane].move) <= said[plane] + resolution / 2
    const agreed = said && enough('vertical') && enough('horizontal') ? { by: said.by, at: said.at } : undefined
    return [{ kind: 'tied-moved', peg: agreed ? 'nothing' : 'unsure', machine: id, tie, most, agreed }]
  })
}

/** Where each plane's largest move is among stations, and how large, mm. */
function mostMoved(stations: JobPlan['stations']): Record<Plane, { foot: string; move: number }> {
  const most = (plane: Plane) =>
    stations
      .map((station) => ({ foot: station.foot, move: station[plane] ?? 0 }))
      .sort((a, b) => Math.abs(b.move) - Math.abs(a.move))[0] ?? { foot: '', move: 0 }
  return { vertical: most('vertical'), horizontal: most('horizontal') }
}

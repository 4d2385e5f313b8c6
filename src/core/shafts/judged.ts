import type { Plane, PlaneLine } from '../quantity/axis'
import { straight } from '../quantity/axis'
import { type Joint, type Limits, type Verdict, verdictOf } from '../verdict/verdict'
import { type CouplingFit, type CouplingResult, fitCoupling } from './coupling'
import { type Doubt, doubtsOf, inDoubt } from './doubt'
import { tapeCovariance } from './tape'
import { only, purposeOf, type ReadingSet, togetherOf } from './together'

/** What a coupling is judged by. */
export interface Judge {
  limits: Limits | undefined
  growth?: Record<Plane, PlaneLine>
  tape?: number
}

/** A set read with the coupling closed or running, solved and judged by itself. */
export interface CoupledCheck {
  /** Index into the coupling's sets. */
  set: number
  purpose: 'closed' | 'running'
  result: CouplingResult
  doubts: readonly Doubt[]
  verdict?: Verdict
}

export interface CouplingSolution {
  id: string
  /** What the readings say, or why they say nothing. */
  result: CouplingResult
  /** Why it is not to be trusted, whatever the numbers say; the verdict then is "can't tell". */
  doubts: readonly Doubt[]
  /** Absent where no limit is known or nothing was measured. */
  verdict?: Verdict
  /** What was read coupled up: beside the rest, never in it. */
  asCoupled: readonly CoupledCheck[]
}

/**
 * Everything read at a coupling, solved and judged: sets read released together, those read closed or running each by itself.
 *
 * @param judge.limits what is allowed; no verdict without
 * @param judge.growth how the right shaft grows against the left one from cold to running
 * @param judge.tape standard deviation of a taped station, mm; 0 tells the readings' own doubt alone
 */
export function solveCoupling(
  coupling: Joint & { id: string; sets: readonly ReadingSet[] },
  { limits, growth: cold = noGrowth, tape = 0 }: Judge,
): CouplingSolution {
  const { id, sets, x } = coupling
  const { together, apart, engaged } = togetherOf(sets)
  const judge = (fit: CouplingFit, growth: Record<Plane, PlaneLine>, doubts: readonly Doubt[]) =>
    limits ? { verdict: inDoubt(verdictOf(fit, coupling, limits, growth), doubts) } : {}
  const solve = (kept: readonly number[]) => {
    const own = only(sets, kept)
    const result = withTape(fitCoupling(own, x), tape)
    return { result, doubts: result.ok ? doubtsOf(result.fit, own) : [] }
  }
  const asCoupled = apart.map((set): CoupledCheck => {
    const read = sets[set]
    const purpose = read && purposeOf(read) === 'running' ? 'running' : 'closed'
    const { result, doubts } = solve([set])
    // what was read running has grown already
    const verdict = result.ok ? judge(result.fit, purpose === 'running' ? noGrowth : cold, doubts) : {}
    return { set, purpose, result, doubts, ...verdict }
  })
  const solved = solve(together)
  const doubts: readonly Doubt[] = [...solved.doubts, ...(engaged ? (['engaged'] as const) : [])]
  if (solved.result.ok) return { id, ...solved, doubts, ...judge(solved.result.fit, cold, doubts), asCoupled }
  const looked = together.length === 0 ? asCoupled.find(({ verdict }) => verdict)?.verdict : undefined
  if (together.length > 0 || asCoupled.length === 0) return { id, ...solved, asCoupled }
  return {
    id,
    result: { ok: false, lack: 'connected-only' },
    doubts: ['engaged'],
    ...(looked ? { verdict: { ...inDoubt(looked, ['engaged']), byPlane: {} } } : {}),
    asCoupled,
  }
}

const noGrowth: Record<Plane, PlaneLine> = { vertical: straight, horizontal: straight }

/** The same result with what the tape adds to its covariance. */
function withTape(result: CouplingResult, sd: number): CouplingResult {
  if (!result.ok || sd === 0) return result
  const more = tapeCovariance(result.fit, sd)
  const covariance = result.fit.covariance.map((line, i) => line.map((value, j) => value + (more[i]?.[j] ?? 0)))
  return { ok: true, fit: { ...result.fit, covariance } }
}

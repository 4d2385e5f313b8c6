import { contradicts } from '../fit/chiSquare'
import type { Suspect } from '../fit/suspects'
import type { Plane } from '../frame/axis'
import { planes } from '../frame/axis'
import { positiveMm } from '../frame/quantity'
import type { DimensionDoubt } from '../job/doubts'
import type { ReadSet } from '../job/schema'
import type { JobSolution, ProbeState } from '../job/solve'
import type { DimensionFault } from '../job/stations'
import { sdMm } from '../job/train'
import { planeOf } from '../moves/positions'
import type { CouplingSolution, FootSolution } from '../moves/solve'
import type { Verdict } from '../verdict/verdict'
import { contradictions, floated, opens, roughSweeps, setUpFaults, surer } from './readFindings'

/** State of anything that is judged: a round peg fits, a square one does not. */
export type Peg = 'within' | 'unsure' | 'outside' | 'nothing'

export type Step = 'read' | 'move'

/** One thing worth saying about a job, as data; `src/words` makes the sentence. Lengths in mm, slopes in rad. */
export type Finding =
  | { kind: 'dimension-fault'; peg: 'outside'; fault: DimensionFault }
  | { kind: 'dimension-doubt'; peg: 'outside'; doubt: DimensionDoubt }
  | { kind: 'not-a-number'; peg: 'outside'; dial: ProbeState; angleId: string; message: string }
  | { kind: 'not-closed'; peg: 'outside'; dial: ProbeState; closure: number; suspects: readonly Suspect[] }
  | { kind: 'not-returned'; peg: 'outside'; dial: ProbeState; by: number }
  | { kind: 'closed'; peg: 'within'; dial: ProbeState; closure: number }
  | { kind: 'not-fitting'; peg: 'outside'; coupling: string; squares: number; free: number; suspects: SuspectedProbe[] }
  | {
      kind: 'sets-disagree'
      peg: 'outside'
      coupling: string
      by: number
      explained: boolean
      set?: ReadSet
      dial?: ProbeState
    }
  | { kind: 'range'; peg: 'outside'; dial: ProbeState; used: number; travel: number }
  | { kind: 'swing'; peg: 'unsure'; dial: ProbeState; swing: number; travel: number }
  | { kind: 'no-radius'; peg: 'unsure'; dial: ProbeState }
  | { kind: 'one-shaft'; peg: 'unsure' | 'within'; dial: ProbeState; swing: number | undefined }
  | { kind: 'span-differs'; peg: 'unsure'; dial: ProbeState; here: number; taken: number }
  | { kind: 'dial-differs'; peg: 'unsure'; dial: ProbeState; here: string; taken: string }
  | { kind: 'preset-as-zero'; peg: 'unsure'; dial: ProbeState; angleId: string }
  | { kind: 'short-arc'; peg: 'unsure'; set: ReadSet; arc: number; sd: number; whole: number }
  | {
      kind: 'improve'
      peg: 'nothing'
      dial: ProbeState
      degrees: number
      again: boolean
      before: number
      after: number
    }
  | { kind: 'floated'; peg: 'within'; set: ReadSet; most: number }
  | { kind: 'rough-sweep'; peg: 'unsure'; dial: ProbeState; rough: number; sd: number }
  | { kind: 'sag-upward'; peg: 'unsure'; dial: ProbeState }
  | { kind: 'sag-missing'; peg: 'unsure'; dial: ProbeState }
  | { kind: 'engaged'; peg: 'unsure'; coupling: string; accepted: string | undefined }
  | { kind: 'unsolved'; peg: 'nothing'; coupling: string; message: string }
  | { kind: 'one-plane'; peg: 'unsure'; coupling: string; plane: Plane }
  | { kind: 'no-limits'; peg: 'nothing'; coupling: string }
  | { kind: 'verdict'; peg: 'within' | 'unsure' | 'outside'; coupling: string; verdict: Verdict; lines: VerdictLine[] }
  | { kind: 'feet'; peg: 'within' | 'unsure' | 'outside'; machine: string; feet: FootSolution[] }
  | { kind: 'next-reading'; peg: 'nothing'; dial: ProbeState; angleId: string; degrees: number }
  | { kind: 'ready-to-move'; peg: 'nothing' }
  | { kind: 'read-again'; peg: 'nothing'; dials: readonly ProbeState[] }
  | { kind: 'lock-before-loosening'; peg: 'outside' }

/** A slip, and the probe it would be on. */
export interface SuspectedProbe {
  dial: ProbeState
  suspect: Suspect
}

/** What the verdict was passed on, a plane. */
export interface VerdictLine {
  plane: Plane
  offset: number
  offsetSd: number
  slope: number
  slopeSd: number
}

/** Everything to say at a step, most urgent first. */
export function findingsFor(solved: JobSolution, step: Step): Finding[] {
  const dimensions: Finding[] = [
    ...solved.stations.faults
      .filter(
        (fault) => fault.kind !== 'missing' || solved.dials.some((dial) => dial.readings.length > 0 || dial.sweep),
      )
      .map((fault): Finding => ({ kind: 'dimension-fault', peg: 'outside', fault })),
    ...solved.doubts.map((doubt): Finding => ({ kind: 'dimension-doubt', peg: 'outside', doubt })),
  ]
  const next = step === 'read' ? nextReading(solved) : []
  const doubtful = [...solved.dials.flatMap(dialFaults), ...contradictions(solved), ...roughSweeps(solved)]
  const results = solved.solution.couplings.flatMap((_, c) => couplingFindings(solved, c))
  const feet = feetFindings(solved)
  if (step === 'move')
    return [
      { kind: 'lock-before-loosening', peg: 'outside' },
      ...dimensions,
      ...doubtful,
      ...feet,
      ...results,
      ...(feet.length > 0 ? [{ kind: 'read-again', peg: 'nothing', dials: solved.dials } as const] : []),
    ]
  return [
    ...dimensions,
    ...doubtful,
    // while cells are empty the next one comes first; once all are read, what they are worth does
    ...(next[0]?.kind === 'ready-to-move' ? [...surer(solved), ...next] : [...next, ...surer(solved)]),
    ...feet,
    ...results,
    ...solved.dials.flatMap(dialGood),
    ...floated(solved),
  ]
}

function dialFaults(dial: ProbeState): Finding[] {
  const found: Finding[] = []
  for (const { angleId, message } of dial.faults)
    found.push({ kind: 'not-a-number', peg: 'outside', dial, angleId, message })
  if (dial.closure !== null && Math.abs(dial.closure) > dial.closureLimit + 1e-9)
    found.push({ kind: 'not-closed', peg: 'outside', dial, closure: dial.closure, suspects: dial.suspects })
  if (dial.returnToZero !== undefined && Math.abs(dial.returnToZero) > returnLimit(dial) + 1e-9)
    found.push({ kind: 'not-returned', peg: 'outside', dial, by: dial.returnToZero })
  if (!dial.channel || dial.channel === 'r1') found.push(...setUpFaults(dial))
  if (dial.sag > 0) found.push({ kind: 'sag-upward', peg: 'unsure', dial })
  if (dial.sagMissing && dial.readings.length > 0) found.push({ kind: 'sag-missing', peg: 'unsure', dial })
  return found
}

/** One graduation; a probe whose noise is told may miss by what two readings' noise can come to. */
const returnLimit = ({ dial, graduation }: ProbeState): number =>
  positiveMm(dial.sd) ? Math.max(graduation, 3 * Math.SQRT2 * sdMm(dial)) : graduation

function dialGood(dial: ProbeState): Finding[] {
  if (dial.closure === null || Math.abs(dial.closure) > dial.closureLimit + 1e-9) return []
  return [{ kind: 'closed', peg: 'within', dial, closure: dial.closure }]
}

function couplingFindings(solved: JobSolution, c: number): Finding[] {
  const coupling = solved.solution.couplings[c]
  const train = solved.train.couplings[c]
  if (!coupling || !train) return []
  const { id, result, verdict } = coupling
  const anything = solved.dials.some((dial) => dial.set.coupling === id && (dial.readings.length > 0 || dial.sweep))
  if (!result.ok) return anything ? [{ kind: 'unsolved', peg: 'nothing', coupling: id, message: result.message }] : []
  const found: Finding[] = []
  const engaged = (solved.sources[c] ?? []).find(({ set, dials }) => set.state === 'engaged' && dials.length > 0)
  if (engaged) found.push({ kind: 'engaged', peg: 'unsure', coupling: id, accepted: engaged.set.engagedAccepted })
  for (const plane of planes)
    if (!result.fit.measured.includes(plane)) found.push({ kind: 'one-plane', peg: 'unsure', coupling: id, plane })
  if (!verdict) found.push({ kind: 'no-limits', peg: 'nothing', coupling: id })
  else
    found.push({
      kind: 'verdict',
      peg: doubted(solved, id) ? 'unsure' : verdict.state,
      coupling: id,
      verdict,
      lines: planes.flatMap((plane): VerdictLine[] => {
        const line = planeOf(result.fit, plane, train.x)
        if (!line) return []
        const [[oo], [, ss]] = line.covariance
        return [{ plane, ...line.line, offsetSd: Math.sqrt(oo), slopeSd: Math.sqrt(ss) }]
      }),
    })
  return found
}

/** Read with the coupling engaged, and nobody has said that moves may be planned from it. */
const boundBy = (set: ReadSet): boolean => set.state === 'engaged' && !set.engagedAccepted

/**
 * A coupling whose dials did not close, whose readings contradict each other, or that was engaged: what comes of it is
 * said, never trusted.
 */
export function doubted(solved: JobSolution, coupling: string): boolean {
  const found = solved.solution.couplings.find(({ id }) => id === coupling)
  return (
    solved.dials.some((dial) => dial.set.coupling === coupling && (opens(dial) || boundBy(dial.set))) ||
    (found?.result.ok === true && contradicts(found.result.fit.left))
  )
}

/** Whether any coupling between the fixed machine and this one is in doubt. */
export function machineDoubted(solved: JobSolution, machine: string): boolean {
  const m = solved.train.machines.findIndex(({ id }) => id === machine)
  return between(solved, m).some(({ id }) => doubted(solved, id))
}

/** The couplings between the fixed machine and another. */
function between(solved: JobSolution, machine: number): CouplingSolution[] {
  const { fixed, couplings } = solved.train
  return couplings.flatMap(({ left }, c) => {
    const found = solved.solution.couplings[c]
    return found && left >= Math.min(machine, fixed) && left < Math.max(machine, fixed) ? [found] : []
  })
}

function feetFindings(solved: JobSolution): Finding[] {
  const { train, solution, resolution } = solved
  return train.machines.flatMap(({ id }, m): Finding[] => {
    const feet = solution.feet.filter((foot) => foot.machine === id && (foot.vertical || foot.horizontal))
    if (m === train.fixed || feet.length === 0) return []
    const still = feet.every((foot) => planes.every((plane) => Math.abs(foot[plane]?.move ?? 0) < resolution / 2))
    const states = between(solved, m).map(({ verdict }) => verdict?.state ?? 'outside')
    const good = still || states.every((state) => state === 'within')
    const peg = machineDoubted(solved, id) ? 'unsure' : good ? 'within' : 'outside'
    return [{ kind: 'feet', peg, machine: id, feet }]
  })
}

/** The first empty cell of a dial that has been begun, else of the first dial; or the way to Move when all are filled. */
function nextReading(solved: JobSolution): Finding[] {
  for (const dial of solved.dials) {
    if (dial.sweep) continue
    const angle = dial.set.angles.find(
      ({ id, degrees }) => degrees < 360 && !dial.readings.some((r) => r.angleId === id),
    )
    if (angle) return [{ kind: 'next-reading', peg: 'nothing', dial, angleId: angle.id, degrees: angle.degrees }]
  }
  const { couplings } = solved.solution
  if (couplings.every(({ verdict }) => verdict?.state === 'within')) return []
  return couplings.every(({ id, result }) => result.ok && !doubted(solved, id))
    ? [{ kind: 'ready-to-move', peg: 'nothing' }]
    : []
}

import type { CouplingFit } from '../fit/coupling'
import type { Suspect } from '../fit/suspects'
import type { Plane } from '../frame/axis'
import { planes } from '../frame/axis'
import { positiveMm } from '../frame/quantity'
import type { DimensionDoubt } from '../job/doubts'
import type { ReadSet } from '../job/schema'
import type { JobSolution, ProbeState } from '../job/solve'
import type { DimensionFault } from '../job/stations'
import { isCoupled, sdMm } from '../job/train'
import type { Doubt } from '../moves/doubt'
import { type LimitMissing, limitsMissing } from '../moves/limits'
import { planeOf } from '../moves/positions'
import type { CouplingSolution, FootSolution } from '../moves/solve'
import type { Verdict } from '../verdict/verdict'
import { type OutOfProportion, outOfProportion } from './proportion'
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
  | { kind: 'out-of-proportion'; peg: 'unsure'; dial: ProbeState; odd: OutOfProportion }
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
  /** Only read coupled up: nothing is planned from it until somebody says so. */
  | { kind: 'engaged'; peg: 'unsure'; coupling: string; accepted: string | undefined }
  | {
      kind: 'as-coupled'
      peg: Peg
      coupling: string
      set: ReadSet
      purpose: 'closed' | 'running'
      verdict: Verdict | undefined
      lines: VerdictLine[]
      doubts: readonly Doubt[]
    }
  | { kind: 'unsolved'; peg: 'nothing'; coupling: string; message: string }
  | { kind: 'one-plane'; peg: 'unsure'; coupling: string; plane: Plane }
  | { kind: 'no-limits'; peg: 'nothing'; coupling: string; missing: readonly LimitMissing[] }
  | {
      kind: 'verdict'
      peg: 'within' | 'unsure' | 'outside'
      coupling: string
      verdict: Verdict
      lines: VerdictLine[]
      doubts: readonly Doubt[]
    }
  | { kind: 'feet'; peg: 'within' | 'unsure' | 'outside'; machine: string; feet: FootSolution[] }
  | { kind: 'next-reading'; peg: 'nothing'; dial: ProbeState; angleId: string; degrees: number }
  | { kind: 'ready-to-move'; peg: 'nothing' }
  | { kind: 'no-move'; peg: 'within' }
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
  const fits = allWithin(solved) ? [{ kind: 'no-move', peg: 'within' } as const] : []
  if (step === 'move')
    return [
      ...fits,
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
    ...(next[0]?.kind === 'ready-to-move' || next[0]?.kind === 'no-move'
      ? [...surer(solved), ...next]
      : [...next, ...surer(solved)]),
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
  // a floating shaft comes back elsewhere along its axis: that is its float, not a slip
  if (!dial.dial.floats && dial.returnToZero !== undefined && Math.abs(dial.returnToZero) > returnLimit(dial) + 1e-9)
    found.push({ kind: 'not-returned', peg: 'outside', dial, by: dial.returnToZero })
  if (!dial.channel || dial.channel === 'r1') found.push(...setUpFaults(dial))
  if (!dial.channel || dial.channel === 'r1')
    for (const odd of outOfProportion(dial)) found.push({ kind: 'out-of-proportion', peg: 'unsure', dial, odd })
  if (dial.sag > 0 && dial.dial.type !== 'bore') found.push({ kind: 'sag-upward', peg: 'unsure', dial })
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
  const { id, result, verdict, doubts } = coupling
  const engaged = doubts.includes('engaged')
  const coupled = asCoupledFindings(solved, c)
  const anything = solved.dials.some((dial) => dial.set.coupling === id && (dial.readings.length > 0 || dial.sweep))
  const found: Finding[] = []
  if (engaged) found.push({ kind: 'engaged', peg: 'unsure', coupling: id, accepted: acceptedBy(solved, c) })
  if (!result.ok) {
    if (!engaged && anything) found.push({ kind: 'unsolved', peg: 'nothing', coupling: id, message: result.message })
    return [...found, ...coupled]
  }
  for (const plane of planes)
    if (!result.fit.measured.includes(plane)) found.push({ kind: 'one-plane', peg: 'unsure', coupling: id, plane })
  if (!verdict)
    found.push({ kind: 'no-limits', peg: 'nothing', coupling: id, missing: limitsMissing(solved.train, train) })
  else
    found.push({
      kind: 'verdict',
      peg: verdict.state,
      coupling: id,
      verdict,
      lines: linesOf(result.fit, train.x),
      doubts,
    })
  return [...found, ...coupled]
}

/** Sets read with the coupling closed or running: each its own line, beside what was read released. */
function asCoupledFindings(solved: JobSolution, c: number): Finding[] {
  const { id = '', asCoupled = [] } = solved.solution.couplings[c] ?? {}
  return asCoupled.flatMap(({ set: at, purpose, result, verdict, doubts }): Finding[] => {
    const set = solved.sources[c]?.[at]?.set
    if (!set) return []
    const lines = result.ok ? linesOf(result.fit, solved.train.couplings[c]?.x ?? 0) : []
    return [
      { kind: 'as-coupled', peg: verdict?.state ?? 'nothing', coupling: id, set, purpose, verdict, lines, doubts },
    ]
  })
}

function linesOf(fit: CouplingFit, x: number): VerdictLine[] {
  return planes.flatMap((plane): VerdictLine[] => {
    const line = planeOf(fit, plane, x)
    if (!line) return []
    const [[oo], [, ss]] = line.covariance
    return [{ plane, ...line.line, offsetSd: Math.sqrt(oo), slopeSd: Math.sqrt(ss) }]
  })
}

const acceptedBy = (solved: JobSolution, c: number): string | undefined =>
  solved.sources[c]?.find(({ set, dials }) => isCoupled(set) && set.engagedAccepted && dials.length > 0)?.set
    .engagedAccepted

/** A dial of a set that is to plan a move and does not close. */
const leavesOpen = (dial: ProbeState): boolean => opens(dial) && !isCoupled(dial.set)

/**
 * A coupling whose dials do not close, whose readings contradict each other, or that was only read coupled up: its verdict is
 * "can't tell", whatever the numbers say.
 */
export function doubted(solved: JobSolution, coupling: string): boolean {
  const found = solved.solution.couplings.find(({ id }) => id === coupling)
  return (
    (found?.doubts.length ?? 0) > 0 || solved.dials.some((dial) => dial.set.coupling === coupling && leavesOpen(dial))
  )
}

/** Whether moves that hang on a coupling are in doubt: as its verdict, but for what somebody has confirmed on record. */
export function movesDoubted(solved: JobSolution, coupling: string): boolean {
  const found = solved.solution.couplings.find(({ id }) => id === coupling)
  const confirmed = found?.result.ok === true && found.doubts.every((doubt) => doubt === 'engaged')
  const open = solved.dials.some((dial) => dial.set.coupling === coupling && leavesOpen(dial))
  return open || (doubted(solved, coupling) && !confirmed)
}

/** Whether every coupling is within, and none in doubt: then nothing is to be moved. */
export const allWithin = (solved: JobSolution): boolean =>
  solved.solution.couplings.length > 0 &&
  solved.solution.couplings.every(({ id, verdict }) => verdict?.state === 'within' && !doubted(solved, id))

/** Whether any coupling between the fixed machine and this one is in doubt. */
export function machineDoubted(solved: JobSolution, machine: string): boolean {
  const m = solved.train.machines.findIndex(({ id }) => id === machine)
  return between(solved, m).some(({ id }) => movesDoubted(solved, id))
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
  if (allWithin(solved)) return [{ kind: 'no-move', peg: 'within' }]
  return couplings.every(({ id, result }) => result.ok && !movesDoubted(solved, id))
    ? [{ kind: 'ready-to-move', peg: 'nothing' }]
    : []
}

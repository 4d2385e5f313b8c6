import { goesRound, probeKinds } from '../../../probes'
import { seenOf } from '../../../prove/used'
import { type Plane, type PlaneLine, planes, straight } from '../../../quantity/axis'
import { positiveMm } from '../../../quantity/quantity'
import type { CouplingFit } from '../../../shafts/coupling'
import { planeOf } from '../../../shafts/plane'
import { sagShowsAt } from '../../../shafts/reads'
import type { ProbeState } from '../../../shafts/state'
import { isCoupled, plusMissing, sdMm } from '../../../shafts/typed'
import { limitsMissing } from '../../../verdict/limits'
import type { JobSolution } from '../solve/round'
import { growthAcross } from '../solve/solve'
import { allWithin, between, machineDoubted, movesDoubted } from './doubt'
import type { Finding, Step, VerdictLine } from './finding'
import { outOfProportion } from './proportion'
import { contradictions, findingsOnUncertainty, floated, roughSweeps, setUpFaults } from './readFindings'

/** Everything to say at a step, most urgent first. */
export function findingsFor(solved: JobSolution, step: Step): Finding[] {
  // where the machine that stays has its feet is asked for by the plans that need it
  const stays = solved.fixedFeet
  const dimensions: Finding[] = [
    ...solved.stations.faults
      .filter(
        (fault) =>
          fault.kind !== 'missing' ||
          (!stays.includes(fault.of) && solved.dials.some((dial) => dial.readings.length > 0 || dial.sweep)),
      )
      .map((fault): Finding => ({ kind: 'dimension-fault', peg: 'outside', fault })),
    ...solved.doubts.map((doubt): Finding => ({ kind: 'dimension-doubt', peg: 'outside', doubt })),
  ]
  const next = step === 'read' ? nextReading(solved) : []
  const doubtful = [...solved.dials.flatMap(dialFaults), ...contradictions(solved), ...roughSweeps(solved)]
  const results = solved.solution.couplings.flatMap((_, c) => couplingFindings(solved, c))
  const feet = feetFindings(solved)
  const fits = allWithin(solved) ? [{ kind: 'no-move', peg: 'within' } as const] : []
  // nothing is to be moved, so nothing of moving is said
  if (step === 'move' && fits.length > 0) return [...fits, ...dimensions, ...doubtful, ...results]
  if (step === 'move')
    return [
      { kind: 'lock-before-loosening', peg: 'outside' },
      ...dimensions,
      ...doubtful,
      ...feet,
      ...results,
      ...readAgain(feet, solved),
    ]
  return [
    ...dimensions,
    ...doubtful,
    // while cells are empty the next one comes first; once all are read, what they are worth does
    ...(next[0]?.kind === 'ready-to-move' || next[0]?.kind === 'no-move'
      ? [...findingsOnUncertainty(solved), ...next]
      : [...next, ...findingsOnUncertainty(solved)]),
    ...feet,
    ...results,
    ...solved.dials.flatMap(dialGood),
    ...floated(solved),
  ]
}

/** What the dials read once all is in line; of a bracket whose sag nobody gave nobody can say. */
function readAgain(feet: readonly Finding[], { dials }: JobSolution): Finding[] {
  const known = dials.filter((dial) => goesRound(dial.dial) && !dial.sagMissing && sagShowsAt(dial) !== undefined)
  return feet.length > 0 && known.length > 0 ? [{ kind: 'read-again', peg: 'nothing', dials: known }] : []
}

function dialFaults(dial: ProbeState): Finding[] {
  const found: Finding[] = []
  for (const { angleId, trouble } of dial.faults)
    found.push({ kind: 'not-a-number', peg: 'outside', dial, angleId, trouble })
  // a floating shaft comes back elsewhere along its axis: that is its float, not a slip
  if (!dial.dial.floats && dial.returnToZero !== undefined && Math.abs(dial.returnToZero) > returnLimit(dial) + 1e-9)
    found.push({ kind: 'not-returned', peg: 'outside', dial, by: dial.returnToZero })
  if (dial.closure !== null && Math.abs(dial.closure) > dial.closureLimit + 1e-9) {
    if (zeroedTwice(dial)) found.push({ kind: 'zeroed-twice', peg: 'unsure', dial })
    found.push({ kind: 'not-closed', peg: 'outside', dial, closure: dial.closure, suspects: dial.suspects })
  }
  const first = !dial.channel || dial.channel === 'r1' || dial.channel === 'offset'
  if (first) found.push(...setUpFaults(dial))
  if (first)
    for (const odd of outOfProportion(dial)) found.push({ kind: 'out-of-proportion', peg: 'unsure', dial, odd })
  if (dial.sag > 0 && probeKinds[dial.dial.type].sag === 'negative')
    found.push({ kind: 'sag-upward', peg: 'unsure', dial })
  if (dial.sagMissing && dial.readings.length > 0) found.push({ kind: 'sag-missing', peg: 'unsure', dial })
  return found
}

/** Nought on top and nought at a side, and nothing closes: most who plot read height from one zero and sideways from another. */
const zeroedTwice = ({ readings, set }: ProbeState): boolean => {
  const nought = (...quarters: readonly number[]) =>
    readings.some(({ angle, shown }) => quarters.includes(angle) && shown === 0)
  const even = set.angles.every(({ degrees }) => degrees % 90 === 0)
  return (set.zeroed ?? 'any') === 'any' && even && nought(0) && nought(90, 270)
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
    if (!engaged && anything) found.push({ kind: 'unsolved', peg: 'nothing', coupling: id, lack: result.lack })
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
      ...seenOf(result.fit, train, growthAcross(solved.train, train)),
    })
  return [...found, ...coupled]
}

/** Sets read with the coupling closed or running: each its own line, beside what was read released. */
function asCoupledFindings(solved: JobSolution, c: number): Finding[] {
  const { id = '', asCoupled = [] } = solved.solution.couplings[c] ?? {}
  return asCoupled.flatMap(({ set: at, purpose, result, verdict, doubts }): Finding[] => {
    const set = solved.sources[c]?.[at]?.set
    if (!set) return []
    const joint = solved.train.couplings[c]
    const lines = result.ok ? linesOf(result.fit, joint?.x ?? 0) : []
    return [
      {
        kind: 'as-coupled',
        peg: verdict?.state ?? 'nothing',
        coupling: id,
        set,
        purpose,
        verdict,
        lines,
        doubts,
        seen:
          result.ok && joint
            ? seenOf(result.fit, joint, purpose === 'running' ? noGrowth : growthAcross(solved.train, joint))
            : undefined,
      },
    ]
  })
}

/** What was read running has grown already. */
const noGrowth: Record<Plane, PlaneLine> = { vertical: straight, horizontal: straight }

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
    if (plusMissing(dial.dial)) return [{ kind: 'no-plus', peg: 'outside', dial }]
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

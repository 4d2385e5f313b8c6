import { probeKinds } from '../../../probes'
import type { Misalignment } from '../../../probes/probe'
import { quantityMm } from '../../../quantity/quantity'
import type { ProbeFit } from '../../../shafts/coupling'
import { type Disagreement, disagreementOf } from '../../../shafts/repeats'
import type { ProbeSetUp, ReadSet } from '../../../shafts/schema'
import { type ProbeState, probeState } from '../../../shafts/state'
import { type Suspect, suspectsOf } from '../../../shafts/suspects'
import { only, togetherOf } from '../../../shafts/together'
import { channelsOf, graduationMm, resolutionOf } from '../../../shafts/typed'
import { gradeOf } from '../../../verdict/typed'
import { type DimensionDoubt, doubtDimensions } from '../document/doubts'
import type { Job, Round } from '../document/schema'
import type { Stations } from '../document/stations'
import { type JobTrain, toTrain } from '../document/typed'
import type { Train } from './model'
import { type Solution, solveTrain } from './solve'

/** Standard deviation of a taped dimension, mm: ±2 mm is meant as two of them. */
export const tapeSd = 1

export interface JobSolution {
  round: Round
  train: Train
  stations: Stations
  doubts: DimensionDoubt[]
  solution: Solution
  dials: ProbeState[]
  /** By coupling: slips that would explain a contradiction between readings that all close. */
  suspects: ReadonlyMap<string, readonly Suspect[]>
  /** By coupling: sets that do not tell the same. */
  disagreements: ReadonlyMap<string, Disagreement>
  sources: JobTrain['sources']
  /** No move is told finer than this, mm. */
  resolution: number
  /** Stations of the machine that stays: a plan that leaves it alone needs none of them. */
  fixedFeet: readonly string[]
}

/** The last solution of each round: the screen, the proof and the lists ask for the same one. */
const kept = new WeakMap<Round, { line: Job['line']; solved: JobSolution }>()

/** Solves one round of a job. Pure; made for every keystroke. */
export function solveRound(job: Pick<Job, 'line'>, round: Round): JobSolution {
  const known = kept.get(round)
  if (known?.line === job.line) return known.solved
  const solved = solve(job, round)
  kept.set(round, { line: job.line, solved })
  return solved
}

function solve(job: Pick<Job, 'line'>, round: Round): JobSolution {
  const { train, stations, sources } = toTrain(job.line, round)
  const solution = solveTrain(train, { mode: 'fixed' }, gradeOf(job.line), tapeSd)
  const fits = new Map<string, { fit: ProbeFit; misalignment: Misalignment }>()
  const suspects = new Map<string, readonly Suspect[]>()
  const disagreements = new Map<string, Disagreement>()
  solution.couplings.forEach(({ id, result, asCoupled }, c) => {
    const coupling = train.couplings[c]
    if (!coupling) return
    const probeAt = (set: number, probe: number) => sources[c]?.[set]?.dials[probe]
    const facts = (set: number, at: number) => {
      const probe = probeAt(set, at)
      const turn = quantityMm(probe?.turn)
      return { limit: 2 * (probe ? graduationMm(probe) : 0.01), turn: turn && turn > 0 ? turn : undefined }
    }
    const { together } = togetherOf(coupling.sets)
    const slips = [
      { kept: together, result },
      ...asCoupled.map((check) => ({ kept: [check.set], result: check.result })),
    ]
    suspects.set(
      id,
      slips.flatMap(({ kept, result: of }) => {
        if (of.ok)
          for (const fit of of.fit.probes) {
            const probe = probeAt(fit.set, fit.probe)
            if (probe && kept.includes(fit.set)) fits.set(probe.id, { fit, misalignment: of.fit.misalignment })
          }
        return suspectsOf(only(coupling.sets, kept), facts, of.ok ? of.fit : undefined)
      }),
    )
    const beside = [train.machines[coupling.left], train.machines[coupling.left + 1]]
    const feet = beside.flatMap((machine) => machine?.feet.map(({ x }) => x) ?? [])
    const disagree = disagreementOf(only(coupling.sets, together), coupling.x, feet)
    if (disagree) disagreements.set(id, disagree)
  })
  const ofProbe = (probe: ProbeSetUp): Suspect[] =>
    sources.flatMap((sets, c) => {
      const found = suspects.get(train.couplings[c]?.id ?? '') ?? []
      return found.filter((suspect) => sets[suspect.set]?.dials[suspect.probe]?.id === probe.id)
    })
  const dials = round.sets.flatMap((set) =>
    set.probes.flatMap((dial) =>
      channelsOf(dial).map((channel) => ({
        ...probeState(set, dial, channel, fits.get(dial.id), ofProbe(dial)),
        setNumber: setNumber(round, set),
      })),
    ),
  )
  return {
    round,
    train,
    stations,
    solution,
    dials,
    suspects,
    disagreements,
    sources,
    doubts: doubtDimensions(
      job.line,
      stations,
      round.sets.flatMap((set) => set.probes).filter(({ type }) => probeKinds[type].stations > 0),
    ),
    resolution: resolutionOf(round),
    fixedFeet: job.line.machines.find(({ id }) => id === job.line.fixed)?.feet.map(({ id }) => id) ?? [],
  }
}

function setNumber(round: Round, set: ReadSet): number | undefined {
  const alike = round.sets.filter(({ coupling }) => coupling === set.coupling)
  return alike.length > 1 ? alike.indexOf(set) + 1 : undefined
}

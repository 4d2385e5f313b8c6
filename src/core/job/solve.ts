import { closure, returnToZero } from '../fit/closure'
import { type Suspect, suspects } from '../fit/suspects'
import { direction } from '../frame/angles'
import { quantityFault, quantityMm, typedStep } from '../frame/quantity'
import { type Solution, solveTrain } from '../moves/solve'
import type { Train } from '../moves/train'
import { sagAt } from '../probes/probe'
import { type DimensionDoubt, doubtDimensions } from './doubts'
import type { DialSetUp, Job, ReadSet, Round } from './schema'
import type { Stations } from './stations'
import { gradeOf, graduationMm, readingsOf, resolutionOf, toTrain } from './train'

/** Everything known of one dial of a round, for its strip and its sentences. Lengths in mm. */
export interface DialState {
  set: ReadSet
  dial: DialSetUp
  readings: {
    angleId: string
    angle: number
    raw: number
    /** raw − sag at that angle. */
    corrected: number
    /** corrected − fitted; undefined until the coupling can be solved. */
    residual: number | undefined
  }[]
  /** Cells with something typed that is no number. */
  faults: { angleId: string; message: string }[]
  sag: number
  sagMissing: boolean
  graduation: number
  /** The finest step this dial was read in: its graduation, or less where a person read between the lines. */
  step: number
  closure: number | null
  /** Two graduations. */
  closureLimit: number
  returnToZero: number | undefined
  suspects: Suspect[]
  /** The corrected wave at an angle (degrees), as fitted; undefined until the coupling can be solved. */
  fitted: ((degrees: number) => number) | undefined
  /** What this dial reads at an angle when the shafts are aligned, set as it was set at the top. */
  whenAligned: (degrees: number) => number
}

export interface JobSolution {
  round: Round
  train: Train
  stations: Stations
  doubts: DimensionDoubt[]
  solution: Solution
  dials: DialState[]
  /** No move is told finer than this, mm. */
  resolution: number
}

/** Solves one round of a job. Pure; made for every keystroke. */
export function solveRound(job: Job, round: Round): JobSolution {
  const { train, stations, sources } = toTrain(job.line, round)
  const solution = solveTrain(train, { mode: 'fixed' }, gradeOf(job.line))
  const residuals = new Map<string, ArrayLike<number>>()
  const waves = new Map<string, (degrees: number) => number>()
  solution.couplings.forEach(({ result }, c) => {
    if (!result.ok) return
    for (const fitted of result.fit.probes) {
      const dial = sources[c]?.[fitted.set]?.dials[fitted.probe]
      if (!dial) continue
      residuals.set(dial.id, fitted.residuals)
      waves.set(dial.id, waveOf(train, c, dial, stations, fitted.zeros[0] ?? 0, result.fit.misalignment))
    }
  })
  const dials = round.sets.flatMap((set) =>
    set.probes.map((dial) => dialState(set, dial, residuals.get(dial.id), waves.get(dial.id))),
  )
  return {
    round,
    train,
    stations,
    solution,
    dials,
    doubts: doubtDimensions(
      job.line,
      stations,
      round.sets.flatMap((set) => set.probes),
    ),
    resolution: resolutionOf(round),
  }
}

function waveOf(
  train: Train,
  coupling: number,
  dial: DialSetUp,
  stations: Stations,
  zero: number,
  m: { offsetY: number; slopeY: number; offsetZ: number; slopeZ: number },
): (degrees: number) => number {
  const distance = (stations.x.get(dial.id) ?? 0) - (train.couplings[coupling]?.x ?? 0)
  const gain = train.machines[coupling]?.id === dial.on ? -1 : 1
  const y = gain * (m.offsetY + m.slopeY * distance)
  const z = gain * (m.offsetZ + m.slopeZ * distance)
  return (degrees) => {
    const [ey, ez] = direction(degrees)
    return zero + y * ey + z * ez
  }
}

function dialState(
  set: ReadSet,
  dial: DialSetUp,
  residuals: ArrayLike<number> | undefined,
  fitted: ((degrees: number) => number) | undefined,
): DialState {
  const read = readingsOf(set, dial)
  const sag = quantityMm(dial.sag) ?? 0
  const graduation = graduationMm(dial)
  const closureLimit = 2 * graduation
  const turn = quantityMm(dial.turn)
  const atTop = read.find(({ angle }) => angle % 360 === 0)?.value ?? 0
  return {
    set,
    dial,
    readings: read.map(({ angleId, angle, value }, i) => ({
      angleId,
      angle,
      raw: value,
      corrected: value - sagAt(sag, angle),
      residual: residuals?.[i],
    })),
    faults: set.angles.flatMap(({ id }) => {
      const message = quantityFault(dial.readings[id]?.value)
      return message ? [{ angleId: id, message }] : []
    }),
    sag,
    sagMissing: quantityMm(dial.sag) === undefined,
    graduation,
    step: Math.min(graduation, ...Object.values(dial.readings).map(({ value }) => typedStep(value) ?? graduation)),
    closure: closure(read),
    closureLimit,
    returnToZero: returnToZero(read),
    suspects: suspects(read, closureLimit, turn && turn > 0 ? turn : undefined),
    fitted,
    whenAligned: (degrees) => atTop + sagAt(sag, degrees),
  }
}

import { provedOf } from '../job/proved'
import { type AnyJob, type KindName, kindOf } from '../kinds'
import type { Misalignment } from '../probes/probe'
import type { ProofRound } from '../prove/proof'
import { type Plane, type PlaneLine, planes } from '../quantity/axis'
import { seatPeg, solveSeat } from '../seat/state'
import type { VerdictState } from '../verdict/state'
import type { Joint, Limits } from '../verdict/verdict'

/** One visit to a line, as its logbook keeps it: plain data, so that it can be sent. Lengths in mm, slopes in rad. */
export interface Visit {
  job: string
  number: number
  title: string
  /** Reason for the job. */
  occasion: string
  signed: boolean
  by: string
  minutes: number
  rounds: number
  methods: readonly string[]
  /** The verdict of the job. */
  state: VerdictState
  found: VisitSide
  left: VisitSide
  /** How often it was moved and read again, from as found to as left: nought where as left is as found. */
  moves: number
  /** What as left was read says by itself, whatever else of the job is open. */
  within: boolean
  /** What each coupling is judged by. */
  joints: readonly JudgedJoint[]
  /** How its feet sat: the state, and the largest rise found and left, mm. */
  feet: { state: VerdictState; found: number | null; left: number | null }
  /** The machine that positions are told from. */
  reference: string
  flags: readonly VisitFlag[]
}

/** As found, or as left. */
export interface VisitSide {
  /** ISO date and time. */
  at: string
  places: readonly VisitPlace[]
  joints: readonly { id: string; misalignment: Misalignment; covariance: readonly (readonly number[])[] }[]
}

export interface VisitPlace {
  place: string
  machine: string
  x: number
  plane: Plane
  position: number
  sd: number
}

export interface JudgedJoint {
  id: string
  joint: Joint
  limits: Limits | undefined
  growth: Record<Plane, PlaneLine>
}

/** Why a visit does not compare with the others until somebody says that it does. */
export type VisitFlag = 'other-reference' | 'connected' | 'doubtful'

/** What is known of a job beside its document. */
export interface VisitJob {
  id: string
  number: number
  signed: boolean
}

/** A visit as it is stored with its job, which knows the rest. */
export type KeptVisit = Omit<Visit, 'job' | 'number' | 'signed'>

/** A job as a visit; undefined where no round of it is complete. */
export function visitOf<K extends KindName>(job: AnyJob<K>, { id, number, signed }: VisitJob): Visit | undefined {
  const kept = visitKept(job)
  return kept && { job: id, number, signed, ...kept }
}

/** What a job keeps of itself as a visit; undefined where no round of it is complete. */
export function visitKept<K extends KindName>(job: AnyJob<K>): KeptVisit | undefined {
  const { rounds, proof } = provedOf<K>(job)
  if (proof.found === undefined || proof.left === undefined) return undefined
  const [found, left] = [rounds[proof.found], rounds[proof.left]]
  const [foundAt, leftAt] = [job.rounds[proof.found]?.takenAt, job.rounds[proof.left]?.takenAt]
  if (!found || !left) return undefined
  return {
    title: job.title,
    occasion: job.ready?.occasion ?? '',
    by: job.doneBy,
    minutes: Number.parseInt(job.minutes, 10) || 0,
    rounds: job.rounds.length,
    methods: left.methods ?? [...new Set(left.joints.flatMap(({ sources }) => sources.map(({ set }) => set.method)))],
    state: proof.state,
    found: sideOf(found, foundAt ?? ''),
    left: sideOf(left, leftAt ?? ''),
    moves: proof.left - proof.found,
    within: left.own
      ? left.own.judged.every(({ state }) => state === 'within')
      : left.joints.length > 0 && left.joints.every(({ solution }) => solution.verdict?.state === 'within'),
    joints: left.joints.map(({ id: joint, joint: where, solution, growth }) => ({
      id: joint,
      joint: { x: where.x, diameter: where.diameter, flexPlanes: where.flexPlanes, kind: where.kind },
      limits: solution.verdict?.limits,
      growth,
    })),
    feet: feetOf(job),
    reference: left.reference,
    flags: flagsOf(left),
  }
}

/** The largest rise of any foot as found and, where it was checked again, as left. */
function feetOf<K extends KindName>(job: AnyJob<K>): KeptVisit['feet'] {
  const seats = kindOf({ kind: job.line.kind as K }).seats(job.line)
  const most = (pass: 'before' | 'after'): number | null => {
    const rises = seats.flatMap((machine) =>
      solveSeat(machine, job.seat?.[machine.id], pass).checks.flatMap(({ rise }) => rise ?? []),
    )
    return rises.length > 0 ? Math.max(...rises.map(Math.abs)) : null
  }
  return { state: seatPeg(seats, job.seat), found: most('before'), left: most('after') }
}

function flagsOf({ joints }: ProofRound): VisitFlag[] {
  const doubts = new Set(joints.flatMap(({ solution }) => solution.doubts))
  if (doubts.has('engaged')) return ['connected']
  return doubts.size > 0 ? ['doubtful'] : []
}

function sideOf(round: ProofRound, at: string): VisitSide {
  return {
    at,
    places: round.places.flatMap(({ id, machine, x, ...by }) =>
      planes.flatMap((plane) => {
        const known = by[plane]
        return known ? [{ place: id, machine, x, plane, position: known.position, sd: known.sd }] : []
      }),
    ),
    joints: round.joints.flatMap(({ id, solution: { result } }) =>
      result.ok ? [{ id, misalignment: result.fit.misalignment, covariance: result.fit.covariance }] : [],
    ),
  }
}

/**
 * The visits of a line as they compare with the last of them, oldest first: one read against another fixed machine is told
 * against today's instead, by taking off the line through that machine's own stations, and flagged.
 */
export function comparable(visits: readonly Visit[]): Visit[] {
  const sorted = [...visits].sort((a, b) => a.left.at.localeCompare(b.left.at))
  const reference = sorted.at(-1)?.reference
  return sorted.map((visit) =>
    reference === undefined || visit.reference === reference
      ? visit
      : {
          ...visit,
          reference,
          found: against(visit.found, reference),
          left: against(visit.left, reference),
          flags: [...visit.flags, 'other-reference'],
        },
  )
}

/** Positions told against the axis of another machine: less the straight line through its first and last station. */
function against(side: VisitSide, machine: string): VisitSide {
  const lines = new Map(
    planes.map((plane) => {
      const own = side.places.filter((one) => one.machine === machine && one.plane === plane)
      const [a, b] = [own[0], own.at(-1)]
      return [plane, a && b && a.x !== b.x ? { a, b } : undefined]
    }),
  )
  return {
    ...side,
    places: side.places.flatMap((one) => {
      const line = lines.get(one.plane)
      if (!line) return []
      const { a, b } = line
      const t = (one.x - a.x) / (b.x - a.x)
      const own = one.machine === machine
      return [
        {
          ...one,
          position: one.position - (a.position * (1 - t) + b.position * t),
          sd: own ? 0 : Math.hypot(one.sd, a.sd * (1 - t), b.sd * t),
        },
      ]
    }),
  }
}

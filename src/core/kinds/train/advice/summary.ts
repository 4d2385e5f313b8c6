import type { planes } from '../../../frame/axis'
import { readyPeg } from '../../../ready/ready'
import { seatPeg } from '../../../seat/state'
import type { Peg } from '../../../verdict/peg'
import { shaftEnds } from '../document/ends'
import type { Job } from '../document/schema'
import { positionAt } from '../solve/positions'
import { type JobSolution, solveRound } from '../solve/round'
import { doubted } from './doubt'
import { type NextAct, nextAct } from './next'

/** Version of the arithmetic a stored summary was made with. */
export const coreVersion = 5

/** What a list shows of a job without solving it again. Lengths in mm. */
export interface JobSummary {
  core: number
  pegs: { ready: Peg; seat: Peg; read: Peg; move: Peg }
  next: NextAct
  /** Names of the sides, for telling an angle. */
  sides: { near: string; far: string }
  verdict: Peg
  /** Shafts for a miniature drawing: per plane each machine's axis at its two ends; null where unknown. */
  shafts: { x: [number, number]; vertical: [number, number] | null; horizontal: [number, number] | null }[]
  couplings: number[]
  rounds: number
  minutes: number
}

/** The summary of a job's last round; pure, so it can be made again at any time. */
export function summarise(job: Job): JobSummary {
  const round = job.rounds.at(-1)
  if (!round) throw new Error('A job has at least one round.')
  const solved = solveRound(job, round)
  const verdict = worst(solved)
  return {
    core: coreVersion,
    pegs: { ready: readyPeg(job), seat: seatPeg(job), read: readPeg(solved), move: verdict },
    next: nextAct(job, solved),
    sides: job.line.sides,
    verdict,
    shafts: shaftsOf(solved),
    couplings: solved.train.couplings.map(({ x }) => x),
    rounds: job.rounds.length,
    minutes: Number.parseInt(job.minutes, 10) || 0,
  }
}

/**
 * The summary to store with a job. A document that its schema takes is never refused for want of one: should the arithmetic
 * fail, the list says that the job wants looking at.
 *
 * @param onFault hears what failed
 */
export function summaryOf(job: Job, onFault: (error: unknown) => void = () => undefined): JobSummary {
  try {
    return summarise(job)
  } catch (error) {
    onFault(error)
    return unsummed(job)
  }
}

/** What a list shows of a job that could not be worked out: that it wants looking at. */
export function unsummed(job: Job): JobSummary {
  const nothing = { ready: 'nothing', seat: 'nothing', read: 'nothing', move: 'nothing' } as const
  return {
    core: coreVersion,
    pegs: nothing,
    next: { kind: 'unsolved' },
    sides: job.line.sides,
    verdict: 'nothing',
    shafts: [],
    couplings: [],
    rounds: job.rounds.length,
    minutes: Number.parseInt(job.minutes, 10) || 0,
  }
}

/** How far the reading has come: nothing, begun or complete, and whether it can be believed. */
export function readPeg(solved: JobSolution): Peg {
  if (solved.dials.every((dial) => dial.readings.length === 0 && !dial.sweep && dial.faults.length === 0))
    return 'nothing'
  if (solved.dials.some((dial) => dial.faults.length > 0)) return 'outside'
  if (
    solved.solution.couplings.some(
      ({ id, doubts }) => doubted(solved, id) && !doubts.every((doubt) => doubt === 'engaged'),
    )
  )
    return 'outside'
  return solved.solution.couplings.every(({ result }) => result.ok) ? 'within' : 'unsure'
}

/** The worst verdict among the couplings; nothing while one cannot be judged. */
export function worst(solved: JobSolution): Peg {
  const states = solved.solution.couplings.map(
    ({ id, verdict }): Peg => (verdict ? (doubted(solved, id) ? 'unsure' : verdict.state) : 'nothing'),
  )
  for (const state of ['outside', 'nothing', 'unsure'] as const) if (states.includes(state)) return state
  return 'within'
}

function shaftsOf(solved: JobSolution): JobSummary['shafts'] {
  return solved.train.machines.map((_, m) => {
    const [from, to] = shaftEnds(solved.train, m)
    const inPlane = (plane: (typeof planes)[number]): [number, number] | null => {
      const links = solved.solution.chains[plane][m]
      return links ? [positionAt(links, from).value, positionAt(links, to).value] : null
    }
    return { x: [from, to], vertical: inPlane('vertical'), horizontal: inPlane('horizontal') }
  })
}

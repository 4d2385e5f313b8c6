import type { Job, Round } from '../core/job/schema'
import type { JobSolution } from '../core/job/solve'
import { gradeOf } from '../core/job/train'
import { planLeast } from '../core/moves/least'
import type { SolveProgram } from '../core/moves/program'
import { factsOf, marginOf } from '../core/plan/choices'
import { type JobPlan, planRound } from '../core/plan/plan'
import { loadSolver, PlannerFault } from './highs'

let solver: Promise<SolveProgram> | undefined

/**
 * The plan of a round where no page is at hand: the planner of least moves is loaded where the plan asks for it. Undefined
 * where it came to no answer.
 */
export async function plannedFor(
  job: Pick<Job, 'line' | 'seat'>,
  round: Round,
  solved: JobSolution,
): Promise<JobPlan | undefined> {
  if (round.plan?.stays !== 'least') return planRound(job, round, solved)
  solver ??= loadSolver()
  try {
    const least = planLeast(solved.train, solved.solution, factsOf(job, round), await solver, {
      margin: marginOf(round.plan),
      grade: gradeOf(job.line),
    })
    return planRound(job, round, solved, least)
  } catch (error) {
    if (error instanceof PlannerFault) return undefined
    throw error
  }
}

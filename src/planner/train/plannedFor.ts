import type { Job, Round } from '../../core/kinds/train/document/schema'
import { factsOf, marginOf } from '../../core/kinds/train/plan/choices'
import { planLeast } from '../../core/kinds/train/plan/least'
import { type JobPlan, planRound } from '../../core/kinds/train/plan/plan'
import type { JobSolution } from '../../core/kinds/train/solve/round'
import { gradeOf } from '../../core/verdict/typed'
import { PlannerFault, theSolver } from '../highs'

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
  try {
    const least = planLeast(solved.train, solved.solution, factsOf(job, round), await theSolver(), {
      margin: marginOf(round.plan),
      grade: gradeOf(job.line),
    })
    return planRound(job, round, solved, least)
  } catch (error) {
    if (error instanceof PlannerFault) return undefined
    throw error
  }
}

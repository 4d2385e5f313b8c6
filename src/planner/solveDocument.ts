import type { SolveProgram } from '../core/moves/program'
import { type Checked, refuse } from '../core/survey/fault'
import type { Result } from '../core/survey/result'
import { solveSurvey } from '../core/survey/solve'
import { loadSolver, PlannerFault } from './highs'

let solver: Promise<SolveProgram> | undefined

/** Survey document in, result document out, with the planner loaded where the document asks for the least moves. */
export async function solveDocument(document: unknown): Promise<Checked<Result>> {
  if (!asksForLeast(document)) return solveSurvey(document)
  solver ??= loadSolver()
  const solve = await solver
  try {
    return solveSurvey(document, solve)
  } catch (error) {
    if (error instanceof PlannerFault)
      return refuse('plan.mode', `expected a plan that can be found; the planner ${error.message}`)
    throw error
  }
}

const asksForLeast = (document: unknown): boolean =>
  isRecord(document) && isRecord(document.plan) && document.plan.mode === 'least'

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null

import { kindAsked } from '../core/kinds'
import { surveys } from '../core/kinds/surveys'
import { type Checked, refuse } from '../core/quantity/fault'
import { PlannerFault, theSolver } from './highs'

/**
 * Survey document in, result document out, with the planner loaded where the document asks for the least moves. Whatever the
 * document holds, the answer is a result of finite numbers or a fault.
 */
export async function solveDocument(document: unknown): Promise<Checked<object>> {
  try {
    const solved = surveys[kindAsked(document)].solve(document, asksForLeast(document) ? await theSolver() : undefined)
    const path = solved.ok ? notFinite(solved.value) : undefined
    return path === undefined
      ? solved
      : refuse('', `expected measurements that can be calculated: ${path} is not a number`)
  } catch (error) {
    if (error instanceof PlannerFault)
      return refuse('plan.mode', `expected a plan that can be found: the planner ${error.message}`)
    const said = error instanceof Error ? error.message : String(error)
    return refuse('', `expected measurements that can be calculated (${said})`)
  }
}

/** Where a document has a number that JSON cannot hold. */
function notFinite(value: unknown, path = ''): string | undefined {
  if (typeof value === 'number') return Number.isFinite(value) ? undefined : path
  if (typeof value !== 'object' || value === null) return undefined
  for (const [key, child] of Object.entries(value)) {
    const found = notFinite(child, path ? `${path}.${key}` : key)
    if (found !== undefined) return found
  }
  return undefined
}

const asksForLeast = (document: unknown): boolean =>
  isRecord(document) && isRecord(document.plan) && document.plan.mode === 'least'

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null

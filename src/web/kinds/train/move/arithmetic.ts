/** What only a plan needs worked out: fetched with the step that shows plans. */
export { dragLine } from '../../../../core/kinds/train/plan/drag'
export { planRound } from '../../../../core/kinds/train/plan/plan'
export { planeProblem } from '../../../../core/kinds/train/plan/problem'
export { Planner } from '../../../planner/planner'

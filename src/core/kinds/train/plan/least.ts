import type { FootFacts } from '../../../least/facts'
import { type Least, leastInPlane } from '../../../least/least'
import type { SolveProgram } from '../../../least/program'
import type { Plane } from '../../../quantity/axis'
import type { SlipGrade } from '../../../verdict/slipSpeed'
import type { Train } from '../solve/model'
import type { Solution } from '../solve/solve'
import { planeProblem } from './problem'

export interface LeastOptions {
  /** Share of the tolerance that may stay in each plane; 0 for in line exactly. */
  margin: number
  grade?: SlipGrade
}

/**
 * The least moves that bring a train in line, each plane by itself: fewest feet touched, then the smallest largest move, then
 * the smallest sum. Every machine may move. Where nothing fits, each limit that is in the way is told.
 */
export function planLeast(
  train: Train,
  solution: Solution,
  facts: ReadonlyMap<string, FootFacts>,
  solve: SolveProgram,
  { margin, grade }: LeastOptions,
): Least {
  const inPlane = (plane: Plane) => leastInPlane(planeProblem(train, solution, facts, plane, margin, grade), solve)
  return { vertical: inPlane('vertical'), horizontal: inPlane('horizontal') }
}

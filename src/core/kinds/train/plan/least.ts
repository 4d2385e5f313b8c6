import type { Plane } from '../../../frame/axis'
import type { FootFacts } from '../../../least/facts'
import { type Least, leastInPlane } from '../../../least/least'
import type { SolveProgram } from '../../../least/program'
import type { SlipGrade } from '../../../verdict/slipSpeed'
import type { Train } from '../solve/model'
import type { Solution } from '../solve/solve'
import { planeProblem } from './problem'

/** Half the tolerance: room for the doubt of the readings and the rounding of the shims. */
export const usualMargin = 0.5

export interface LeastOptions {
  /** Share of the tolerance that may stay in each plane; 0 for in line exactly. */
  margin: number
  grade?: SlipGrade
}

/**
 * The least moves that bring a train in line, each plane by itself: fewest feet touched, then the smallest largest move, then
 * the smallest sum. Every machine may move. Three mixed-integer programs a plane, each held to what the one before it found;
 * where nothing fits, one more for every limit.
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

/** The same moves for every foot of the solution: none where a plane was not reached, or no plan was found in it. */
export function withMoves(solution: Solution, least: Least): Solution {
  return {
    ...solution,
    feet: solution.feet.map((foot) => {
      const moved = (plane: Plane) =>
        foot[plane] && {
          ...foot[plane],
          move: least[plane].moves.get(foot.foot) ?? (least[plane].feasible ? 0 : null),
        }
      return { ...foot, vertical: moved('vertical'), horizontal: moved('horizontal') }
    }),
  }
}

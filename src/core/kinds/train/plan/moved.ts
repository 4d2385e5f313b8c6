import type { Least } from '../../../least/least'
import type { Plane } from '../../../quantity/axis'
import type { Solution } from '../solve/solve'

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

import { planes } from '../../../quantity/axis'
import type { Train } from '../solve/model'
import type { JobSolution } from '../solve/round'
/** Whether anything is known of how this train grows: nobody having said is not the same as nothing. */
export const growthKnown = (train: Pick<Train, 'machines'>): boolean =>
  train.machines.some(({ feet }) => feet.some(({ growth }) => growth !== undefined))

/**
 * Growth from the same line read cold and hot: how much every station rose and went sideways against the fixed machine, mm.
 * What the fixed machine itself grew is in neither reading; all numbers are relative to it.
 */
export function growthBetween(
  cold: JobSolution,
  hot: JobSolution,
): { foot: string; vertical: number | null; horizontal: number | null }[] {
  return cold.solution.feet.flatMap((foot) => {
    const then = hot.solution.feet.find((other) => other.foot === foot.foot)
    if (!then) return []
    const [vertical, horizontal] = planes.map((plane) => {
      const [a, b] = [foot[plane], then[plane]]
      return a && b ? b.position - a.position : null
    })
    return [{ foot: foot.foot, vertical: vertical ?? null, horizontal: horizontal ?? null }]
  })
}

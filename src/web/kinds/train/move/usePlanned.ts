import { useCallback, useMemo, useState } from 'react'
import type { Job, Round, RoundPlan } from '../../../../core/kinds/train/document/schema'
import { emptyPlan, factsOf, trainEnds } from '../../../../core/kinds/train/plan/choices'
import type { Dragged } from '../../../../core/kinds/train/plan/drag'
import type { JobPlan } from '../../../../core/kinds/train/plan/plan'
import type { JobSolution } from '../../../../core/kinds/train/solve/round'
import { lineAt, type Plane } from '../../../../core/quantity/axis'
import type { Handle } from '../../../../drawing/scene'
import { useArithmetic } from './useArithmetic'
import { type LeastState, useLeast } from './useLeast'

export interface Planned {
  plan: JobPlan | undefined
  least: LeastState
  /** Drags the target line by a handle; gives what is to be kept of it. */
  drag: (handle: Handle, value: number) => RoundPlan['drawn'] | undefined
  letGo: () => void
  /** The limit that holds the line back just now. */
  stoppedBy: Dragged['stoppedBy']
}

/** The plan of a round as it stands, the target line while it is dragged included. */
export function usePlanned(job: Job, round: Round, solved: JobSolution, wanted: boolean): Planned {
  const [dragged, setDragged] = useState<{ drawn: NonNullable<RoundPlan['drawn']>; by: Dragged['stoppedBy'] }>()
  const arithmetic = useArithmetic(wanted)
  const least = useLeast(job, round, solved, arithmetic)
  const asDragged = useMemo(
    (): Round =>
      dragged ? { ...round, plan: { ...(round.plan ?? emptyPlan()), stays: 'drawn', drawn: dragged.drawn } } : round,
    [round, dragged],
  )
  const found = least.least
  const plan = useMemo(
    () => arithmetic?.planRound(job, asDragged, solved, found),
    [arithmetic, job, asDragged, solved, found],
  )
  const drag = useCallback(
    (handle: Handle, value: number): RoundPlan['drawn'] | undefined => {
      const target = plan?.target
      if (!target || !arithmetic) return undefined
      const ends = trainEnds(solved)
      const problem = arithmetic.planeProblem(solved.train, solved.solution, factsOf(job, round), handle.plane, 0)
      const pivot = Math.abs(handle.x - ends[0]) < Math.abs(handle.x - ends[1]) ? ends[1] : ends[0]
      const { line, stoppedBy } = arithmetic.dragLine(problem, target[handle.plane], { at: handle.x, pivot, value })
      const at = (plane: Plane) => {
        const of = plane === handle.plane ? line : target[plane]
        return { first: lineAt(of, ends[0]), last: lineAt(of, ends[1]) }
      }
      const drawn = { vertical: at('vertical'), horizontal: at('horizontal') }
      setDragged({ drawn, by: stoppedBy })
      return drawn
    },
    [plan, solved, job, round, arithmetic],
  )
  const letGo = useCallback(() => setDragged(undefined), [])
  return { plan, least, drag, letGo, stoppedBy: dragged?.by }
}

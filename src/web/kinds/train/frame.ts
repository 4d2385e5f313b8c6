import { useOutletContext } from 'react-router'
import type { RoundPlan } from '../../../core/kinds/train/document/schema'
import type { JobPlan } from '../../../core/kinds/train/plan/plan'
import type { JobSolution } from '../../../core/kinds/train/solve/round'
import type { PlanDrawing } from '../../../drawing/train/sheet'
import type { TrainTerms } from '../../../words/train/terms'
import type { JobFrame } from '../../job/frame/context'
import type { LeastState } from './move/useLeast'

/** What the steps of a train have beside the frame of every job. */
export interface TrainFrame extends Omit<JobFrame<'train'>, 'beginRound'> {
  beginRound: () => void
  terms: TrainTerms
  solved: JobSolution
  chosen: string | undefined
  choose: (id: string | undefined) => void
  /** What is to be done, in Move: undefined elsewhere, and while the planner is at work. */
  plan: JobPlan | undefined
  least: LeastState
  editPlan: (change: (plan: RoundPlan) => RoundPlan, mark?: string) => void
  /** The machine that is being moved, as its dials tell it: shown on the drawing. */
  showLive: (live: PlanDrawing['live']) => void
}

export const useTrainFrame = (): TrainFrame => useOutletContext<TrainFrame>()

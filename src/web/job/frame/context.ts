import { useOutletContext } from 'react-router'
import type { Job, Round, RoundPlan } from '../../../core/kinds/train/document/schema'
import type { JobPlan } from '../../../core/kinds/train/plan/plan'
import type { JobSolution } from '../../../core/kinds/train/solve/round'
import type { PlanSight } from '../../../drawing/train/sheet'
import type { Terms } from '../../../words/terms'
import type { Settings } from '../../app/settings'
import type { LeastState } from '../../planner/useLeast'
import type { SayItem } from '../../say/Say'

/** What the frame of a job hands to its steps. */
export interface JobFrame {
  id: string
  number: number
  /** It was put away and is not on the Floor. */
  archived: boolean
  document: Job
  round: Round
  solved: JobSolution
  terms: Terms
  settings: Settings
  /** A signed job is read only. */
  frozen: boolean
  chosen: string | undefined
  choose: (id: string | undefined) => void
  edit: (change: (job: Job) => Job, mark?: string) => void
  editRound: (change: (round: Round) => Round, mark?: string) => void
  beginRound: () => void
  /** What is to be done, in Move: undefined elsewhere, and while the planner is at work. */
  plan: JobPlan | undefined
  least: LeastState
  editPlan: (change: (plan: RoundPlan) => RoundPlan, mark?: string) => void
  /** The machine that is being moved, as its dials tell it: drawn on the Sight. */
  showLive: (live: PlanSight['live']) => void
  /** What earlier steps left open and later ones keep on top: cautions, soft foot. */
  reminders: readonly SayItem[]
}

export const useJobFrame = (): JobFrame => useOutletContext<JobFrame>()

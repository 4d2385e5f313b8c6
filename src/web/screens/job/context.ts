import { useOutletContext } from 'react-router'
import type { Job, Round } from '../../../core/job/schema'
import type { JobSolution } from '../../../core/job/solve'
import type { Terms } from '../../../words/terms'
import type { Settings } from '../../app/settings'
import type { SayItem } from '../../say/Say'

/** What the frame of a job hands to its steps. */
export interface JobFrame {
  id: string
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
  /** What earlier steps left open and later ones keep on top: cautions, soft foot. */
  reminders: readonly SayItem[]
}

export const useJobFrame = (): JobFrame => useOutletContext<JobFrame>()

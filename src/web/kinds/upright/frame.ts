import { useOutletContext } from 'react-router'
import type { UprightSolved } from '../../../core/kinds/upright/solve/round'
import type { UprightTerms } from '../../../words/upright/findings'
import type { JobFrame } from '../../job/frame/context'

/** What the steps of an upright pair have beside the frame of every job. */
export interface UprightFrame extends JobFrame<'upright'> {
  solved: UprightSolved
  /** The round before this one. */
  before: UprightSolved | undefined
  told: UprightTerms
}

export const useUprightFrame = (): UprightFrame => useOutletContext<UprightFrame>()

import { useOutletContext } from 'react-router'
import type { RollsSolved } from '../../../core/kinds/rolls/solve/round'
import type { RollsTerms } from '../../../words/rolls/findings'
import type { JobFrame } from '../../job/frame/context'

/** What the steps of a section of rolls have beside the frame of every job. */
export interface RollsFrame extends JobFrame<'rolls'> {
  solved: RollsSolved
  told: RollsTerms
}

export const useRollsFrame = (): RollsFrame => useOutletContext<RollsFrame>()

import { useOutletContext } from 'react-router'
import type { BoreSolved } from '../../../core/kinds/bore/solve/round'
import type { BoreTerms } from '../../../words/bore/findings'
import type { JobFrame } from '../../job/frame/context'

/** What the steps of a row of bores have beside the frame of every job. */
export interface BoreFrame extends JobFrame<'bore'> {
  solved: BoreSolved
  told: BoreTerms
}

export const useBoreFrame = (): BoreFrame => useOutletContext<BoreFrame>()

import { useOutletContext } from 'react-router'
import type { BeltSolved } from '../../../core/kinds/belt/solve/round'
import type { BeltTerms } from '../../../words/belt/findings'
import type { JobFrame } from '../../job/frame/context'

/** What the steps of a belt drive have beside the frame of every job. */
export interface BeltFrame extends JobFrame<'belt'> {
  solved: BeltSolved
  told: BeltTerms
}

export const useBeltFrame = (): BeltFrame => useOutletContext<BeltFrame>()

import type { Line } from '../../core/kinds/train/document/schema'
import type { Terms } from '../terms'

/** What a sentence about a train needs: its whole line, tolerance and couplings included. */
export interface TrainTerms extends Terms {
  line: Line
}

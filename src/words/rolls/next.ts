import type { RollsListed } from '../../core/kinds/rolls/advice/findings'
import { t } from '../language'

/** The next act of a section of rolls in a list. */
export function sayNext({ next }: RollsListed): string {
  switch (next.kind) {
    case 'next-reading':
      return t`Read ${next.roll ?? t`the rolls`}`
    case 'not-a-number':
      return next.roll ? t`Correct a reading of ${next.roll}` : t`Correct a reading`
    case 'missing':
      return t`Measure the section: dimensions missing`
    case 'odd-tape':
    case 'odd-scale':
    case 'mistake':
    case 'contradict':
      return t`Read again: readings contradict each other`
    case 'trouble':
      return t`Follow the trouble call`
    case 'play':
    case 'stroke':
      return t`Repair a pivoting roll`
    case 'verdict':
    case 'free':
      return t`Moves: level, then square`
    case 'no-reference':
      return t`Choose a reference roll`
    case 'nothing':
      return t`Nothing to do`
    default:
      return t`Open the job`
  }
}

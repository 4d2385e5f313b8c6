import type { BeltListed } from '../../core/kinds/belt/advice/findings'
import { t } from '../language'
import { inText } from '../terms'

/** The next act of a belt drive in a list. */
export function sayNext({ next }: BeltListed): string {
  const sheave = t`${inText(next.sheave ?? '')} sheave`.trim()
  switch (next.kind) {
    case 'next-reading':
      return t`Read the ${sheave}`
    case 'not-a-number':
      return t`Correct a reading of the ${sheave}`
    case 'limit-not-a-number':
      return t`Correct the belt limit`
    case 'missing':
      return t`Measure the drive: dimensions missing`
    case 'contradict':
      return t`Check the readings of the ${sheave}: they contradict each other`
    case 'not-closed':
      return t`Read the ${sheave} again: it does not close`
    case 'does-not-repeat':
      return t`Read the ${sheave} again: readings disagree`
    case 'widths':
    case 'wobble':
    case 'verdict':
      return t`Moves: shims, swing and slide`
    case 'nothing':
      return t`Nothing to do`
    default:
      return t`Open the job`
  }
}

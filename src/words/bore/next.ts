import type { BoreListed } from '../../core/kinds/bore/advice/findings'
import { t } from '../language'

/** The next act of a row of bores in a list. */
export function sayNext({ next }: BoreListed): string {
  const section = next.section ?? t`the bores`
  switch (next.kind) {
    case 'next-reading':
      return t`Read ${section}`
    case 'not-a-number':
      return t`Correct a reading of ${section}`
    case 'contradict':
      return t`Check the readings of ${section}: they contradict each other`
    case 'no-sag':
      return t`Enter the bracket sag`
    case 'no-place':
      return t`Measure the position of ${section}`
    case 'carrier-lacks':
      return t`Enter the carrier’s weight`
    case 'push-asked':
      return t`Push-test the head: check its sign`
    case 'does-not-repeat':
    case 'not-closed':
      return t`Read ${section} again`
    case 'oval':
    case 'verdict':
      return t`Moves: every bore to the line`
    case 'nothing':
      return t`Nothing to do`
    default:
      return t`Open the job`
  }
}

import type { UprightListed } from '../../core/kinds/upright/advice/findings'
import { t } from '../language'
import { inText } from '../terms'
import { boltPlace } from './bolts'

/** The next act of an upright pair in a list. */
export function sayNext({ next, bolts }: UprightListed): string {
  const dial = t`${inText(next.machine ?? '')} dial`.trim()
  switch (next.kind) {
    case 'next-reading':
      return t`Read ${boltPlace(next.degrees ?? 0, bolts)} on the ${dial}`
    case 'not-closed':
      return t`Read the ${dial} again: it does not close`
    case 'not-a-number':
      return t`Correct a reading of the ${dial}`
    case 'verdict':
      return t`Shims and push at the flange`
    case 'nothing':
      return t`Nothing to do`
    default:
      return t`Open the job`
  }
}

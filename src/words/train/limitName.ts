import type { InTheWay } from '../../core/kinds/train/plan/plan'
import { t } from '../language'
import { sideName, type Terms } from '../terms'

/** A limit by the name the trade has for it. */
export function limitName(limit: InTheWay['limit'], terms: Terms): string {
  if (limit === 'down') return t`base-bound`
  if (limit === 'up') return t`out of shim travel upward`
  return t`bolt-bound toward ${sideName(limit, terms)}`
}

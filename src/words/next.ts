import type { JobSummary } from '../core/job/summary'
import type { KindName, Kinds } from '../core/kinds'
import { sayNext as beltNext } from './belt/next'
import { sayNext as boreNext } from './bore/next'
import { t } from './language'
import { sayNext as rollsNext } from './rolls/next'
import { inText } from './terms'
import { sayNext as trainNext } from './train/next'
import { sayNext as uprightNext } from './upright/next'

/** What each kind of line has to say in a list; apart from its other words, which need all that it works out. */
const nextOf: { readonly [K in KindName]: (listed: Kinds[K]['listed']) => string } = {
  train: trainNext,
  upright: uprightNext,
  belt: beltNext,
  bore: boreNext,
  rolls: rollsNext,
}

/** The next act of a job in a list: short, and the same thing its own first sentence says. */
export function sayNext<K extends KindName>({ first, kind, listed }: NextOf<K>): string {
  if (first?.kind === 'caution') return t`Initial the cautions: ${first.open} to go`
  if (first?.kind === 'seat') return t`Check soft foot on the ${inText(first.machine)}`
  return nextOf[kind](listed)
}

type NextOf<K extends KindName> = Pick<JobSummary, 'first'> & { kind: K; listed: Kinds[K]['listed'] }

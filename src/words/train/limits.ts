import type { LimitMissing } from '../../core/verdict/limits'
import type { Limits } from '../../core/verdict/verdict'
import { t } from '../language'
import { couplingName, lengthWithUnit, slope } from '../terms'
import { missingWords } from './findings'
import type { TrainTerms } from './terms'

/** What is allowed at a coupling, in a sentence; or what would have to be given. */
export function allowedText(
  coupling: string,
  limits: Limits | undefined,
  missing: readonly LimitMissing[],
  terms: TrainTerms,
): string {
  const name = couplingName(coupling, terms)
  if (!limits)
    return t`${name}: no verdict yet. Missing: ${missing.map((one) => missingWords[one]).join(', ') || t`a figure`}.`
  const angle = slope(limits.slope, terms.unit)
  const spacer = terms.line.couplings.find(({ id }) => id === coupling)?.kind === 'spacer'
  const offset = limits.judgesOffset ? t`${lengthWithUnit(limits.offset, terms)} offset` : ''
  return t`${name} tolerance: ${[offset, spacer ? t`${angle} at each flex plane` : t`${angle} angularity`].filter(Boolean).join(t` and `)}.`
}

import type { ProofJoint } from '../core/prove/proof'
import { seenOf } from '../core/prove/used'
import type { Limits, Seen } from '../core/verdict/verdict'
import { t } from './language'
import { lengthWithUnit, slope, type Terms } from './terms'

/** What of a misalignment is judged at a coupling: "0.11 mm offset and 0.04 mm/100 mm slope", or the angle at each flex plane. */
export function seenText(
  { offset, slope: rad, flex }: Seen,
  limits: Pick<Limits, 'judgesOffset'> | undefined,
  terms: Pick<Terms, 'unit' | 'resolution'>,
): string {
  const across = t`${lengthWithUnit(offset, terms)} offset`
  if (!flex) return t`${across} and ${slope(rad, terms.unit)} angularity`
  const angles = t`${flex.map((one) => slope(one, terms.unit)).join(t` and `)} at the left and right flex plane`
  return limits?.judgesOffset ? t`${angles}, ${across}` : angles
}

/** What was read at a coupling: cold, and where growth is given what that comes to running, which is what is judged. */
export function jointText(
  { solution: { result, verdict }, joint, growth }: ProofJoint,
  terms: Pick<Terms, 'unit' | 'resolution'>,
): string {
  if (!result.ok) return ''
  const { cold, running } = seenOf(result.fit, joint, growth)
  const read = seenText(cold, verdict?.limits, terms)
  return running ? t`${seenText(running, verdict?.limits, terms)} running (${read} as read cold)` : read
}

/** What is allowed at a coupling. */
export const limitsText = (limits: Limits | undefined, flexPlanes: boolean, terms: Terms): string => {
  if (!limits) return t`not entered`
  const fine = { ...terms, resolution: 0.001 }
  const offset = limits.judgesOffset ? t`${lengthWithUnit(limits.offset, fine)} offset` : ''
  const angle = flexPlanes
    ? t`${slope(limits.slope, terms.unit)} at each flex plane`
    : t`${slope(limits.slope, terms.unit)} angularity`
  return [offset, angle].filter(Boolean).join(t` and `)
}

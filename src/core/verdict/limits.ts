import { type SlipGrade, slipSpeedLimits } from './slipSpeed'
import type { Allowed, Joint, Limits } from './verdict'

/**
 * What is allowed at a coupling: the one rule for the Line, the verdict, the plan and the printed pages. The maker's or the
 * site's figures first, else sliding speed, else nothing is known.
 *
 * A spacer takes an offset by leaning, so what counts is the angle at each of its flex planes; its centre is judged only by a
 * figure for that. Lengths in mm, slopes in rad.
 */
export function limitsOf(train: Allowed, coupling: Joint, grade: SlipGrade): Limits | undefined {
  const { tolerance, rpm } = train
  const { flexPlanes, diameter } = coupling
  const span = flexPlanes ? flexPlanes[1] - flexPlanes[0] : undefined
  if (tolerance) {
    const { offset, slope } = tolerance
    if (offset !== undefined) return { offset, slope, judgesOffset: true, source: 'figures' }
    return span === undefined ? undefined : { offset: slope * span, slope, judgesOffset: false, source: 'figures' }
  }
  if (!rpm || !diameter) return undefined
  const { offset, slope } = slipSpeedLimits(rpm, diameter / 2, grade)
  return span === undefined
    ? { offset, slope, judgesOffset: true, source: 'slip-speed' }
    : { offset: slope * span, slope, judgesOffset: false, source: 'slip-speed' }
}

/** What would have to be given for a coupling to be judged. */
export type LimitMissing = 'speed' | 'diameter' | 'offset'

export function limitsMissing(train: Allowed, coupling: Joint): LimitMissing[] {
  if (train.tolerance) return train.tolerance.offset === undefined && !coupling.flexPlanes ? ['offset'] : []
  return [...(train.rpm ? [] : (['speed'] as const)), ...(coupling.diameter ? [] : (['diameter'] as const))]
}

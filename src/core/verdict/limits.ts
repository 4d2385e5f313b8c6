import { type SlipGrade, slipSpeedLimits } from './slipSpeed'
import { rowFor } from './table'
import type { Allowed, Joint, Limits } from './verdict'

/**
 * What is allowed at a coupling: the one rule for the Line, the verdict, the plan and the printed pages. The maker's or the
 * site's figures first, else its table by speed and kind of coupling, else sliding speed, else nothing is known.
 *
 * A spacer takes an offset by leaning, so what counts is the angle at each of its flex planes; its center is judged only by a
 * figure for that. Lengths in mm, slopes in rad.
 */
export function limitsOf(train: Allowed, coupling: Joint, grade: SlipGrade): Limits | undefined {
  const { tolerance, table, rpm } = train
  const { flexPlanes, diameter } = coupling
  const span = flexPlanes ? flexPlanes[1] - flexPlanes[0] : undefined
  if (tolerance) {
    const { offset, slope } = tolerance
    if (offset !== undefined) return { offset, slope, judgesOffset: true, source: 'figures' }
    return span === undefined ? undefined : { offset: slope * span, slope, judgesOffset: false, source: 'figures' }
  }
  if (table) {
    const row = rpm ? rowFor(table, rpm, coupling.kind ?? (span === undefined ? 'short' : 'spacer')) : undefined
    if (!row) return undefined
    if (row.offset !== undefined) return { offset: row.offset, slope: row.slope, judgesOffset: true, source: 'table' }
    return span === undefined
      ? undefined
      : { offset: row.slope * span, slope: row.slope, judgesOffset: false, source: 'table' }
  }
  if (!rpm || !diameter) return undefined
  const { offset, slope } = slipSpeedLimits(rpm, diameter / 2, grade)
  return span === undefined
    ? { offset, slope, judgesOffset: true, source: 'slip-speed' }
    : { offset: slope * span, slope, judgesOffset: false, source: 'slip-speed' }
}

/** What would have to be given for a coupling to be judged. */
export type LimitMissing = 'speed' | 'diameter' | 'offset' | 'row'

export function limitsMissing(train: Allowed, coupling: Joint): LimitMissing[] {
  if (train.tolerance) return train.tolerance.offset === undefined && !coupling.flexPlanes ? ['offset'] : []
  if (train.table) return train.rpm ? ['row'] : ['speed']
  return [...(train.rpm ? [] : (['speed'] as const)), ...(coupling.diameter ? [] : (['diameter'] as const))]
}

/**
 * What the open documents can tell of a line's limits, which is one pair of figures: those that were given, else what a
 * table says of its couplings at its speed, the tightest of them. Undefined where sliding speed decides.
 */
export function figuresTold(train: Allowed, couplings: readonly Joint[]): Allowed['tolerance'] {
  if (train.tolerance || !train.table) return train.tolerance
  const found = couplings.flatMap((coupling) => limitsOf(train, coupling, 'standard') ?? [])
  if (found.length === 0) return undefined
  const offsets = found.flatMap(({ judgesOffset, offset }) => (judgesOffset ? [offset] : []))
  return {
    slope: Math.min(...found.map(({ slope }) => slope)),
    offset: offsets.length > 0 ? Math.min(...offsets) : undefined,
  }
}

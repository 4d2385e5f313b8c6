import type { WrittenSuspect } from '../../../fit/slips'
import { valuesAsIf } from '../../../quantity/asIf'
import { formatNumber } from '../../../quantity/number'
import { flipSign } from '../../../quantity/quantity'
import { writtenAt } from '../solve/round'
import { cellsOf } from './make'
import type { BeltRound, BeltSet } from './schema'

/** The round as it would have been written without a slip. */
export const roundAsIf = (round: BeltRound, suspect: WrittenSuspect<string>): BeltRound => ({
  ...round,
  sets: round.sets.map((set) => setAsIf(set, suspect)),
})

function setAsIf(set: BeltSet, { at, other, ...slip }: WrittenSuspect<string>): BeltSet {
  const keyed = (place: string | undefined) => cellsOf(set).find((key) => writtenAt(set, key) === place)
  const angle = (['toe', 'tilt'] as const).find((key) => writtenAt(set, key) === at)
  if (set.method === 'angles' && angle) {
    const text =
      slip.fault === 'sign'
        ? flipSign(set.angles[angle])
        : formatNumber((slip.would * 180) / Math.PI, 3).replace('−', '-')
    return { ...set, angles: { ...set.angles, [angle]: text } }
  }
  const key = keyed(at)
  return key === undefined ? set : { ...set, values: valuesAsIf(set.values, key, slip, keyed(other)) }
}

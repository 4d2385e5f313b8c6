import type { WrittenSuspect } from '../../../fit/slips'
import { valuesAsIf } from '../../../quantity/asIf'
import { writtenAt } from '../solve/round'
import { cellsOf } from './make'
import type { BoreRound } from './schema'

/** The round as it would have been written without a slip. */
export const roundAsIf = (
  round: BoreRound,
  { at, other, exchanged = [], ...slip }: WrittenSuspect<string>,
): BoreRound => ({
  ...round,
  sets: round.sets.map((set) => {
    const keyed = (place: string | undefined) => cellsOf(set).find((key) => writtenAt(set, key) === place)
    const key = keyed(at)
    const pairs = exchanged.flatMap(([a, b]) => {
      const [one, two] = [keyed(a), keyed(b)]
      return one && two ? [[one, two] as const] : []
    })
    return key === undefined ? set : { ...set, values: valuesAsIf(set.values, key, slip, keyed(other), pairs) }
  }),
})

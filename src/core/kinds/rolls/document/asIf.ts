import type { WrittenSuspect } from '../../../fit/slips'
import { quantityAsIf, valuesAsIf } from '../../../quantity/asIf'
import { formatNumber } from '../../../quantity/number'
import { flipSign, typedDecimals } from '../../../quantity/quantity'
import { writtenIn } from '../solve/readings'
import type { RollsRound } from './schema'

type Suspect = WrittenSuspect<string>

/** The round as it would have been written without a slip. */
export function roundAsIf(round: RollsRound, suspect: Suspect): RollsRound {
  const { at, other } = suspect
  const key = (place: string | undefined) => place?.slice(place.indexOf(':') + 1)
  const own = key(at) ?? ''
  if (at.startsWith('values:')) return { ...round, values: valuesAsIf(round.values, own, suspect, key(other)) }
  if (at.startsWith('divisions:')) {
    const there = key(other)
    const exchanged =
      suspect.fault === 'swap' && there
        ? { [own]: round.divisions[there] ?? '', [there]: round.divisions[own] ?? '' }
        : undefined
    return {
      ...round,
      divisions: { ...round.divisions, ...(exchanged ?? { [own]: textAsIf(round.divisions[own] ?? '', suspect, 1) }) },
    }
  }
  if (at.startsWith('marks:')) {
    const values = Object.fromEntries(round.marks.map(({ id, value }) => [id, value]))
    const mended = valuesAsIf(values, own, suspect, key(other))
    return { ...round, marks: round.marks.map((mark) => ({ ...mark, value: mended[mark.id] ?? mark.value })) }
  }
  return {
    ...round,
    further: (round.further ?? []).map((one) => {
      const field = (['near', 'far', 'square', 'level'] as const).find((name) => writtenIn.further(one.id, name) === at)
      if (!field) return one
      if (field === 'square' || field === 'level') return { ...one, [field]: textAsIf(one[field], suspect, 1000) }
      if (suspect.fault === 'swap') return { ...one, near: one.far, far: one.near }
      return { ...one, [field]: quantityAsIf(one[field], suspect) }
    }),
  }
}

/** A bare number as it would have been typed, `per` of its own units to one of what it is solved in. */
const textAsIf = (text: string, { fault, would }: Suspect, per: number): string =>
  fault === 'sign'
    ? flipSign(text)
    : formatNumber(would * per, Math.min(4, typedDecimals(text) + (fault === 'decimal' ? 1 : 0))).replace('−', '-')

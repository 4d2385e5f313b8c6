import { chiSquareQuantile999, contradicts } from './chiSquare'
import type { Leftover } from './leftover'

/** What a hand gets wrong when it writes a number down. */
export type WrittenFault = 'sign' | 'swap' | 'turn' | 'decimal' | 'unit' | 'other-way'

/**
 * A number that somebody wrote down, and the equation that it went into.
 *
 * @typeParam P where it is written
 */
export interface Written<P> {
  at: P
  value: number
  /** Its equation, and by how many deviations that changes for each unit of the number. */
  row: number
  by: number
  /** Numbers of one list, in its order, may have been exchanged with their neighbors or with those across. */
  list?: string | undefined
  /** It has no unit of length that could be mixed up with another: an angle, the divisions of a level. */
  unitless?: true | undefined
  /** What a dial misses whose small hand nobody looked at, in units of the number. */
  turn?: number | undefined
}

/** One change of one number that makes readings agree which contradict each other. */
export interface WrittenSuspect<P> {
  at: P
  fault: WrittenFault
  /** What the number would have been. */
  would: number
  /** The number it was exchanged with. */
  other?: P
  /** A whole list that was read round the other way: the pairs that change places. */
  exchanged?: readonly (readonly [P, P])[]
  /** χ² then. */
  chi2: number
}

/** How unlikely each slip is by itself, as half a χ². Our judgment, as for dials of shafts. */
const unlikely: Readonly<Record<WrittenFault, number>> = {
  sign: 0,
  swap: 0.7,
  turn: 2.5,
  decimal: 3,
  unit: 4,
  'other-way': 1.5,
}

/** A change that moves its equation by less explains nothing that anybody could see, in deviations. */
const seen = 4
/** More numbers than anybody writes by hand. */
const handWritten = 4000

/**
 * The single changes that bring χ² under what chance exceeds once in a thousand times, best first; none where the readings do not
 * contradict each other. Each is answered from the fit that there is: a change d of the equations turns χ² into `χ² + 2d·r + dᵀMd`.
 */
export function writtenSuspects<P>(written: readonly Written<P>[], left: Leftover): WrittenSuspect<P>[] {
  if (!contradicts(left) || written.length > handWritten) return []
  const enough = chiSquareQuantile999(left.free)
  const found: (WrittenSuspect<P> & { score: number })[] = []
  const keep = (suspect: Omit<WrittenSuspect<P>, 'chi2'>, chi2: number) => {
    if (chi2 <= enough) found.push({ ...suspect, chi2: Math.max(0, chi2), score: chi2 / 2 + unlikely[suspect.fault] })
  }
  const alone = ({ row, by }: Written<P>, change: number): number => {
    const d = by * change
    return left.squares + 2 * d * left.of(row) + d * d * left.shared(row, row)
  }
  for (const one of written) {
    const { at, value, turn } = one
    const tried = (fault: WrittenFault, would: number) => {
      if (Math.abs(one.by * (would - value)) >= seen) keep({ at, fault, would }, alone(one, would - value))
    }
    tried('sign', -value)
    if (turn) for (const turns of [-1, 1]) tried('turn', value + turns * turn)
    for (const factor of [10, 0.1]) tried('decimal', value * factor)
    if (!one.unitless) for (const factor of [25.4, 1 / 25.4, 2.54, 1 / 2.54]) tried('unit', value * factor)
  }
  for (const [one, other] of exchangeable(written)) {
    const change = other.value - one.value
    const [d, e] = [one.by * change, -other.by * change]
    if (Math.max(Math.abs(d), Math.abs(e)) < seen) continue
    const chi2 =
      left.squares +
      2 * (d * left.of(one.row) + e * left.of(other.row)) +
      d * d * left.shared(one.row, one.row) +
      e * e * left.shared(other.row, other.row) +
      2 * d * e * left.shared(one.row, other.row)
    keep({ at: one.at, fault: 'swap', would: other.value, other: other.at }, chi2)
  }
  for (const pairs of mirrored(written)) {
    const changes = pairs.flatMap(([one, other]) => [
      { row: one.row, by: one.by * (other.value - one.value) },
      { row: other.row, by: other.by * (one.value - other.value) },
    ])
    const [first] = pairs
    if (!first || Math.max(...changes.map(({ by }) => Math.abs(by))) < seen) continue
    const chi2 = changes.reduce(
      (sum, { row, by }) =>
        sum +
        2 * by * left.of(row) +
        changes.reduce((inner, other) => inner + by * other.by * left.shared(row, other.row), 0),
      left.squares,
    )
    const exchanged = pairs.map(([one, other]) => [one.at, other.at] as const)
    keep({ at: first[0].at, fault: 'other-way', would: first[1].value, other: first[1].at, exchanged }, chi2)
  }
  return found.sort((a, b) => a.score - b.score).map(({ score: _, ...suspect }) => suspect)
}

/** Of lists round a circle what changes places where one was read the other way round: all but the first and the one across from it. Of four that is one pair, exchanged across. */
function mirrored<P>(written: readonly Written<P>[]): (readonly (readonly [Written<P>, Written<P>])[])[] {
  return listsOf(written).flatMap((list) => {
    const n = list.length
    if (n < 6) return []
    const pairs = list.slice(1, Math.ceil(n / 2)).flatMap((one, i) => {
      const other = list[n - 1 - i]
      return other && other !== one ? [[one, other] as const] : []
    })
    return [pairs]
  })
}

function listsOf<P>(written: readonly Written<P>[]): Written<P>[][] {
  const lists = new Map<string, Written<P>[]>()
  for (const one of written) if (one.list !== undefined) lists.set(one.list, [...(lists.get(one.list) ?? []), one])
  return [...lists.values()]
}

/** Numbers of one list beside each other, round its end as well, and those across from each other. */
function exchangeable<P>(written: readonly Written<P>[]): (readonly [Written<P>, Written<P>])[] {
  return listsOf(written).flatMap((list) => {
    const n = list.length
    const steps = new Set([1, ...(n % 2 === 0 ? [n / 2] : [])])
    const pairs = new Map<string, readonly [Written<P>, Written<P>]>()
    for (const [i, one] of list.entries())
      for (const step of steps) {
        const j = (i + step) % n
        const other = list[j]
        if (other && other !== one) pairs.set([i, j].sort().join(), [one, other])
      }
    return [...pairs.values()]
  })
}

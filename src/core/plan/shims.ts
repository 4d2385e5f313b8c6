import { parseNumber } from '../frame/number'
import { type Quantity, quantityMm } from '../frame/quantity'
import { toMm } from '../frame/units'
import type { ShimStock } from '../job/schema'
import { choosePack, type Pack } from '../moves/packs'

/** "1 + 0.5", "1.00, 0.50" or "1 0.5": shims in a pack. */
const between = /[\s+;]+|,(?!\d)/

/** Thicknesses in mm of a pack as it was typed; undefined where nothing or something unreadable is typed. */
export function packMm(typed: Quantity | undefined): number[] | undefined {
  const parts = (typed?.text ?? '').split(between).filter(Boolean)
  if (!typed || parts.length === 0) return undefined
  const sizes = parts.map((part) => {
    const number = parseNumber(part)
    return number.ok && number.value >= 0 ? toMm(number.value, number.unit ?? typed.unit) : undefined
  })
  return sizes.every((size) => size !== undefined) ? sizes.filter((size) => size > 0) : undefined
}

export const packFault = (typed: Quantity | undefined): string | undefined =>
  typed && typed.text.trim() !== '' && packMm(typed) === undefined
    ? 'Write the shims with a plus between them, like 1 + 0.5.'
    : undefined

/** A thickness of a stock: how many there are, or as many as needed. */
export interface StockSize {
  thickness: number
  count: number
}

/** Sizes of a stock in mm; what cannot be read is left out. */
export const stockSizes = (stock: ShimStock | undefined): StockSize[] =>
  (stock?.sizes ?? []).flatMap(({ thickness, count }) => {
    const mm = quantityMm(thickness)
    const typed = parseNumber(count)
    return mm !== undefined && mm > 0
      ? [{ thickness: mm, count: typed.ok ? Math.max(0, Math.floor(typed.value)) : Number.POSITIVE_INFINITY }]
      : []
  })

/** Sizes closer than this are one and the same, mm. */
const same = 1e-6
const keyOf = (size: number) => Math.round(size / same)

/** What is left of a stock while packs are made up from it, foot by foot. */
export class ShimShelf {
  private readonly left: Map<number, number>
  private readonly sizes: number[]

  constructor(stock: readonly StockSize[]) {
    this.sizes = stock.map(({ thickness }) => thickness)
    this.left = new Map(stock.map(({ thickness, count }) => [keyOf(thickness), count]))
  }

  /** The pack for one foot: what lies under it may be used again; the rest is taken from the shelf. */
  take(
    wanted: number,
    { present, most, range }: { present: readonly number[]; most: number; range: readonly [number, number] },
  ): { pack: Pack; out: number[]; in: number[] } {
    const under = (size: number) => present.filter((one) => keyOf(one) === keyOf(size)).length
    const pack = choosePack([...new Set([...this.sizes, ...present])], wanted, {
      present,
      most,
      range,
      count: (size) => (this.left.get(keyOf(size)) ?? 0) + under(size),
    })
    const out = without(present, pack.shims)
    const more = without(pack.shims, present)
    for (const size of more) this.left.set(keyOf(size), (this.left.get(keyOf(size)) ?? 0) - 1)
    return { pack, out, in: more }
  }
}

/** What is in one list and not, or not so often, in another. */
function without(list: readonly number[], other: readonly number[]): number[] {
  const rest = other.map(keyOf)
  return list.filter((size) => {
    const at = rest.indexOf(keyOf(size))
    if (at >= 0) rest.splice(at, 1)
    return at < 0
  })
}

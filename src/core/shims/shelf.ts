import type { FootLimits } from '../least/facts'
import { choosePack, type Pack } from './packs'

/** A thickness of a stock: how many there are, or as many as needed. */
export interface StockSize {
  thickness: number
  count: number
}

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

  /**
   * The pack for one foot, of the thicknesses the stock has: what lies under it of them may be used again; the rest is taken
   * from the shelf.
   */
  take(
    wanted: number,
    { present, most, range }: { present: readonly number[]; most: number; range: readonly [number, number] },
  ): { pack: Pack; out: number[]; in: number[] } {
    const under = (size: number) => present.filter((one) => keyOf(one) === keyOf(size)).length
    const pack = choosePack(this.sizes, wanted, {
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

/** What is to happen under one foot. Lengths in mm. */
export interface UnderFoot {
  present: readonly number[]
  /** How far the foot is to be raised. */
  move: number
  /** What a soft foot wants under it beside that. */
  softFoot: number
  limits: FootLimits | undefined
  /** Shims in a pack at most. */
  most: number
}

/**
 * The new pack under a foot: `old pack + move + soft-foot shim`, kept to the foot's limits. The one planner of packs, for the
 * page and for the command line. Undefined where nothing is to be changed.
 */
export function packUnder(
  shelf: ShimShelf,
  { present, move, softFoot, limits, most }: UnderFoot,
): { pack: Pack; out: number[]; in: number[] } | undefined {
  if (Math.abs(move) < slack && softFoot === 0) return undefined
  const under = present.reduce((sum, size) => sum + size, 0) + softFoot
  const range = [under - (limits?.down ?? under), under + (limits?.up ?? Number.POSITIVE_INFINITY)] as const
  return shelf.take(under + move, { present, most, range })
}

/** Moves smaller than this are none, mm. */
export const slack = 1e-9

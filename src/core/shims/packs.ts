/** A pack of shims under a foot, from the bottom up. Thicknesses in any one unit. */
export interface Pack {
  /** Thin ones between thick ones. */
  shims: number[]
  /** The pack's thickness less what was wanted. */
  residual: number
}

/** Choices looked at before the nearest so far is taken: no stock on a shelf comes near it. */
const mostTried = 400_000

/** Differences below this share of the thinnest shim are none: thicknesses are decimal fractions in binary. */
const same = 1e-6

export interface PackOptions {
  /** Pieces in a pack, at least one. */
  most?: number
  /** What is under the foot now. */
  present?: readonly number[]
  /** How many of a thickness there are; as many as needed where nobody counts them. */
  count?: (size: number) => number
  /** The least and the greatest thickness the foot's limits allow. Where no pack lies between them, the nearest of all is given. */
  range?: readonly [least: number, greatest: number]
}

/**
 * The pack nearest in thickness to what is wanted, of at most so many shims; of equally near ones the one with the fewest
 * pieces, then the one that uses most of what is under the foot already. The search is bounded: of more than 60 sizes eight
 * at a time the nearest of the first 400,000 choices is given.
 *
 * @param wanted thickness; below nothing no pack is nearer than none
 */
export function choosePack(stock: readonly number[], wanted: number, options: PackOptions = {}): Pack {
  const { most = 4, present = [], count = () => Number.POSITIVE_INFINITY, range } = options
  const sizes = [...new Set(stock)].filter((size) => size > 0 && count(size) > 0).sort((a, b) => b - a)
  const close = same * (sizes.at(-1) ?? 1)
  const allowed = (sum: number) => !range || (sum >= range[0] - close && sum <= range[1] + close)
  const tries = { left: mostTried }
  let best: number[] | undefined = allowed(0) ? [] : undefined
  let distance = best ? Math.abs(wanted) : Number.POSITIVE_INFINITY
  let reused = 0
  for (let pieces = 1; pieces <= most; pieces++) {
    if (distance <= close) break // more pieces cannot better it
    tryAll(sizes, count, pieces, wanted, tries, (shims, sum) => {
      const off = Math.abs(sum - wanted)
      if (off > distance + close || !allowed(sum)) return distance
      const kept = reusedOf(shims, present, close)
      const nearer = off < distance - close
      if (nearer || (shims.length === best?.length && kept > reused)) {
        best = [...shims]
        distance = nearer ? off : distance
        reused = kept
      }
      return distance
    })
  }
  if (!best) {
    const { range: _, ...anywhere } = options
    return choosePack(stock, wanted, anywhere)
  }
  return { shims: thinBetween(best), residual: best.reduce((sum, size) => sum + size, 0) - wanted }
}

/**
 * Every choice of so many shims, thick ones first, that is not already too thick to be nearest; fewer where there are too
 * many to look at.
 */
function tryAll(
  sizes: readonly number[],
  count: (size: number) => number,
  pieces: number,
  wanted: number,
  tries: { left: number },
  visit: (shims: readonly number[], sum: number) => number,
): void {
  const shims: number[] = []
  let nearest = Number.POSITIVE_INFINITY
  const further = (from: number, left: number, sum: number, taken: number): void => {
    if (left === 0) {
      nearest = visit(shims, sum)
      return
    }
    const thinnest = sizes.at(-1) ?? 0
    for (let i = from; i < sizes.length; i++) {
      if (tries.left-- <= 0) return
      const size = sizes[i] ?? 0
      if (sum + size + (left - 1) * thinnest > wanted + nearest * (1 + same)) continue
      if (sum + left * size < wanted - nearest * (1 + same)) break // thinner ones fall even shorter
      const alike = i === from ? taken : 0
      if (alike >= count(size)) continue
      shims.push(size)
      further(i, left - 1, sum + size, alike + 1)
      shims.pop()
    }
  }
  further(0, pieces, 0, 0)
}

/** How many of the shims are there already. */
function reusedOf(shims: readonly number[], present: readonly number[], close: number): number {
  const left = [...present]
  return shims.filter((size) => {
    const at = left.findIndex((there) => Math.abs(there - size) <= close)
    if (at >= 0) left.splice(at, 1)
    return at >= 0
  }).length
}

/** The thickest at the bottom and the next at the top, the thin ones between: they neither crumple nor creep out. */
function thinBetween(shims: readonly number[]): number[] {
  const sorted = [...shims].sort((a, b) => b - a)
  const [bottom, top, ...between] = sorted
  return [bottom, ...between, top].filter((size) => size !== undefined)
}

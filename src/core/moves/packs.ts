/** A pack of shims under a foot, from the bottom up. Thicknesses in any one unit. */
export interface Pack {
  /** Thin ones between thick ones. */
  shims: number[]
  /** The pack's thickness less what was wanted. */
  residual: number
}

/** Differences below this share of the thinnest shim are none: thicknesses are decimal fractions in binary. */
const same = 1e-6

/**
 * The pack nearest in thickness to what is wanted, of at most so many shims; of equally near ones the one with the fewest
 * pieces, then the one that uses most of what is under the foot already. Every thickness may be taken as often as needed.
 *
 * @param wanted thickness; below nothing no pack is nearer than none
 * @param most pieces in a pack, at least one
 * @param present what is under the foot now
 */
export function choosePack(stock: readonly number[], wanted: number, most = 4, present: readonly number[] = []): Pack {
  const sizes = [...new Set(stock)].filter((size) => size > 0).sort((a, b) => b - a)
  const close = same * (sizes.at(-1) ?? 1)
  let best: number[] = []
  let distance = Math.abs(wanted)
  let reused = 0
  for (let pieces = 1; pieces <= most; pieces++) {
    if (distance <= close) break // fewer pieces cannot be bettered
    tryAll(sizes, pieces, wanted, (shims, sum) => {
      const off = Math.abs(sum - wanted)
      if (off > distance + close) return distance
      const kept = reusedOf(shims, present, close)
      const nearer = off < distance - close
      if (nearer || (shims.length === best.length && kept > reused)) {
        best = [...shims]
        distance = nearer ? off : distance
        reused = kept
      }
      return distance
    })
  }
  return { shims: thinBetween(best), residual: best.reduce((sum, size) => sum + size, 0) - wanted }
}

/** Every choice of so many shims, thick ones first, that is not already too thick to be nearest. */
function tryAll(
  sizes: readonly number[],
  pieces: number,
  wanted: number,
  visit: (shims: readonly number[], sum: number) => number,
): void {
  const shims: number[] = []
  let nearest = Number.POSITIVE_INFINITY
  const further = (from: number, left: number, sum: number): void => {
    if (left === 0) {
      nearest = visit(shims, sum)
      return
    }
    const thinnest = sizes.at(-1) ?? 0
    for (let i = from; i < sizes.length; i++) {
      const size = sizes[i] ?? 0
      if (sum + size + (left - 1) * thinnest > wanted + nearest * (1 + same)) continue
      if (sum + left * size < wanted - nearest * (1 + same)) break // thinner ones fall even shorter
      shims.push(size)
      further(i, left - 1, sum + size)
      shims.pop()
    }
  }
  further(0, pieces, 0)
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

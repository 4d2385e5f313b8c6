import { direction } from '../../../quantity/angles'
import { choosePack } from '../../../shims/packs'
import { boltAngle } from '../document/make'

/** Packs may stand off their common plane by so much before the bolts bend the flange, mm. */
export const mostUneven = 0.02

/** How many choices are looked at in full; of more bolts one after another is bettered. */
const mostTried = 60_000

/** Of evenly spaced bolts: the plane through what stands at them by least squares, and the most that anything stands off it. */
export function planeThrough(stacks: readonly number[]): { y: number; z: number; unevenness: number } {
  const n = stacks.length
  const places = stacks.map((_, i) => direction(boltAngle(i + 1, n)))
  // sine and cosine are square to each other and to the mean
  const mean = stacks.reduce((sum, value) => sum + value, 0) / n
  const along = (k: 0 | 1) => (2 / n) * stacks.reduce((sum, value, i) => sum + value * (places[i]?.[k] ?? 0), 0)
  const [y, z] = [along(0), along(1)]
  const off = stacks.map((value, i) => Math.abs(value - mean - y * (places[i]?.[0] ?? 0) - z * (places[i]?.[1] ?? 0)))
  return { y, z, unevenness: Math.max(...off) }
}

const thickness = (pack: readonly number[]): number => pack.reduce((sum, shim) => sum + shim, 0)

interface Choice {
  packs: readonly (readonly number[])[]
  unevenness: number
  pieces: number
  /** What the packs miss of what is wanted, squares summed, mm². */
  missed: number
}

/** What a choice of packs is judged by: `shims` as they are wanted at the bolts, mm. */
const judgedBy =
  (shims: readonly number[]) =>
  (packs: readonly (readonly number[])[]): Choice => ({
    packs,
    unevenness: planeThrough(packs.map(thickness)).unevenness,
    pieces: packs.reduce((sum, pack) => sum + pack.length, 0),
    missed: packs.reduce((sum, pack, i) => sum + (thickness(pack) - (shims[i] ?? 0)) ** 2, 0),
  })

/** Bolts from the one that wants most down: an order that doesn't depend on which way they are counted, nor from where. */
const mostFirst = (shims: readonly number[]): number[] =>
  shims.map((_, i) => i).sort((a, b) => (shims[b] ?? 0) - (shims[a] ?? 0))

/** Differences below this are none, mm. */
const same = 1e-9

/** Flatter, then fewer pieces, then nearer to what is wanted, then the thicker one under whichever bolt wants most. */
const better =
  (order: readonly number[]) =>
  (a: Choice, b: Choice): boolean => {
    if (Math.abs(a.unevenness - b.unevenness) > same) return a.unevenness < b.unevenness
    if (a.pieces !== b.pieces) return a.pieces < b.pieces
    if (Math.abs(a.missed - b.missed) > same) return a.missed < b.missed
    const bolt = order.find((i) => Math.abs(thickness(a.packs[i] ?? []) - thickness(b.packs[i] ?? [])) > same)
    return bolt !== undefined && thickness(a.packs[bolt] ?? []) > thickness(b.packs[bolt] ?? [])
  }

/**
 * A pack for every bolt. The nearest to each shim, unless the bolts would bend the flange on them: then, of the nearest pack, the
 * next thicker and the next thinner at every bolt, the choice that lies best in one plane, and of those the one with the fewest
 * pieces.
 *
 * @param wanted shims at the bolts, in their order, mm
 * @param most pieces in a pack
 */
export function packsInPlane(stock: readonly number[], wanted: readonly number[], most: number): number[][] {
  // to a millionth of a millimeter: the same bolts counted from another one differ in their last bits, and choose alike
  const shims = wanted.map((shim) => Math.round(shim * 1e6) / 1e6)
  const nearest = shims.map((shim) => choosePack(stock, shim, { most }).shims)
  const told = judgedBy(shims)
  const first = told(nearest)
  if (first.unevenness <= mostUneven + same) return nearest
  const choices = nearest.map((pack) => candidates(stock, pack, most))
  const combinations = choices.reduce((product, { length }) => product * length, 1)
  const found = combinations <= mostTried ? best(choices, shims) : bettered(choices, first, shims)
  return found.packs.map((pack) => [...pack])
}

/** The nearest pack, and those next above and below it in thickness. */
export function candidates(stock: readonly number[], nearest: readonly number[], most: number): number[][] {
  const step = Math.min(...stock) / 2
  const at = thickness(nearest)
  const others = [at + 2 * step, at - 2 * step].flatMap((wanted) => {
    if (wanted < -same) return []
    const { shims } = choosePack(stock, Math.max(0, wanted), { most })
    return Math.abs(thickness(shims) - at) > same ? [shims] : []
  })
  return [[...nearest], ...others]
}

/** The best of all combinations for what is wanted at the bolts. */
export function best(choices: readonly (readonly number[][])[], shims: readonly number[]): Choice {
  const told = judgedBy(shims)
  const isBetter = better(mostFirst(shims))
  let found: Choice | undefined
  const packs: number[][] = []
  const go = (i: number): void => {
    if (i === choices.length) {
      const choice = told([...packs])
      if (!found || isBetter(choice, found)) found = choice
      return
    }
    for (const pack of choices[i] ?? []) {
      packs[i] = pack
      go(i + 1)
    }
  }
  go(0)
  return found ?? told([])
}

/** One bolt after another is bettered until none can be, the one that wants most first. */
function bettered(choices: readonly (readonly number[][])[], first: Choice, shims: readonly number[]): Choice {
  const told = judgedBy(shims)
  const order = mostFirst(shims)
  const isBetter = better(order)
  let found = first
  for (let round = 0; round < 20; round++) {
    const before = found
    for (const i of order)
      for (const pack of choices[i] ?? []) {
        const next = told(found.packs.map((one, k) => (k === i ? pack : one)))
        if (isBetter(next, found)) found = next
      }
    if (found === before) break
  }
  return found
}

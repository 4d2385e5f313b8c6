import { direction } from '../../../frame/angles'
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
}

const told = (packs: readonly (readonly number[])[]): Choice => ({
  packs,
  unevenness: planeThrough(packs.map(thickness)).unevenness,
  pieces: packs.reduce((sum, pack) => sum + pack.length, 0),
})

/** Differences below this are none, mm. */
const same = 1e-9

const better = (a: Choice, b: Choice): boolean =>
  a.unevenness < b.unevenness - same || (a.unevenness < b.unevenness + same && a.pieces < b.pieces)

/**
 * A pack for every bolt. The nearest to each shim, unless the bolts would bend the flange on them: then, of the nearest pack, the
 * next thicker and the next thinner at every bolt, the choice that lies best in one plane, and of those the one with the fewest
 * pieces.
 *
 * @param shims wanted at the bolts, in their order, mm
 * @param most pieces in a pack
 */
export function packsInPlane(stock: readonly number[], shims: readonly number[], most: number): number[][] {
  const nearest = shims.map((shim) => choosePack(stock, shim, { most }).shims)
  const first = told(nearest)
  if (first.unevenness <= mostUneven + same) return nearest
  const choices = nearest.map((pack) => candidates(stock, pack, most))
  const combinations = choices.reduce((product, { length }) => product * length, 1)
  const found = combinations <= mostTried ? best(choices) : bettered(choices, first)
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

/** The best of all combinations. */
export function best(choices: readonly (readonly number[][])[]): Choice {
  let found: Choice | undefined
  const packs: number[][] = []
  const go = (i: number): void => {
    if (i === choices.length) {
      const choice = told([...packs])
      if (!found || better(choice, found)) found = choice
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

/** One bolt after another is bettered until none can be. */
function bettered(choices: readonly (readonly number[][])[], first: Choice): Choice {
  let found = first
  for (let round = 0; round < 20; round++) {
    const before = found
    for (const [i, packs] of choices.entries())
      for (const pack of packs) {
        const next = told(found.packs.map((one, k) => (k === i ? pack : one)))
        if (better(next, found)) found = next
      }
    if (found === before) break
  }
  return found
}

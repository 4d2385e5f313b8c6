import type { FootCheck } from './foot'

/** How the feet of a machine lie to each other, seen from above. */
export interface Layout {
  /** All feet of the near or of the far side. */
  sides: readonly FootCheck[][]
  /** All feet at the low or at the high end. */
  ends: readonly FootCheck[][]
}

/** Sorts the feet by side (about the mean y) and by end (the smallest and the largest x). */
export function layoutOf(feet: readonly FootCheck[]): Layout {
  const meanY = feet.reduce((sum, foot) => sum + foot.y, 0) / Math.max(1, feet.length)
  const low = Math.min(...feet.map((foot) => foot.x))
  const high = Math.max(...feet.map((foot) => foot.x))
  const near = feet.filter((foot) => foot.y < meanY)
  const far = feet.filter((foot) => foot.y >= meanY)
  const reach = (high - low) * 0.05
  return {
    sides: [near, far],
    ends: [feet.filter((foot) => foot.x <= low + reach), feet.filter((foot) => foot.x >= high - reach)],
  }
}

/** Whether two feet stand across from each other: on opposite sides and at different stations. */
export function diagonal(a: FootCheck, b: FootCheck, { sides }: Layout): boolean {
  const sideOf = (foot: FootCheck) => sides.findIndex((side) => side.includes(foot))
  return sideOf(a) !== sideOf(b) && a.x !== b.x
}

/**
 * How much each of four feet weighs in the frame's twist: a rigid frame drawn down at three feet leaves the fourth off by
 * `twist / weight`. The weight is the triangle of the other three, over the mean of all: 1 for a rectangle, unequal where
 * one end is wider. 1 for any other number of feet.
 */
export function twistWeights(feet: readonly FootCheck[]): ReadonlyMap<string, number> {
  const area = (without: number) => {
    const [a, b, c] = feet.filter((_, i) => i !== without)
    return a && b && c ? Math.abs((b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y)) : 0
  }
  const areas = feet.map((_, i) => (feet.length === 4 ? area(i) : 1))
  const mean = areas.reduce((sum, value) => sum + value, 0) / Math.max(1, feet.length)
  return new Map(feet.map(({ id }, i) => [id, mean > 0 ? (areas[i] ?? mean) / mean : 1]))
}

/**
 * The order to tighten in: a cross, each bolt as far as possible from the one before, beginning at the low near foot.
 * The same order is kept for the whole job.
 */
export function tighteningOrder(feet: readonly Pick<FootCheck, 'id' | 'x' | 'y'>[]): string[] {
  const left = [...feet].sort((a, b) => a.x - b.x || a.y - b.y)
  const order: string[] = []
  let last = left.shift()
  while (last) {
    order.push(last.id)
    const from = last
    const distance = (foot: { x: number; y: number }) => Math.hypot(foot.x - from.x, foot.y - from.y)
    const next = left.reduce<(typeof left)[number] | undefined>(
      (far, foot) => (!far || distance(foot) > distance(far) ? foot : far),
      undefined,
    )
    if (next) left.splice(left.indexOf(next), 1)
    last = next
  }
  return order
}

import type { Train } from '../solve/model'

/**
 * Where a machine's shaft is drawn from and to, mm: from its coupling(s) to a little past its farthest foot. Without
 * dimensions a machine is drawn 400 mm long, so that there is something to dimension.
 */
export function shaftEnds(train: Train, machine: number): [from: number, to: number] {
  const before = train.couplings[machine - 1]?.x
  const after = train.couplings[machine]?.x
  const feet = (train.machines[machine]?.feet ?? []).map((foot) => foot.x)
  const overhang = 60
  if (before !== undefined && after !== undefined) return [before, Math.max(after, before + 100)]
  if (before !== undefined)
    return [before, Math.max(before + 100, ...(feet.length ? feet.map((x) => x + overhang) : [before + 400]))]
  const end = after ?? 0
  return [Math.min(end - 100, ...(feet.length ? feet.map((x) => x - overhang) : [end - 400])), end]
}

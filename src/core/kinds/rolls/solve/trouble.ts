import { quantityMm } from '../../../quantity/quantity'
import type { RollsRound } from '../document/schema'
import type { Estimate } from './section'

/** How far a call about trouble has come, by what was seen and read twice with hand tools. */
export type TroubleTold =
  /** Nothing read yet, or once only: a single look tells nothing of its own doubt. */
  | { state: 'observe' }
  | { state: 'verify'; looks: 0 | 1 }
  /** Both looks differ by more than a hand does, mm over both ends: one of them is wrong, and neither is used. */
  | { state: 'looks-differ'; by: number }
  /** Both looks agree on nothing more than their doubt. */
  | { state: 'within-doubt'; bend: Estimate }
  /** One edge is longer. `fits`: the edge that hangs slack is the shorter way's; undefined where nobody said which does. */
  | { state: 'found'; bend: Estimate; longer: 'near' | 'far'; fits: boolean | undefined; needed: number }

/** Deviation of one reading of a tape or trammel by hand, mm: two looks that agree by chance are no surer than that. */
const byHand = 0.05

/**
 * Two looks, the tool set up anew between: their mean, and what they differ by. On the shorter way the web hangs slack. Whatever
 * corrects it has to know a third of the limit.
 *
 * @param over how far apart both ends are read, mm
 * @param limit of the span, rad
 */
export function troubleOf({ trouble }: RollsRound, over: number | undefined, limit: number): TroubleTold | undefined {
  if (!trouble) return undefined
  if (!trouble.span) return { state: 'observe' }
  const bends = trouble.looks.flatMap(({ near, far }) => {
    const [n, f] = [quantityMm(near), quantityMm(far)]
    return n === undefined || f === undefined || !over ? [] : [(f - n) / over]
  })
  const [a, b] = bends
  if (a === undefined || b === undefined || !over) return { state: 'verify', looks: bends.length === 1 ? 1 : 0 }
  const known = byHand / over
  // four readings by hand: their difference has twice the deviation of one
  if (Math.abs(a - b) > 3 * 2 * known) return { state: 'looks-differ', by: Math.abs(a - b) * over }
  // of a mean of two differences: by what the tool can do, and by what the two looks tell, whichever is more
  const bend = { value: (a + b) / 2, sd: Math.max(known, Math.abs(a - b) / 2) }
  if (Math.abs(bend.value) < 2 * bend.sd) return { state: 'within-doubt', bend }
  const longer = bend.value > 0 ? 'far' : 'near'
  return {
    state: 'found',
    bend,
    longer,
    fits: trouble.slack ? trouble.slack !== longer : undefined,
    needed: limit / 3,
  }
}

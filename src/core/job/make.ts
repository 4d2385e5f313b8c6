import type { Occasion } from '../ready/catalog'
import { emptyReady } from '../ready/ready'
import type { JobOf, LineFrame, RoundFrame } from './document'

/** A new job on a line: its first round, nothing read yet. */
export function jobFrom<L extends LineFrame, R extends RoundFrame>(
  line: L,
  round: R,
  title: string,
  occasion?: Occasion,
): JobOf<L, R> {
  const ready = occasion ? { ready: { ...emptyReady(), occasion } } : {}
  return { ...ready, title, note: '', line, rounds: [round], minutes: '', doneBy: '' }
}

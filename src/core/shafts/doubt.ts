import { contradicts } from '../fit/chiSquare'
import type { Verdict } from '../verdict/verdict'
import { closureLimitOf } from './closure'
import type { CouplingFit } from './coupling'
import type { ReadingSet } from './together'

/** Why what comes of a coupling's readings is not to be trusted, whatever the numbers say. */
export type Doubt = 'not-closed' | 'contradiction' | 'engaged'

/** Doubts of a fit: a dial that does not close, readings or sets that contradict each other. */
export function doubtsOf(fit: CouplingFit, sets: readonly ReadingSet[]): Doubt[] {
  const open = fit.probes.some(({ set, probe, closure }) => {
    const read = sets[set]?.probes[probe]
    return closure !== null && read !== undefined && Math.abs(closure) > closureLimitOf(read) + 1e-9
  })
  return [...(open ? (['not-closed'] as const) : []), ...(contradicts(fit.left) ? (['contradiction'] as const) : [])]
}

/** A verdict on readings in doubt: can't tell. Its probability stays that of the numbers alone. */
export const inDoubt = (verdict: Verdict, doubts: readonly Doubt[]): Verdict =>
  doubts.length === 0
    ? verdict
    : {
        ...verdict,
        state: 'unsure',
        byPlane: Object.fromEntries(Object.keys(verdict.byPlane).map((plane) => [plane, 'unsure' as const])),
      }

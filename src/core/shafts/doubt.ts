import { contradicts } from '../fit/chiSquare'
import { type Plane, planes } from '../quantity/axis'
import type { Verdict } from '../verdict/verdict'
import { closureLimitOf } from './closure'
import type { CouplingFit } from './coupling'
import type { ReadingSet } from './together'

/** Why what comes of a coupling's readings is not to be trusted, whatever the numbers say. */
export type Doubt = 'not-closed' | 'contradiction' | 'engaged' | 'no-sag'

/** A sag shows at the top and the bottom alone: sideways nothing hangs on it. */
const bearsOn: Readonly<Record<Doubt, readonly Plane[]>> = {
  'not-closed': planes,
  contradiction: planes,
  engaged: planes,
  'no-sag': ['vertical'],
}

/** Doubts of a fit: a dial that does not close, readings or sets that contradict each other, a bracket whose sag nobody gave. */
export function doubtsOf(fit: CouplingFit, sets: readonly ReadingSet[]): Doubt[] {
  const open = fit.probes.some(({ set, probe, closure }) => {
    const read = sets[set]?.probes[probe]
    return closure !== null && read !== undefined && Math.abs(closure) > closureLimitOf(read) + 1e-9
  })
  const unsagged =
    fit.measured.includes('vertical') && fit.probes.some(({ set, probe }) => sets[set]?.probes[probe]?.sagUnknown)
  return [
    ...(open ? (['not-closed'] as const) : []),
    ...(contradicts(fit.left) ? (['contradiction'] as const) : []),
    ...(unsagged ? (['no-sag'] as const) : []),
  ]
}

/**
 * A verdict on readings in doubt: can't tell, in every plane that the doubt bears on. A plane that it leaves alone and that is
 * outside keeps the whole outside. Its probability stays that of the numbers alone.
 */
export function inDoubt(verdict: Verdict, doubts: readonly Doubt[]): Verdict {
  if (doubts.length === 0) return verdict
  const told = planes.flatMap((plane) => {
    const state = verdict.byPlane[plane]
    return state ? [[plane, doubts.some((doubt) => bearsOn[doubt].includes(plane)) ? 'unsure' : state] as const] : []
  })
  return {
    ...verdict,
    state: told.some(([, state]) => state === 'outside') ? 'outside' : 'unsure',
    byPlane: Object.fromEntries(told),
  }
}

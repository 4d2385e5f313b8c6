import { quantityMm } from '../quantity/quantity'
import type { KitBracket } from './schema'

/** What a bracket on a straight bar showed comes to. Lengths in mm. */
export interface SagTaken {
  /** Bottom less top; undefined until both are read. */
  sag: number | undefined
  /** Top + bottom − far − near: nothing on a straight bar read right; undefined until all four are read. */
  closure: number | undefined
  /** Far less near: a bar has no sides, so this is a bend, a run-out or a slip; undefined until both are read. */
  sideways: number | undefined
  /** Whether it may be kept: sags downward, and closes and stands still sideways as far as those were read. */
  good: boolean
}

/**
 * Sag of a bracket from a straight bar: the bar has no misalignment, so its readings are `c + sag·(1 − cos θ)/2` alone.
 * In least squares over the four quarters the sides fall out, and the sag is bottom − top.
 *
 * @param graduation of the dial that was read, mm: closure may be off by two of them
 */
export function takeSag({ bar }: Pick<KitBracket, 'bar'>, graduation: number): SagTaken {
  const [top, far, bottom, near] = [bar.top, bar.far, bar.bottom, bar.near].map(quantityMm)
  const sag = top === undefined || bottom === undefined ? undefined : bottom - top
  const sideways = far === undefined || near === undefined ? undefined : far - near
  const closure =
    sag === undefined || far === undefined || near === undefined ? undefined : (top ?? 0) + (bottom ?? 0) - far - near
  const within = (value: number | undefined) => value === undefined || Math.abs(value) <= 2 * graduation + 1e-9
  return { sag, closure, sideways, good: sag !== undefined && sag <= 0 && within(closure) && within(sideways) }
}

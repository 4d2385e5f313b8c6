import { lineThrough } from '../quantity/axis'
import { type FootCheck, gapOf } from './foot'

/**
 * About how far the shaft moves at a coupling when the bolts are tightened, mm, negative downward: every open foot is drawn
 * down onto its pad, and the machine's frame follows as the line through its feet along the shaft, by least squares. An estimate: a rigid
 * frame tips more abruptly, a limber one less.
 *
 * @param couplingX station of the coupling, mm
 */
export function shaftShift(feet: readonly FootCheck[], couplingX: number): number {
  const drawn = feet.map((foot) => ({ x: foot.x, value: -Math.max(0, gapOf(foot).size ?? 0) }))
  return lineThrough(drawn, couplingX).offset
}

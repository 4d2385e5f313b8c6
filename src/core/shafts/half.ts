import type { Plane } from '../quantity/axis'
import type { ProbeState } from './state'

/**
 * Half of what a probe went over from one side to the other in a plane, sag and run-out taken off: how far the right shaft stands from the
 * left one where it touches, mm, up or toward the far side, as somebody would put it on squared paper. From two readings half a turn apart;
 * undefined where they were not taken, or where it feels something else than that distance.
 */
export function halfReading({ readings, feels }: ProbeState, plane: Plane): number | undefined {
  if (!feels || Math.abs(Math.abs(feels.weight[0]) - 1) > 1e-9) return undefined
  const at = (degrees: number): number | undefined =>
    readings.find(({ angle }) => Math.abs(((angle + feels.lead - degrees + 540) % 360) - 180) < 1e-6)?.corrected
  const [here, across] = plane === 'vertical' ? [at(0), at(180)] : [at(90), at(270)]
  return here === undefined || across === undefined ? undefined : (here - across) / 2 / feels.weight[0]
}

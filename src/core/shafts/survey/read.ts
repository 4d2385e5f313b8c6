import type { Units } from '../../frame/openFormat'
import { toMm } from '../../frame/units'
import { probeOfSurvey } from '../../probes'
import type { Side } from '../../probes/probe'
import { purposeOf, type ReadingSet } from '../together'
import type { SurveyMeasurement } from './schema'

/** A set read closed or running was read coupled up, whatever else it says. */
export const stateOf = ({ state, purpose }: SurveyMeasurement): 'released' | 'engaged' =>
  purpose === 'closed' || purpose === 'running' ? 'engaged' : (state ?? 'released')

/**
 * A measurement of a document as it is solved, in mm.
 *
 * @param side on which side of the coupling a machine is, by its id
 */
export function setOfSurvey(measurement: SurveyMeasurement, side: (machine: string) => Side, units: Units): ReadingSet {
  const state = stateOf(measurement)
  return {
    state,
    purpose: measurement.purpose ?? purposeOf({ state }),
    probes: measurement.probes.map((probe) =>
      probeOfSurvey(probe, {
        on: side(probe.on),
        length: (value) => toMm(value, units.length),
        reading: (value) => toMm(value, units.reading),
        zeroed: measurement.zeroed ?? 'any',
      }),
    ),
  }
}

import { anglesTold, probeOfSurvey } from '../../probes'
import type { Side } from '../../probes/probe'
import { refuse } from '../../quantity/fault'
import type { Units } from '../../quantity/openFormat'
import { toMm } from '../../quantity/units'
import { purposeOf, type ReadingSet } from '../together'
import type { SurveyMeasurement } from './schema'

/** A set read closed or running was read coupled up, whatever else it says. */
export const stateOf = ({ state, purpose }: SurveyMeasurement): 'released' | 'engaged' =>
  purpose === 'closed' || purpose === 'running' ? 'engaged' : (state ?? 'released')

/** A reading at an angle at which a dial zeroed once for height and once for sideways tells nothing. */
export function betweenPlanes(measurements: readonly SurveyMeasurement[]): ReturnType<typeof refuse> | undefined {
  for (const [m, { zeroed, probes }] of measurements.entries())
    if (zeroed === 'planes')
      for (const [p, probe] of probes.entries()) {
        const r = anglesTold(probe).findIndex((angle) => angle % 90 !== 0)
        if (r >= 0)
          return refuse(
            `measurements.${m}.probes.${p}.readings.${r}.0`,
            'expected a quarter (0, 90, 180 or 270): a dial zeroed twice is used at the quarters only',
          )
      }
  return undefined
}

/**
 * A measurement of a document as it is solved, in mm.
 *
 * @param side on which side of the coupling a machine is, by its id
 * @param couplingX station of the coupling, mm
 */
export function setOfSurvey(
  measurement: SurveyMeasurement,
  side: (machine: string) => Side,
  units: Units,
  couplingX: number,
): ReadingSet {
  const state = stateOf(measurement)
  return {
    state,
    purpose: measurement.purpose ?? purposeOf({ state }),
    probes: measurement.probes.map((probe) =>
      probeOfSurvey(probe, {
        on: 'on' in probe ? side(probe.on) : 'right',
        couplingX,
        length: (value) => toMm(value, units.length),
        reading: (value) => toMm(value, units.reading),
        zeroed: measurement.zeroed ?? 'any',
      }),
    ),
  }
}

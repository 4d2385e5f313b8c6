import { type Probe, probeToSurvey } from '../../probes'
import { tidy } from '../../quantity/openFormat'
import type { ReadSet } from '../schema'
import { purposeOf, type ReadingSet } from '../together'
import type { SurveyMeasurement } from './schema'

/**
 * A set as the open survey document tells it, in mm.
 *
 * @param typed the set as it was typed: how it was zeroed
 * @param of the machine each probe is on, by its id, and one turn of its dial where that is known
 */
export function measurementOf(
  coupling: string,
  { state, purpose, probes }: ReadingSet,
  typed: Pick<ReadSet, 'zeroed'> | undefined,
  of: (probe: Probe, index: number) => { on: string; turn: number | undefined },
): SurveyMeasurement {
  const zeroed = typed?.zeroed
  return {
    coupling,
    state,
    purpose: purposeOf({ state, purpose }),
    ...(zeroed && zeroed !== 'any' ? { zeroed } : {}),
    probes: probes.map((probe, p) =>
      probeToSurvey(probe, { ...of(probe, p), sd: tidy(probe.sd), graduation: tidy(probe.graduation ?? 2 * probe.sd) }),
    ),
  }
}

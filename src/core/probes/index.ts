import * as v from 'valibot'
import { planes } from '../quantity/axis'
import { type Beam, beam, beamSurvey } from './beam'
import { type BeamTwoPlane, beamTwoPlane, beamTwoPlaneSurvey } from './beamTwoPlane'
import { type BoreDial, bore, boreSurvey } from './bore'
import { type FaceDial, face, faceSurvey } from './face'
import type { Dimension, ProbeKind, SurveyBase, SurveyUnits, TypedProbe } from './kind'
import { type PrismHead, prism, prismSurvey } from './prism'
import type { Channel, ProbeContext, SingleReadings } from './probe'
import { type InstrumentResult, result, resultAngles, resultSurvey } from './result'
import { type RimDial, rim, rimSurvey } from './rim'

/** Everything that can hang on a shaft and be read, as it is solved. A further probe is one more file and its lines here. */
export interface Probes {
  rim: RimDial
  face: FaceDial
  beam: Beam
  beam2: BeamTwoPlane
  bore: BoreDial
  prism: PrismHead
  result: InstrumentResult
}
export type ProbeType = keyof Probes
export type Probe = Probes[ProbeType]

/** A probe as the open survey document has it. */
export const probeSurvey = v.variant(
  'type',
  [rimSurvey, faceSurvey, beamSurvey, beamTwoPlaneSurvey, boreSurvey, prismSurvey, resultSurvey],
  'a probe of type "rim", "face", "beam", "beam2", "bore", "prism" or "result"',
)
export type SurveyProbe = v.InferOutput<typeof probeSurvey>
type SurveyProbes = { [T in ProbeType]: Extract<SurveyProbe, { type: T }> }

/** What is known of every kind of probe. */
export const probeKinds: { readonly [T in ProbeType]: ProbeKind<Probes[T], SurveyProbes[T]> } = {
  rim,
  face,
  beam,
  beam2: beamTwoPlane,
  bore,
  prism,
  result,
}

export const probeTypes = Object.keys(probeKinds) as [ProbeType, ...ProbeType[]]

/** What a probe adds to its coupling's system: one channel, or four for a detector with two planes. */
export function probeChannels<T extends ProbeType>(probe: { type: T } & Probes[T], context: ProbeContext): Channel[] {
  const kind: ProbeKind<Probes[T], SurveyProbes[T]> = probeKinds[probe.type]
  return kind.rows(probe, context)
}

/** Stations along the train at which a probe sees the offset, mm; none for a face dial. */
export function stationsOf<T extends ProbeType>(probe: { type: T } & Probes[T]): readonly number[] {
  const kind: ProbeKind<Probes[T], SurveyProbes[T]> = probeKinds[probe.type]
  return kind.stationsMm(probe)
}

/** Whether top + bottom − far − near of a probe must come to nothing. */
export function closes<T extends ProbeType>(probe: { type: T } & Probes[T]): boolean {
  const kind: ProbeKind<Probes[T], SurveyProbes[T]> = probeKinds[probe.type]
  return kind.closes(probe)
}

/** What was measured of a probe by tape or on a bar, each with the probe as it would be with that much more, mm. */
export function dimensionsOf<T extends ProbeType>(
  probe: { type: T } & Probes[T],
): readonly { what: Dimension; more(by: number): Probe }[] {
  const kind: ProbeKind<Probes[T], SurveyProbes[T]> = probeKinds[probe.type]
  return kind.dimensions(probe)
}

/** A probe from what was typed of it; undefined where something it cannot do without is missing. */
export const probeTyped = (type: ProbeType, typed: TypedProbe): Probe | undefined => probeKinds[type].of(typed)

/** A probe of the open survey document, in mm. */
export function probeOfSurvey<T extends ProbeType>(told: { type: T } & SurveyProbes[T], units: SurveyUnits): Probes[T] {
  const kind: ProbeKind<Probes[T], SurveyProbes[T]> = probeKinds[told.type]
  return kind.ofSurvey(told, units)
}

/** A probe as the open survey document tells it, in mm. */
export function probeToSurvey<T extends ProbeType>(probe: { type: T } & Probes[T], base: SurveyBase): SurveyProbes[T] {
  const kind: ProbeKind<Probes[T], SurveyProbes[T]> = probeKinds[probe.type]
  return kind.toSurvey(probe, base)
}

/** Whether a probe gives one number an angle. */
export const isSingle = <P extends Probe>(probe: P): probe is Extract<P, SingleReadings> =>
  probeKinds[probe.type].channels.length === 1

/** Positions at which a probe of a survey document was read, degrees; of an instrument's own result those its planes are kept at. */
export const anglesTold = (probe: SurveyProbe): number[] =>
  probe.type === 'result'
    ? planes.flatMap((plane) => (probe[plane] ? [resultAngles[plane]] : []))
    : probe.readings.map(([angle]) => angle)

/** Whether a probe's readings go round a turn: an instrument's own result has none. */
export const goesRound = ({ type }: { type: ProbeType }): boolean => probeKinds[type].instrument !== 'result'

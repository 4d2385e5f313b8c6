import type { NamedLine } from '../../core/job/document'
import type { Line, Round } from '../../core/kinds/train/document/schema'
import { flexPlane, secondPlane } from '../../core/kinds/train/document/stations'
import { probeKinds } from '../../core/probes'
import type { ReadSet } from '../../core/shafts/schema'
import type { PlaceInRound } from '../kind'
import { t } from '../language'
import { angleInText, footName, inText, probeName } from '../terms'

export interface PlaceName {
  /** Id of the coupling, flex plane, foot, mark or probe. */
  value: string
  text: string
}

/** Everything that a tape can be hooked on, with its name: couplings, flex planes, feet, marks, and the probes of a set. */
export function referencesOf(line: Line, set?: ReadSet): PlaceName[] {
  return [
    ...line.couplings.flatMap(({ id, name, kind }) => [
      { value: id, text: t`center of ${inText(name)}` },
      ...(kind === 'spacer'
        ? (['left', 'right'] as const).map((side) => ({
            value: flexPlane(id, side),
            text: t`${side} flex plane of ${inText(name)}`,
          }))
        : []),
    ]),
    ...line.machines.flatMap(({ feet }) => feet.map(({ id }) => ({ value: id, text: inText(footName(id, { line })) }))),
    ...(line.marks ?? []).map(({ id, name }) => ({ value: id, text: name })),
    ...(set?.probes ?? []).flatMap((probe) => {
      const { stations } = probeKinds[probe.type]
      if (stations === 0) return []
      const name = inText(probeName(set as ReadSet, probe, { line }))
      return stations === 2
        ? [
            { value: probe.id, text: t`${name}, plane 1` },
            { value: secondPlane(probe.id), text: t`${name}, plane 2` },
          ]
        : [{ value: probe.id, text: name }]
    }),
  ]
}

/** A place in a round of a train, in words: set, probe and angle; `whole` where nothing is left to be said of it. */
export function placeInRound(round: Round, path: readonly string[], line: NamedLine): PlaceInRound {
  const set = round.sets.find((one) => path.includes(one.id))
  const dial = set?.probes.find((one) => path.includes(one.id))
  const angle = set?.angles.find((one) => path.some((key) => key === one.id || key.startsWith(`${one.id}:`)))
  return {
    words: [
      ...(set && dial ? [inText(probeName(set, dial, { line }))] : []),
      ...(set && !dial && path.at(-1) === set.id ? [t`set ${round.sets.indexOf(set) + 1}`] : []),
      ...(angle ? [angleInText(angle.degrees, { line }, set?.angleAs)] : []),
    ],
    whole: angle !== undefined,
  }
}

import type { Misalignment } from '../probes/probe'
import { type Plane, planes } from '../quantity/axis'
import type { Misaligned } from '../shafts/coupling'
import { probabilityOf } from '../verdict/probability'
import type { Limits } from '../verdict/verdict'
import { difference } from './between'

/** The share of what is allowed that closing a coupling may move the shafts by, unless the site says otherwise. */
export const closingShare = 0.25

/** What closing the coupling did to the shafts. */
export interface Closing {
  /** closed − released: offsets in mm at the coupling, slopes in rad; 0 in a plane that was not read both ways. */
  change: Misalignment
  /** By how much the right axis went against the left one at each station, mm. */
  stations: { station: string; plane: Plane; by: number }[]
  /** What it may be: a share of the allowed offset and slope. Undefined where no limit is known. */
  most: { offset: number; slope: number } | undefined
  /** Within by 95 %, outside by 95 %, or it cannot be told. */
  state: 'within' | 'outside' | 'unsure'
}

/**
 * How far closing the coupling moved the shafts, by two independent readings. Beyond its limit something in the coupling
 * pushes: bolts, the length of a spacer, a hub's bore, strain.
 *
 * @returns undefined where they have no plane in common
 */
export function closingOf(
  closed: Misaligned,
  released: Misaligned,
  couplingX: number,
  stations: readonly { id: string; x: number }[],
  limits: Limits | undefined,
  share = closingShare,
): Closing | undefined {
  const found = difference(closed, released)
  if (!found) return undefined
  const { change, names, whole } = found
  const most = limits && { offset: limits.offset * share, slope: limits.slope * share }
  const chance = most
    ? probabilityOf(
        (oy, sy, oz, sz) => Math.hypot(oy, oz) <= most.offset && Math.hypot(sy, sz) <= most.slope,
        [change.offsetY, change.slopeY, change.offsetZ, change.slopeZ],
        whole,
      )
    : 0.5
  return {
    change,
    stations: stations.flatMap(({ id, x }) =>
      planes
        .filter((plane) => names.includes(plane === 'vertical' ? 'offsetZ' : 'offsetY'))
        .map((plane) => {
          const [offset, slope] =
            plane === 'vertical' ? [change.offsetZ, change.slopeZ] : [change.offsetY, change.slopeY]
          return { station: id, plane, by: offset + slope * (x - couplingX) }
        }),
    ),
    most,
    state: chance >= 0.95 ? 'within' : chance <= 0.05 ? 'outside' : 'unsure',
  }
}

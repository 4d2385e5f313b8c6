import { type ProbeType, probeKinds } from '../probes'
import { resultAngles } from '../probes/result'
import { emptyQuantity, type Quantity } from '../quantity/quantity'
import type { Unit } from '../quantity/units'
import { lengthUnitFor, usualDial } from '../quantity/usual'
import type { ProbeSetUp, ReadSet, Station } from './schema'
import type { Purpose } from './together'
import { isCoupled } from './typed'

/** New probes and sets, and the same ones once more with nothing read. Ids are unique within their document. */

export const station = (from: string, toward: Station['toward'], distance: Quantity): Station => ({
  from,
  toward,
  distance,
})

/** What a new probe hangs on: the machine it touches, its coupling, and toward which end of the line it stands from there. */
export interface NewProbe {
  type: ProbeType
  on: string
  id: string
  coupling: string
  toward: Station['toward']
  unit: Unit
}

/** Which way a probe's second station lies from its first: on, or back across the coupling. */
export const secondToward = (type: ProbeType, toward: Station['toward']): Station['toward'] =>
  probeKinds[type].second === 'across' ? (toward === 'left' ? 'right' : 'left') : toward

/** A probe on a machine beside a coupling, nothing read yet. */
export function makeProbe({ type, on, id, coupling, toward, unit }: NewProbe): ProbeSetUp {
  const length = lengthUnitFor(unit)
  const kind = probeKinds[type]
  const head = kind.instrument === 'head'
  return {
    id,
    type,
    on,
    station: station(
      coupling,
      toward,
      kind.instrument === 'result' ? { text: '0', unit: length } : emptyQuantity(length),
    ),
    ...(kind.stations === 2 ? { plane2: station(id, secondToward(type, toward), emptyQuantity(length)) } : {}),
    radius: emptyQuantity(length),
    ...(kind.instrument === 'result' ? usualResult(unit) : head ? usualHead(unit) : usualDial(unit)),
    sag: kind.sag === 'none' ? { text: '0', unit } : emptyQuantity(unit),
    ...(kind.mark === 'along' ? { side: 'front' as const } : {}),
    readings: {},
  }
}

/** A head's finest step and the deviation to expect of it, air and all; it has no turns. */
const usualHead = (unit: Unit): { graduation: Quantity; turn: Quantity; sd: Quantity } => ({
  graduation: unit === 'mil' || unit === 'in' ? { text: '0.1', unit: 'mil' } : { text: '0.001', unit: 'mm' },
  turn: emptyQuantity(unit),
  sd: unit === 'mil' || unit === 'in' ? { text: '0.12', unit: 'mil' } : { text: '0.003', unit: 'mm' },
})

/** An instrument's own result: told at the coupling, its angle as the gap over 100 mm (over an inch), good to a hundredth. */
function usualResult(unit: Unit) {
  const inch = unit === 'mil' || unit === 'in'
  const fine: Quantity = inch ? { text: '0.4', unit: 'mil' } : { text: '0.01', unit: 'mm' }
  return {
    graduation: fine,
    turn: emptyQuantity(unit),
    sd: fine,
    gapSd: inch ? ({ text: '0.1', unit: 'mil' } as const) : fine,
    diameter: inch ? ({ text: '1', unit: 'in' } as const) : ({ text: '100', unit: 'mm' } as const),
  }
}

/** The planes of a result, kept as the angles a dial would look at. */
export const resultPlanes = [resultAngles.vertical, resultAngles.horizontal]

/** The angles of a full turn by quarters, with the return to the start. */
export const quarterAngles = [0, 90, 180, 270, 360]

export const anglesOf = (degrees: readonly number[]): ReadSet['angles'] =>
  degrees.map((at) => ({ id: `a${at}`, degrees: at }))

/** A set for another purpose: what was confirmed of it as it was holds no longer. */
export function withPurpose(set: ReadSet, purpose: Purpose): ReadSet {
  const { engagedAccepted: _, ...bare } = set
  return { ...bare, purpose, state: purpose === 'closed' || purpose === 'running' ? 'engaged' : 'released' }
}

/** The same probes at the same coupling with nothing read: a repeat of the set, or the set of the next round. */
export function repeatSet(set: ReadSet, id: string): ReadSet {
  const { engagedAccepted: _, ...kept } = set
  // a probe that was measured from another of the set is measured from that one's successor
  const renamed = new Map(set.probes.map((probe, i) => [probe.id, `${id}-probe${i + 1}`]))
  return {
    ...kept,
    id,
    probes: set.probes.map(({ own: __, sweep: ___, ...probe }, i) => {
      const own = `${id}-probe${i + 1}`
      return {
        ...probe,
        id: own,
        station: { ...probe.station, from: renamed.get(probe.station.from) ?? probe.station.from },
        ...(probe.plane2
          ? { plane2: { ...probe.plane2, from: renamed.get(probe.plane2.from) ?? probe.plane2.from } }
          : {}),
        readings: {},
      }
    }),
  }
}

/** The same probes once more, to see how well it repeats; of a set read closed or running, another of its kind. */
export const repeatOf = (set: ReadSet, id: string): ReadSet => {
  const fresh = repeatSet(set, id)
  return isCoupled(set) ? fresh : withPurpose(fresh, 'repeat')
}

import { probeKinds } from '../../../probes'
import { quantityFault, quantityMm } from '../../../quantity/quantity'
import type { Trouble } from '../../../quantity/trouble'
import type { ProbeSetUp, Station } from '../../../shafts/schema'
import type { Line } from './schema'

/** Something wrong with a typed dimension, by whose it is. */
export interface DimensionFault {
  kind: 'missing' | 'not-a-number' | 'circle' | 'unknown-reference'
  /** Id of the foot, coupling or dial. */
  of: string
  trouble: Trouble
}

/** Id under which the second plane of a two-plane detector is placed. */
export const secondPlane = (id: string): string => `${id}/2`

/** Ids under which the flex planes of a spacer coupling are placed. */
export const flexPlane = (coupling: string, toward: 'left' | 'right'): string => `${coupling}/${toward}`

/** Id of the coupling at which x begins: the one that is measured from nothing, else the first. */
export const originOf = ({ couplings }: Pick<Line, 'couplings'>): string =>
  (couplings.find(({ station }) => !station) ?? couplings[0])?.id ?? ''

export interface Stations {
  /** x in mm of every foot, coupling, flex plane, mark, probe and second plane that could be placed. */
  x: ReadonlyMap<string, number>
  faults: DimensionFault[]
}

/**
 * Places everything on the train from the chain of dimensions: each station is so far from another one, to its left or
 * its right, and the coupling that is measured from nothing is x = 0. A negative distance goes the other way.
 */
export function placeStations(line: Line, dials: readonly ProbeSetUp[] = []): Stations {
  const given = new Map<string, Station | undefined>()
  const planes = new Set<string>()
  const origin = originOf(line)
  for (const coupling of line.couplings) {
    given.set(coupling.id, coupling.id === origin ? undefined : coupling.station)
    if (coupling.kind !== 'spacer') continue
    const span = quantityMm(coupling.span)
    for (const toward of ['left', 'right'] as const) {
      const plane = flexPlane(coupling.id, toward)
      planes.add(plane)
      const distance = { text: span === undefined ? '' : String(span / 2), unit: 'mm' as const }
      given.set(plane, { from: coupling.id, toward, distance })
    }
  }
  for (const mark of line.marks ?? []) given.set(mark.id, mark.station)
  for (const machine of line.machines) for (const foot of machine.feet) given.set(foot.id, foot.station)
  for (const dial of dials) {
    const { stations } = probeKinds[dial.type]
    if (stations > 0) given.set(dial.id, dial.station)
    if (stations > 1) given.set(secondPlane(dial.id), dial.plane2)
  }

  const x = new Map<string, number>()
  const faults = new Map<string, DimensionFault>()
  const fail = (of: string, kind: DimensionFault['kind'], trouble: Trouble) => {
    if (!faults.has(of)) faults.set(of, { of, kind, trouble })
    return undefined
  }
  const place = (id: string, onTheWay: readonly string[]): number | undefined => {
    const known = x.get(id)
    if (known !== undefined) return known
    if (id === origin) {
      x.set(id, 0)
      return 0
    }
    if (onTheWay.includes(id)) return fail(id, 'circle', { kind: 'in-a-circle' })
    const station = given.get(id)
    if (!station) return fail(id, 'missing', { kind: 'no-place' })
    if (!given.has(station.from)) return fail(id, 'unknown-reference', { kind: 'no-reference' })
    const distance = quantityMm(station.distance)
    const fault = quantityFault(station.distance)
    if (distance === undefined) return fail(id, fault ? 'not-a-number' : 'missing', fault ?? { kind: 'no-distance' })
    const from = place(station.from, [...onTheWay, id])
    if (from === undefined) return undefined
    const placed = from + (station.toward === 'right' ? distance : -distance)
    x.set(id, placed)
    return placed
  }
  // nobody misses the span of a spacer where nothing is measured from its flex planes
  for (const [id, station] of given) if (!planes.has(id) || station?.distance.text !== '') place(id, [])
  return { x, faults: [...faults.values()] }
}

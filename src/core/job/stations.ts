import { quantityFault, quantityMm } from '../frame/quantity'
import type { Line, ProbeSetUp, Station } from './schema'

/** Something wrong with a typed dimension, by whose it is. */
export interface DimensionFault {
  kind: 'missing' | 'not-a-number' | 'circle' | 'unknown-reference'
  /** Id of the foot, coupling or dial. */
  of: string
  message: string
}

/** Id under which the second plane of a two-plane detector is placed. */
export const secondPlane = (id: string): string => `${id}/2`

export interface Stations {
  /** x in mm of every foot, coupling, probe and second plane that could be placed. */
  x: ReadonlyMap<string, number>
  faults: DimensionFault[]
}

/**
 * Places everything on the train from the chain of dimensions: each station is so far from another one, to its left or
 * its right, and the first coupling is x = 0. A negative distance goes the other way.
 */
export function placeStations(line: Line, dials: readonly ProbeSetUp[] = []): Stations {
  const given = new Map<string, Station | undefined>()
  line.couplings.forEach((coupling, i) => {
    given.set(coupling.id, i === 0 ? undefined : coupling.station)
  })
  for (const machine of line.machines) for (const foot of machine.feet) given.set(foot.id, foot.station)
  for (const dial of dials) {
    if (dial.type !== 'face') given.set(dial.id, dial.station)
    if (dial.type === 'beam2') given.set(secondPlane(dial.id), dial.plane2)
  }

  const origin = line.couplings[0]?.id
  const x = new Map<string, number>()
  const faults = new Map<string, DimensionFault>()
  const fail = (of: string, kind: DimensionFault['kind'], message: string) => {
    if (!faults.has(of)) faults.set(of, { of, kind, message })
    return undefined
  }
  const place = (id: string, onTheWay: readonly string[]): number | undefined => {
    const known = x.get(id)
    if (known !== undefined) return known
    if (id === origin) {
      x.set(id, 0)
      return 0
    }
    if (onTheWay.includes(id)) return fail(id, 'circle', 'Its dimension leads round in a circle back to itself.')
    const station = given.get(id)
    if (!station) return fail(id, 'missing', 'Nothing says where it stands.')
    if (!given.has(station.from))
      return fail(id, 'unknown-reference', 'It is measured from something that is not there.')
    const distance = quantityMm(station.distance)
    const fault = quantityFault(station.distance)
    if (distance === undefined)
      return fail(id, fault ? 'not-a-number' : 'missing', fault ?? 'Its distance is not filled in yet.')
    const from = place(station.from, [...onTheWay, id])
    if (from === undefined) return undefined
    const placed = from + (station.toward === 'right' ? distance : -distance)
    x.set(id, placed)
    return placed
  }
  for (const id of given.keys()) place(id, [])
  return { x, faults: [...faults.values()] }
}

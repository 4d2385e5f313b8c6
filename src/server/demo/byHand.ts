import type { Line } from '../../core/kinds/train/document/schema'
import { placeStations, secondPlane } from '../../core/kinds/train/document/stations'
import { probeKinds } from '../../core/probes'
import type { Misalignment, Side } from '../../core/probes/probe'
import { type Quantity, quantityFrom } from '../../core/quantity/quantity'
import { exactSpot } from '../../core/rig/beams'
import { exactBoreReading, exactFaceReading, exactRimReading, type ShaftPair, shaftPair } from '../../core/rig/geometry'
import { exactPrismReading } from '../../core/rig/prism'
import type { Chance } from '../../core/rig/random'
import type { ProbeSetUp, ReadSet } from '../../core/shafts/schema'
import { readingKey } from '../../core/shafts/typed'

/** Readings of demo jobs: dimensions are chosen, what is read comes from the rig. */

export const mm = (value: number): Quantity => ({ text: String(value), unit: 'mm' })

/** What a probe is given before it is read, by the end of its id. */
export type Hanging = Readonly<Record<string, Partial<Record<'out' | 'out2' | 'radius' | 'sag', number>>>>

export function hang(set: ReadSet, hanging: Hanging): ReadSet {
  return {
    ...set,
    probes: set.probes.map((probe): ProbeSetUp => {
      const given = hanging[probe.id.slice(set.id.length + 1)] ?? {}
      return {
        ...probe,
        ...(given.out === undefined ? {} : { station: { ...probe.station, distance: mm(given.out) } }),
        ...(probe.plane2 && given.out2 !== undefined ? { plane2: { ...probe.plane2, distance: mm(given.out2) } } : {}),
        ...(given.radius === undefined ? {} : { radius: mm(given.radius) }),
        ...(given.sag === undefined ? {} : { sag: mm(given.sag) }),
      }
    }),
  }
}

/** What one probe shows at an angle, a number a channel, mm: exact geometry, nothing rounded. */
function shown(
  pair: ShaftPair,
  probe: ProbeSetUp,
  on: Side,
  x: ReadonlyMap<string, number>,
  couplingX: number,
  degrees: number,
): number[] {
  const at = x.get(probe.id) ?? 0
  const radius = Number(probe.radius.text) || 80
  const sag = Number(probe.sag.text) || 0
  const dial = { on, x: at, radius, sag }
  const lead = probe.lead ?? 0
  const from = couplingX + (on === 'right' ? -170 : 170)
  const beam = { on, from, radius: 95, cantOut: 0.0009, cantSide: -0.0004, seatOut: 0.2, seatSide: -0.1 }
  switch (probe.type) {
    case 'result':
      throw new Error('An instrument that works out its result by itself has nothing to be simulated turn by turn.')
    case 'rim':
      return [exactRimReading(pair, dial, degrees)]
    case 'bore':
      return [exactBoreReading(pair, dial, degrees)]
    case 'face':
      return [
        exactFaceReading(
          pair,
          { ...dial, x: couplingX + (on === 'right' ? 40 : -40), side: probe.side ?? 'front' },
          degrees + lead,
        ) - (probe.floats ? floatAt(degrees) : 0),
      ]
    case 'beam':
      return [exactSpot(pair, { ...beam, x: at }, degrees).radial]
    case 'prism': {
      const { r, t } = exactPrismReading(pair, { on, head: at, edge: x.get(secondPlane(probe.id)) ?? at }, degrees)
      // its beam goes out a little over the prism's edge, and comes back as much under it
      return [r - 52, t]
    }
    case 'beam2': {
      const [near, far] = [at, x.get(secondPlane(probe.id)) ?? at].map((plane) =>
        exactSpot(pair, { ...beam, x: plane }, degrees),
      )
      return [near, far].flatMap((spot) => [spot?.radial ?? 0, spot?.tangential ?? 0])
    }
  }
}

/** How a shaft in plain bearings wanders along its axis, mm. */
const floatAt = (degrees: number): number => 0.12 * Math.sin((degrees * 2.3 * Math.PI) / 180) - 0.05 * (degrees / 360)

/** The shafts at a set's coupling, and on which of them each probe hangs. */
function standing(line: Line, set: ReadSet, truth: Misalignment) {
  const { x } = placeStations(line, set.probes)
  const couplingX = x.get(set.coupling) ?? 0
  const left = line.machines[line.couplings.findIndex(({ id }) => id === set.coupling)]?.id
  const sideOf = (probe: ProbeSetUp): Side => (probe.on === left ? 'left' : 'right')
  return { x, couplingX, pair: shaftPair(truth, couplingX), sideOf }
}

/** Reads a set by hand: noise, then its finest step; dials zeroed at the first angle. */
export function readByHand(line: Line, set: ReadSet, truth: Misalignment, source: Chance): ReadSet {
  const { x, couplingX, pair, sideOf } = standing(line, set, truth)
  return {
    ...set,
    probes: set.probes.map((probe) => {
      const on = sideOf(probe)
      const { channels, instrument } = probeKinds[probe.type]
      const head = instrument === 'head'
      const [step, noise] = head ? [0.001, 0.0015] : [0.01, 0.002]
      const first = shown(pair, probe, on, x, couplingX, set.angles[0]?.degrees ?? 0)
      return {
        ...probe,
        readings: Object.fromEntries(
          set.angles.flatMap(({ id, degrees }) => {
            const values = shown(pair, probe, on, x, couplingX, degrees)
            return channels.map((channel, k) => {
              const value = (values[k] ?? 0) - (head ? 0 : (first[k] ?? 0)) + noise * source.normal()
              return [
                readingKey(id, channel),
                { value: quantityFrom(Math.round(value / step) * step, 'mm', head ? 3 : 2), turns: 0 },
              ]
            })
          }),
        ),
      }
    }),
  }
}

/** Sweeps a set: a point every third of a degree, angles as the inclinometers tell them. */
export function sweep(
  line: Line,
  set: ReadSet,
  truth: Misalignment,
  from: number,
  to: number,
  source: Chance,
): ReadSet {
  const { x, couplingX, pair, sideOf } = standing(line, set, truth)
  const degrees = Array.from({ length: Math.round((to - from) * 3) }, (_, i) => from + i / 3 + 0.04 * source.normal())
  const tidy = (value: number, places: number) => Number(value.toFixed(places))
  return {
    ...set,
    angles: [],
    probes: set.probes.map((probe) => {
      const on = sideOf(probe)
      const points = degrees.map((angle) => shown(pair, probe, on, x, couplingX, angle))
      return {
        ...probe,
        sweep: {
          unit: 'mm',
          degrees: degrees.map((angle) => tidy(angle, 2)),
          values: (points[0] ?? []).map((_, k) => points.map((p) => tidy((p[k] ?? 0) + 0.002 * source.normal(), 3))),
        },
      }
    }),
  }
}

export const at = (offsetZ: number, slopeZ: number, offsetY: number, slopeY: number): Misalignment => ({
  offsetZ,
  slopeZ,
  offsetY,
  slopeY,
})

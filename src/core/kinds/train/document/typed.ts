import { parseNumber } from '../../../frame/number'
import { quantityMm } from '../../../frame/quantity'
import type { Probe } from '../../../probes'
import { channelNames, type ProbeSetUp, type ReadSet } from '../../../shafts/schema'
import {
  correctionOf,
  graduationMm,
  isCoupled,
  readingMm,
  readingsOf,
  runoutAt,
  sags,
  sdMm,
  setPurpose,
  sweepPoints,
} from '../../../shafts/typed'
import type { SlipGrade } from '../../../verdict/slipSpeed'
import type { Coupling, Train } from '../solve/model'
import { growthMm } from './growth'
import type { Line, Round } from './schema'
import { placeStations, type Stations, secondPlane } from './stations'

/** A probe of a set as the core solves it, or undefined where it has no place or no readings yet. */
export function toProbe(line: Line, set: ReadSet, setUp: ProbeSetUp, stations: Stations): Probe | undefined {
  const coupling = line.couplings.findIndex((c) => c.id === set.coupling)
  const machine = line.machines.findIndex((m) => m.id === setUp.on)
  if (machine !== coupling && machine !== coupling + 1) return undefined
  const on = machine === coupling ? 'left' : 'right'
  const base = { on, sd: sdMm(setUp), graduation: graduationMm(setUp) } as const
  const x = stations.x.get(setUp.id)
  if (setUp.type === 'beam2') {
    const second = stations.x.get(secondPlane(setUp.id))
    const readings = twoPlaneReadings(set, setUp)
    return x === undefined || second === undefined || x === second || readings.length === 0
      ? undefined
      : { type: 'beam2', ...base, planes: [x, second], readings }
  }
  const still = set.turned === 'one'
  const readings = [
    ...readingsOf(set, setUp),
    ...sweepPoints(setUp.sweep).map(({ angle, values }) => ({ angle, value: (values[0] ?? 0) * correctionOf(setUp) })),
  ].map(({ angle, value }) => ({ angle, value: still ? value - runoutAt(setUp, angle) : value }))
  if (readings.length === 0) return undefined
  const radius = quantityMm(setUp.radius)
  const sag = quantityMm(setUp.sag) ?? 0
  // set back by half at the sides, a dial there shows the offset itself: half the sag is already in its zero
  const zero = set.zeroed === 'halved' && sags(setUp) ? { value: -sag / 2, sd: base.sd } : undefined
  if (setUp.type === 'face')
    return radius
      ? {
          type: 'face',
          ...base,
          radius,
          sag,
          zero,
          side: setUp.side ?? 'front',
          lead: setUp.lead ?? 0,
          sharedFloat: setUp.floats ?? false,
          readings,
        }
      : undefined
  if (x === undefined) return undefined
  if (setUp.type === 'beam') return { type: 'beam', ...base, x, readings }
  if (setUp.type === 'bore') return { type: 'bore', ...base, x, sag, zero, readings }
  return { type: 'rim', ...base, x, sag, radius, zero, readings }
}

/** Positions at which all four numbers of a two-plane detector are there. */
function twoPlaneReadings(set: ReadSet, setUp: ProbeSetUp) {
  const typed = set.angles.flatMap((angle) => {
    const values = channelNames.map((channel) => readingMm(setUp, angle, set, channel))
    return values.every((value) => value !== undefined)
      ? [{ angle: setUp.own?.[angle.id] ?? angle.degrees, values }]
      : []
  })
  return [...typed, ...sweepPoints(setUp.sweep)].map(({ angle, values }) => ({
    angle,
    values: [values[0] ?? 0, values[1] ?? 0, values[2] ?? 0, values[3] ?? 0] as const,
  }))
}

/** Slope in rad from what was typed. */
export function slopeRad(slope: { text: string; unit: 'mm/100 mm' | 'mil/in' }): number | undefined {
  const typed = parseNumber(slope.text)
  const rad = typed.ok ? typed.value / (slope.unit === 'mil/in' ? 1000 : 100) : undefined
  return rad !== undefined && Math.abs(rad) < 1 ? rad : undefined
}

export const gradeOf = (line: Line): SlipGrade =>
  line.tolerance.policy === 'slip-speed' ? line.tolerance.grade : 'standard'

/** Turns a minute, or undefined where not typed or no number above zero. */
export function speedOf(line: Line): number | undefined {
  const typed = parseNumber(line.speed)
  return typed.ok && typed.value > 0 ? typed.value : undefined
}

/** Where a train's pieces came from: dial `sources[coupling][set][probe]` of the job. */
export interface JobTrain {
  train: Train
  stations: Stations
  /** Per coupling, per set handed to the core: the set and its dials that had something to say. */
  sources: { set: ReadSet; dials: ProbeSetUp[] }[][]
}

/** The train of one round: its line with everything read in that round. Feet without a place are left out. */
export function toTrain(line: Line, round: Round): JobTrain {
  const stations = placeStations(
    line,
    round.sets.flatMap((set) => set.probes),
  )
  const sources: JobTrain['sources'] = []
  const couplings = line.couplings.map((coupling, left): Coupling => {
    const x = stations.x.get(coupling.id) ?? 0
    const span = coupling.kind === 'spacer' ? quantityMm(coupling.span) : undefined
    const sets = round.sets
      .filter((set) => set.coupling === coupling.id)
      .map((set) => ({
        set,
        found: set.probes.flatMap((dial) => {
          const probe = toProbe(line, set, dial, stations)
          return probe ? [{ dial, probe }] : []
        }),
      }))
    sources.push(sets.map(({ set, found }) => ({ set, dials: found.map(({ dial }) => dial) })))
    return {
      id: coupling.id,
      left,
      x,
      diameter: quantityMm(coupling.diameter),
      flexPlanes: span && span > 0 ? [x - span / 2, x + span / 2] : undefined,
      sets: sets.map(({ set, found }) => ({
        state: isCoupled(set) ? 'engaged' : 'released',
        purpose: set.engagedAccepted && isCoupled(set) ? 'plan' : setPurpose(set),
        probes: found.map(({ probe }) => probe),
      })),
    }
  })
  return {
    stations,
    sources,
    train: {
      machines: line.machines.map(({ id, feet }) => ({
        id,
        feet: feet.flatMap((foot) => {
          const x = stations.x.get(foot.id)
          return x === undefined ? [] : [{ id: foot.id, x, ...(foot.growth ? { growth: growthMm(foot.growth) } : {}) }]
        }),
      })),
      couplings,
      fixed: Math.max(
        0,
        line.machines.findIndex((machine) => machine.id === line.fixed),
      ),
      rpm: speedOf(line),
      tolerance: figuresOf(line),
    },
  }
}

function figuresOf({ tolerance }: Line): Train['tolerance'] {
  if (tolerance.policy !== 'figures') return undefined
  const offset = quantityMm(tolerance.offset)
  const slope = slopeRad(tolerance.slope)
  if (!slope || slope <= 0) return undefined
  return { slope, offset: offset && offset > 0 ? offset : undefined }
}

import { type Purpose, purposeOf } from '../fit/together'
import { parseNumber } from '../frame/number'
import { positiveMm, quantityMm } from '../frame/quantity'
import { toMm } from '../frame/units'
import type { Coupling, Train } from '../moves/train'
import { growthMm } from '../plan/growth'
import type { Probe } from '../probes'
import type { SlipGrade } from '../verdict/slipSpeed'
import {
  type ChannelName,
  channelNames,
  type Line,
  type ProbeSetUp,
  type ReadSet,
  type Round,
  type Sweep,
} from './schema'
import { placeStations, type Stations, secondPlane } from './stations'

/** Where a probe's readings are kept: by the angle, and for a two-plane detector by its channel as well. */
export const readingKey = (angleId: string, channel?: ChannelName): string =>
  channel ? `${angleId}:${channel}` : angleId

export const channelsOf = (probe: Pick<ProbeSetUp, 'type'>): readonly (ChannelName | undefined)[] =>
  probe.type === 'beam2' ? channelNames : [undefined]

/** Cosine of an angle typed in degrees; 1 where nothing readable below a right angle is typed. */
function cosineOf(text: string): number {
  const typed = parseNumber(text)
  return typed.ok && Math.abs(typed.value) < 85 ? Math.cos((typed.value * Math.PI) / 180) : 1
}

/**
 * What a reading of a dial that does not stand square is multiplied by: a lever at γ to the surface reads too much,
 * × cos γ / cos γ₀ for a tip made for γ₀; a plunger leaning by γ reads too little, ÷ cos γ. Read by nulling against a scale
 * it has no such error.
 */
export function correctionOf({ correction }: Pick<ProbeSetUp, 'correction'>): number {
  if (correction?.kind === 'lever') return cosineOf(correction.angle) / cosineOf(correction.madeFor)
  if (correction?.kind === 'plunger') return 1 / cosineOf(correction.angle)
  return 1
}

/**
 * A typed reading in mm, whole turns added, corrected for a dial that does not stand square; undefined where nothing
 * readable is typed. A dial that was set to its sag on top need not be read there.
 */
export function readingMm(
  probe: ProbeSetUp,
  angle: ReadSet['angles'][number],
  set: Pick<ReadSet, 'zeroed'>,
  channel?: ChannelName,
): number | undefined {
  const reading = probe.readings[readingKey(angle.id, channel)]
  const value = quantityMm(reading?.value)
  if (value === undefined) {
    const sag = quantityMm(probe.sag)
    return set.zeroed === 'sag' && angle.degrees % 360 === 0 && sag !== undefined && sags(probe) ? -sag : undefined
  }
  return (value + (reading?.turns ?? 0) * (quantityMm(probe.turn) ?? 0)) * correctionOf(probe)
}

/** Whether what carries the probe sags: heads are clamped to their own shaft, and a detector sees no bracket. */
export const sags = ({ type }: Pick<ProbeSetUp, 'type'>): boolean => type !== 'beam' && type !== 'beam2'

/** What was typed of one channel of a probe, in the order of the set's angles. */
export function readingsOf(
  set: ReadSet,
  probe: ProbeSetUp,
  channel?: ChannelName,
): { angle: number; value: number; angleId: string }[] {
  return set.angles.flatMap((angle) => {
    const value = readingMm(probe, angle, set, channel)
    return value === undefined ? [] : [{ angle: probe.own?.[angle.id] ?? angle.degrees, value, angleId: angle.id }]
  })
}

/** One graduation of a dial or the finest step of a head, mm; 0.01 where nobody said. */
export const graduationMm = (probe: ProbeSetUp): number => positiveMm(probe.graduation) ?? 0.01

/** Standard deviation of one reading, mm: as told, else half a graduation. */
export const sdMm = (probe: ProbeSetUp): number => positiveMm(probe.sd) ?? graduationMm(probe) / 2

/** Points of a sweep in mm, made once for each sweep: nothing in a stored sweep ever changes. */
const unrolled = new WeakMap<Sweep, { angle: number; values: number[] }[]>()
export function sweepPoints(sweep: Sweep | undefined): readonly { angle: number; values: readonly number[] }[] {
  if (!sweep) return []
  const known = unrolled.get(sweep)
  if (known) return known
  const points = sweep.degrees.map((angle, i) => ({
    angle,
    values: sweep.values.map((list) => toMm(list[i] ?? 0, sweep.unit)),
  }))
  unrolled.set(sweep, points)
  return points
}

/** What a run-out of a hub that stood still adds to a reading, mm: its high spot stands out toward the dial. */
export function runoutAt({ runout }: ProbeSetUp, degrees: number): number {
  const swing = quantityMm(runout?.swing)
  const at = parseNumber(runout?.at ?? '')
  return swing && at.ok ? (swing / 2) * Math.cos(((degrees - at.value) * Math.PI) / 180) : 0
}

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

/** What a set of a job is for. A set of an older job says only whether the coupling was engaged. */
export const setPurpose = ({ purpose, state }: Pick<ReadSet, 'purpose' | 'state'>): Purpose =>
  purposeOf({ state, ...(purpose ? { purpose } : {}) })

/** Whether a set was read with the coupling closed, standing or running. */
export const isCoupled = (set: Pick<ReadSet, 'purpose' | 'state'>): boolean =>
  ['closed', 'running'].includes(setPurpose(set))

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

/** The coarsest graduation among the dials of a round, mm: no move is shown finer than it was read. */
export function resolutionOf(round: Round): number {
  const read = round.sets.flatMap((set) => set.probes)
  return read.length ? Math.max(...read.map(graduationMm)) : toMm(0.01, 'mm')
}

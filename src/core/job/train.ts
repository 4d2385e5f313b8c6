import { parseNumber } from '../frame/number'
import { quantityMm } from '../frame/quantity'
import { toMm } from '../frame/units'
import type { Coupling, Train } from '../moves/train'
import type { RimDial } from '../probes/rim'
import type { SlipGrade } from '../verdict/slipSpeed'
import type { DialSetUp, Line, ReadSet, Round } from './schema'
import { placeStations, type Stations } from './stations'

/** A typed reading of a dial in mm, whole turns added, or undefined where nothing readable is typed. */
export function readingMm(dial: DialSetUp, angleId: string): number | undefined {
  const reading = dial.readings[angleId]
  const value = quantityMm(reading?.value)
  if (value === undefined) return undefined
  return value + (reading?.turns ?? 0) * (quantityMm(dial.turn) ?? 0)
}

/** What was read of a dial, in the order of the angles; `index` points into `set.angles`. */
export function readingsOf(set: ReadSet, dial: DialSetUp): { angle: number; value: number; angleId: string }[] {
  return set.angles.flatMap(({ id, degrees }) => {
    const value = readingMm(dial, id)
    return value === undefined ? [] : [{ angle: degrees, value, angleId: id }]
  })
}

/** One graduation of a dial, mm; 0.01 where nobody said. */
export const graduationMm = (dial: DialSetUp): number => quantityMm(dial.graduation) ?? 0.01

/** A dial of a set as the core solves it, or undefined where it has no place or no readings yet. */
export function toRimDial(line: Line, set: ReadSet, dial: DialSetUp, stations: Stations): RimDial | undefined {
  const x = stations.x.get(dial.id)
  const coupling = line.couplings.findIndex((c) => c.id === set.coupling)
  const machine = line.machines.findIndex((m) => m.id === dial.on)
  const readings = readingsOf(set, dial)
  if (x === undefined || readings.length === 0 || (machine !== coupling && machine !== coupling + 1)) return undefined
  return {
    type: 'rim',
    on: machine === coupling ? 'left' : 'right',
    x,
    sag: quantityMm(dial.sag) ?? 0,
    sd: graduationMm(dial) / 2,
    radius: quantityMm(dial.radius),
    readings,
  }
}

/** Slope in rad from what was typed. */
export function slopeRad(slope: { text: string; unit: 'mm/100 mm' | 'mil/in' }): number | undefined {
  const typed = parseNumber(slope.text)
  return typed.ok ? typed.value / (slope.unit === 'mil/in' ? 1000 : 100) : undefined
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
  sources: { set: ReadSet; dials: DialSetUp[] }[][]
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
          const probe = toRimDial(line, set, dial, stations)
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
      sets: sets.map(({ set, found }) => ({ state: set.state, probes: found.map(({ probe }) => probe) })),
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
          return x === undefined ? [] : [{ id: foot.id, x }]
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
  return offset && slope && offset > 0 && slope > 0 ? { offset, slope } : undefined
}

/** The coarsest graduation among the dials of a round, mm: no move is shown finer than it was read. */
export function resolutionOf(round: Round): number {
  const read = round.sets.flatMap((set) => set.probes)
  return read.length ? Math.max(...read.map(graduationMm)) : toMm(0.01, 'mm')
}

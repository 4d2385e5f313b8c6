import { type Quantity, quantityFrom } from '../../core/frame/quantity'
import { anglesOf, makeJob, makeLine, makeSet, repeatSet } from '../../core/job/make'
import {
  channelNames,
  type Job,
  type Line,
  type MachineKind,
  type Method,
  type ProbeSetUp,
  type ReadSet,
} from '../../core/job/schema'
import { placeStations, secondPlane } from '../../core/job/stations'
import { readingKey } from '../../core/job/train'
import type { Misalignment, Side } from '../../core/probes/probe'
import { exactSpot } from '../../core/rig/beams'
import { exactBoreReading, exactFaceReading, exactRimReading, type ShaftPair, shaftPair } from '../../core/rig/geometry'
import { type Chance, chance } from '../../core/rig/random'
import { readyOf } from './before'

/** Jobs of the made-up plant that show each way of reading a coupling. Dimensions are chosen, readings come from the rig. */

interface Drawn {
  name: string
  area: string
  sides: Line['sides']
  kinds: readonly [MachineKind, MachineKind]
  names: readonly [string, string]
  fixed: 0 | 1
  because: string
  speed: string
  diameter: number
  /** Distances of the feet: left front, left back, right front, right back. */
  feet: readonly [number, number, number, number]
}

const mm = (value: number): Quantity => ({ text: String(value), unit: 'mm' })

function draw(plan: Drawn): Line {
  const line = makeLine(plan.name, plan.kinds[0], plan.kinds[1], 'mm')
  return {
    ...line,
    area: plan.area,
    sides: plan.sides,
    speed: plan.speed,
    fixed: line.machines[plan.fixed]?.id ?? line.fixed,
    fixedBecause: plan.because,
    machines: line.machines.map((machine, m) => ({
      ...machine,
      name: plan.names[m] ?? machine.name,
      feet: machine.feet.map((foot, f) => ({
        ...foot,
        station: { ...foot.station, distance: mm(plan.feet[2 * m + f] ?? 0) },
      })),
    })),
    couplings: line.couplings.map((coupling) => ({ ...coupling, diameter: mm(plan.diameter) })),
  }
}

/** What a probe is given before it is read, by the end of its id. */
type Hanging = Readonly<Record<string, Partial<Record<'out' | 'out2' | 'radius' | 'sag', number>>>>

function hang(set: ReadSet, hanging: Hanging): ReadSet {
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
  degrees: number,
): number[] {
  const at = x.get(probe.id) ?? 0
  const radius = Number(probe.radius.text) || 80
  const sag = Number(probe.sag.text) || 0
  const dial = { on, x: at, radius, sag }
  const lead = probe.lead ?? 0
  const from = on === 'right' ? -170 : 170
  const beam = { on, from, radius: 95, cantOut: 0.0009, cantSide: -0.0004, seatOut: 0.2, seatSide: -0.1 }
  switch (probe.type) {
    case 'rim':
      return [exactRimReading(pair, dial, degrees)]
    case 'bore':
      return [exactBoreReading(pair, dial, degrees)]
    case 'face':
      return [
        exactFaceReading(pair, { ...dial, x: on === 'right' ? 40 : -40, side: probe.side ?? 'front' }, degrees + lead) -
          (probe.floats ? floatAt(degrees) : 0),
      ]
    case 'beam':
      return [exactSpot(pair, { ...beam, x: at }, degrees).radial]
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

/** Reads a set by hand: noise, then its finest step; dials zeroed at the first angle. */
function readByHand(line: Line, set: ReadSet, truth: Misalignment, source: Chance): ReadSet {
  const { x } = placeStations(line, set.probes)
  const pair = shaftPair(truth, 0)
  return {
    ...set,
    probes: set.probes.map((probe) => {
      const on: Side = probe.on === line.machines[0]?.id ? 'left' : 'right'
      const head = probe.type === 'beam' || probe.type === 'beam2'
      const [step, noise] = head ? [0.001, 0.0015] : [0.01, 0.002]
      const channels = probe.type === 'beam2' ? channelNames : [undefined]
      const first = shown(pair, probe, on, x, set.angles[0]?.degrees ?? 0)
      return {
        ...probe,
        readings: Object.fromEntries(
          set.angles.flatMap(({ id, degrees }) => {
            const values = shown(pair, probe, on, x, degrees)
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
function sweep(line: Line, set: ReadSet, truth: Misalignment, from: number, to: number, source: Chance): ReadSet {
  const { x } = placeStations(line, set.probes)
  const pair = shaftPair(truth, 0)
  const degrees = Array.from({ length: Math.round((to - from) * 3) }, (_, i) => from + i / 3 + 0.04 * source.normal())
  const tidy = (value: number, places: number) => Number(value.toFixed(places))
  return {
    ...set,
    angles: [],
    probes: set.probes.map((probe) => {
      const on: Side = probe.on === line.machines[0]?.id ? 'left' : 'right'
      const points = degrees.map((angle) => shown(pair, probe, on, x, angle))
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

const at = (offsetZ: number, slopeZ: number, offsetY: number, slopeY: number): Misalignment => ({
  offsetZ,
  slopeZ,
  offsetY,
  slopeY,
})

const drawings = {
  sludge: {
    name: 'Sludge pump 1',
    area: 'Wash hall',
    sides: { near: 'aisle', far: 'pit' },
    kinds: ['pump', 'motor'],
    names: ['Pump', 'Motor'],
    fixed: 0,
    because: 'It has the pipes.',
    speed: '975',
    diameter: 220,
    feet: [280, 360, 300, 520],
  },
  press: {
    name: 'Kelp press drive',
    area: 'Press room',
    sides: { near: 'door', far: 'press' },
    kinds: ['motor', 'gearbox'],
    names: ['Motor', 'Gearbox'],
    fixed: 1,
    because: 'The press hangs on it.',
    speed: '1480',
    diameter: 180,
    feet: [250, 430, 260, 400],
  },
  seawater: {
    name: 'Seawater pump 2',
    area: 'Intake',
    sides: { near: 'quay', far: 'sea' },
    kinds: ['pump', 'motor'],
    names: ['Pump', 'Motor'],
    fixed: 0,
    because: 'It has the pipes.',
    speed: '2960',
    diameter: 150,
    feet: [260, 300, 280, 470],
  },
  booster: {
    name: 'Booster fan',
    area: 'Drying loft',
    sides: { near: 'stair', far: 'dryer' },
    kinds: ['motor', 'fan'],
    names: ['Motor', 'Fan'],
    fixed: 1,
    because: 'Its duct is bolted to it.',
    speed: '1480',
    diameter: 160,
    feet: [240, 420, 260, 700],
  },
  shredder: {
    name: 'Shredder rotor',
    area: 'Press room',
    sides: { near: 'aisle', far: 'hopper' },
    kinds: ['other', 'other'],
    names: ['Rotor bearing', 'Outer bearing'],
    fixed: 0,
    because: 'The rotor lies in it.',
    speed: '480',
    diameter: 240,
    feet: [120, 260, 160, 340],
  },
} as const satisfies Record<string, Drawn>

interface Story {
  drawing: Drawn
  title: string
  method: Method
  days: number
  by: string
  truth: Misalignment
  hanging: Hanging
  note: string
  degrees?: readonly number[]
  swept?: readonly [from: number, to: number]
  /** What happens to the set after it was read, and sets added to it. */
  afterwards?: (set: ReadSet, line: Line, source: Chance) => ReadSet[]
}

const stories: readonly Story[] = [
  {
    drawing: drawings.sludge,
    title: 'After overhaul',
    method: 'rim-face',
    days: 4,
    by: 'R. T.',
    truth: at(0.18, 0.0006, -0.12, 0.0003),
    hanging: { rim: { out: 70, radius: 110, sag: -0.14 }, face: { radius: 95, sag: -0.02 } },
    note: 'Bracket on the pump; both hubs turned together with a strap.',
  },
  {
    drawing: drawings.press,
    title: 'Plain bearings',
    method: 'rim-two-faces',
    days: 6,
    by: 'I. M.',
    truth: at(-0.11, 0.0004, 0.15, -0.0005),
    hanging: {
      rim: { out: 60, radius: 90, sag: -0.1 },
      face: { radius: 80, sag: -0.01 },
      face2: { radius: 80, sag: -0.01 },
    },
    note: 'Shaft floats; two face dials half a turn apart.',
  },
  {
    drawing: drawings.seawater,
    title: 'Part of a turn',
    method: 'twin-heads',
    days: 1,
    by: 'K. O.',
    truth: at(0.07, -0.0003, 0.05, 0.0002),
    hanging: { right: { out: 170 }, left: { out: 170 } },
    degrees: [300, 335, 10],
    note: 'The discharge pipe stands in the way: 70° only.',
  },
  {
    drawing: drawings.booster,
    title: 'Swept',
    method: 'two-plane-head',
    days: 2,
    by: 'K. O.',
    truth: at(0.09, 0.0002, -0.03, -0.0003),
    hanging: { head: { out: 160, out2: 140 } },
    swept: [20, 245],
    note: '',
  },
  {
    drawing: drawings.shredder,
    title: 'New bearing',
    method: 'bore-dials',
    days: 9,
    by: 'I. M.',
    truth: at(-0.08, 0.0002, 0.06, 0.0004),
    hanging: { bore: { out: 90, sag: -0.03 }, bore2: { out: 250, sag: -0.05 } },
    note: 'Dials on a bar turned in the rotor bearing, felt in the outer bore.',
  },
  {
    drawing: drawings.sludge,
    title: 'Two sets that disagree',
    method: 'reverse-dial',
    days: 3,
    by: 'R. T.',
    truth: at(0.1, 0.0003, -0.06, 0.0002),
    hanging: {
      right: { out: 90, radius: 110, sag: -0.12 },
      left: { out: 80, radius: 110, sag: -0.1 },
    },
    note: 'Read again with the long bracket; its sag was typed with the wrong sign.',
    afterwards: (set, line, source) => {
      const long = hang({ ...repeatSet(set, `${set.id}-1`) }, {})
      const hung = {
        ...long,
        probes: long.probes.map((probe, i) =>
          i === 0 ? { ...probe, station: { ...probe.station, distance: mm(130) }, sag: mm(-0.28) } : probe,
        ),
      }
      const read = readByHand(line, hung, at(0.1, 0.0003, -0.06, 0.0002), source)
      return [set, { ...read, probes: read.probes.map((probe, i) => (i === 0 ? { ...probe, sag: mm(0.28) } : probe)) }]
    },
  },
]

export interface MethodJob {
  line: string
  document: Job
  state: 'in-hand'
  days: number
  by: string
}

/** One line a drawing and one job a story, the same every time but for the dates. */
export function methodJobs(today: Date): { lines: Line[]; jobs: MethodJob[] } {
  const source = chance(4711)
  return {
    lines: Object.values(drawings).map(draw),
    jobs: stories.map((story) => {
      const line = draw(story.drawing)
      const takenAt = new Date(today.getTime() - story.days * 86_400_000).toISOString()
      const job = makeJob(line, story.title, takenAt, 'mm', 'after-overhaul')
      const bare = makeSet(line, 'c1', 'r1-c1', 'mm', story.method)
      const hung = hang({ ...bare, ...(story.degrees ? { angles: anglesOf(story.degrees) } : {}) }, story.hanging)
      const read = story.swept
        ? sweep(line, hung, story.truth, story.swept[0], story.swept[1], source)
        : readByHand(line, hung, story.truth, source)
      const sets = story.afterwards ? story.afterwards(read, line, source) : [read]
      const [round] = job.rounds
      return {
        line: line.name,
        state: 'in-hand',
        days: story.days,
        by: story.by,
        document: {
          ...job,
          ready: readyOf(story.by, takenAt),
          note: story.note,
          minutes: String(30 + 5 * story.days),
          doneBy: story.by,
          rounds: round ? [{ ...round, by: story.by, sets }] : job.rounds,
        },
      }
    }),
  }
}

import { makeJob, makeLine, makeSet } from '../../core/kinds/train/document/make'
import type { Job, Line, MachineKind } from '../../core/kinds/train/document/schema'
import type { Misalignment } from '../../core/probes/probe'
import { type Chance, chance } from '../../core/rig/random'
import { anglesOf, repeatSet } from '../../core/shafts/make'
import type { Method, ReadSet } from '../../core/shafts/schema'
import { readyOf } from './before'
import { at, type Hanging, hang, mm, readByHand, sweep } from './byHand'

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
    note: 'Discharge pipe in the way: 70° only.',
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
    note: 'Dials on a bar turned in the rotor bearing, reading the outer bore.',
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

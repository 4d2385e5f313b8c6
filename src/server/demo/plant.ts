import { withMachineAt } from '../../core/kinds/train/document/alter'
import { makeJob, makeLine, repeatRound } from '../../core/kinds/train/document/make'
import type { Job, Line, MachineKind, Round } from '../../core/kinds/train/document/schema'
import { placeStations } from '../../core/kinds/train/document/stations'
import type { Misalignment } from '../../core/probes/probe'
import { quantityFrom } from '../../core/quantity/quantity'
import type { Unit } from '../../core/quantity/units'
import { readRimDial } from '../../core/rig/dial'
import { shaftPair } from '../../core/rig/geometry'
import { type Chance, chance } from '../../core/rig/random'
import type { ReadSet } from '../../core/shafts/schema'
import { readyOf, type SeatStory, seatOf, typed } from './before'
import { counted } from './counted'
import { wellProved } from './proved'

/**
 * Skerry Point Kelp Works, which rinses, dries and sheets seaweed: a made-up plant. Dimensions are chosen, readings are
 * made by the rig from exact geometry with a fixed seed. Nobody real works here.
 */

export interface Drawing {
  name: string
  area: string
  sides: Line['sides']
  unit: Unit
  machines: readonly {
    kind: MachineKind
    name: string
    front: number
    back: number
    rim: number
    dial: number
    sag: number
  }[]
  /** From the last feet of the machine before to the second coupling, and so on. */
  nextCoupling?: number
  coupling: { name: string; diameter: number; span?: number }
  speed: string
  fixed: number
  because: string
}

export function draw(drawing: Drawing): Line {
  const length: Unit = drawing.unit === 'mil' ? 'in' : 'mm'
  const kinds = drawing.machines.map((machine) => machine.kind)
  let line = makeLine(drawing.name, kinds[0] ?? 'pump', kinds[1] ?? 'motor', drawing.unit)
  for (const kind of kinds.slice(2)) line = withMachineAt(line, line.machines.length, kind, drawing.unit, counted(line))
  return {
    ...line,
    area: drawing.area,
    sides: drawing.sides,
    speed: drawing.speed,
    fixed: line.machines[drawing.fixed]?.id ?? line.fixed,
    fixedBecause: drawing.because,
    machines: line.machines.map((machine, m) => {
      const plan = drawing.machines[m]
      const distances = [plan?.front ?? 0, plan?.back ?? 0]
      return {
        ...machine,
        name: plan?.name ?? machine.name,
        feet: machine.feet.map((foot, f) => ({
          ...foot,
          station: { ...foot.station, distance: typed(distances[f] ?? 0, length) },
        })),
      }
    }),
    couplings: line.couplings.map((coupling, c) => ({
      ...coupling,
      name: line.couplings.length > 1 ? `Coupling ${c + 1}` : drawing.coupling.name,
      kind: drawing.coupling.span ? 'spacer' : 'short',
      diameter: typed(drawing.coupling.diameter, length),
      span: drawing.coupling.span ? typed(drawing.coupling.span, length) : coupling.span,
      ...(coupling.station
        ? { station: { ...coupling.station, distance: typed(drawing.nextCoupling ?? 0, length) } }
        : {}),
    })),
  }
}

export const rinsePump: Drawing = {
  name: 'Rinse pump 3',
  area: 'Wash hall',
  sides: { near: 'aisle', far: 'wall' },
  unit: 'mm',
  machines: [
    { kind: 'pump', name: 'Pump', front: 240, back: 320, rim: 80, dial: 70, sag: -0.08 },
    { kind: 'motor', name: 'Motor', front: 240, back: 450, rim: 80, dial: 90, sag: -0.1 },
  ],
  coupling: { name: 'Coupling', diameter: 160 },
  speed: '1480',
  fixed: 0,
  because: 'It has the pipes.',
}

const brineBlower: Drawing = {
  name: 'Brine blower train',
  area: 'Brine house',
  sides: { near: 'door', far: 'tanks' },
  unit: 'mm',
  machines: [
    { kind: 'motor', name: 'Motor', front: 260, back: 480, rim: 90, dial: 80, sag: -0.12 },
    { kind: 'gearbox', name: 'Gearbox', front: 220, back: 380, rim: 90, dial: 75, sag: -0.09 },
    { kind: 'blower', name: 'Blower', front: 230, back: 520, rim: 70, dial: 80, sag: -0.07 },
  ],
  nextCoupling: 220,
  coupling: { name: 'Coupling', diameter: 180 },
  speed: '2960',
  fixed: 1,
  because: 'Coupled both ends and doweled.',
}

export const dryerPump: Drawing = {
  name: 'Dryer circulation pump',
  area: 'Drying loft',
  sides: { near: 'stair', far: 'dryer' },
  unit: 'mil',
  machines: [
    { kind: 'pump', name: 'Pump', front: 11.5, back: 14, rim: 3.25, dial: 6, sag: -9 },
    { kind: 'motor', name: 'Motor', front: 13, back: 17.5, rim: 3.25, dial: 6.25, sag: -11 },
  ],
  coupling: { name: 'Spacer', diameter: 6.5, span: 7 },
  speed: '1780',
  fixed: 0,
  because: 'It has the pipes and is hot.',
}

/** Fills the dials' dimensions and, for as many angles as asked, their readings. */
function readSet(
  set: ReadSet,
  line: Line,
  drawing: Drawing,
  truth: Misalignment,
  source: Chance,
  options: { upTo?: number; wrongSign?: { dial: number; angleId: string } },
): ReadSet {
  const { unit } = drawing
  const length: Unit = unit === 'mil' ? 'in' : 'mm'
  const couplingX = placeStations(line).x.get(set.coupling) ?? 0
  const angles = set.angles.slice(0, options.upTo ?? set.angles.length)
  const inMm = unit === 'mil' ? 25.4 : 1
  const sagMm = unit === 'mil' ? 0.0254 : 1
  return {
    ...set,
    probes: set.probes.map((dial, d) => {
      const m = line.machines.findIndex((machine) => machine.id === dial.on)
      const plan = drawing.machines[m]
      if (!plan) return dial
      const on = dial.station.toward
      const graduation = unit === 'mil' ? 0.0127 : 0.01
      const rigged = {
        on,
        x: couplingX + (on === 'right' ? 1 : -1) * plan.dial * inMm,
        radius: plan.rim * inMm,
        sag: plan.sag * sagMm,
        noise: graduation * 0.2,
        graduation,
      }
      const read = readRimDial(
        shaftPair(truth, couplingX),
        rigged,
        angles.map((angle) => angle.degrees),
        source,
      )
      return {
        ...dial,
        station: { ...dial.station, distance: typed(plan.dial, length) },
        radius: typed(plan.rim, length),
        sag: typed(plan.sag, unit),
        readings: Object.fromEntries(
          read.map(({ value }, i) => {
            const angleId = angles[i]?.id ?? ''
            const turned = options.wrongSign?.dial === d && options.wrongSign.angleId === angleId ? -value : value
            return [angleId, { value: quantityFrom(turned, unit, unit === 'mil' ? 1 : 2), turns: 0 }]
          }),
        ),
      }
    }),
  }
}

export interface Visit {
  drawing: Drawing
  title: string
  state: 'due' | 'in-hand' | 'signed'
  /** Days before today it was last worked on; for a due job, days until it is due. */
  days: number
  by: string
  minutes: string
  note?: string
  /** Per round, the truth at each coupling; none for a job not begun. */
  rounds: readonly (readonly Misalignment[])[]
  upTo?: number
  wrongSign?: { dial: number; angleId: string }
  /** Moved as written down, read again, repeated and read closed, everything ticked: nothing is open. */
  well?: boolean
  /** Cautions signed and the checks of the occasion done. */
  ready?: boolean
  /** What is the matter with one machine's feet. */
  seat?: SeatStory
}

export const at = (offsetZ: number, slopeZ: number, offsetY: number, slopeY: number): Misalignment => ({
  offsetZ,
  slopeZ,
  offsetY,
  slopeY,
})

/** The visits of the demo, oldest first. */
const visits: readonly Visit[] = [
  {
    drawing: brineBlower,
    title: 'New installation',
    state: 'signed',
    days: 371,
    by: 'I. M.',
    minutes: '310',
    rounds: [
      [at(0.21, -0.0006, 0.09, 0.0004), at(-0.12, 0.0005, 0.16, -0.0003)],
      [at(0.01, 0.00002, -0.006, 0.00003), at(-0.008, 0.00001, 0.007, -0.00003)],
    ],
  },
  {
    drawing: rinsePump,
    title: 'Periodic check',
    state: 'signed',
    days: 196,
    by: 'R. T.',
    minutes: '145',
    note: 'Base flushed, two rusted shims replaced.',
    ready: true,
    well: true,
    rounds: [[at(0.16, 0.0005, -0.11, 0.0002)], [at(0.012, 0.00003, -0.008, -0.00002)]],
  },
  {
    drawing: dryerPump,
    title: 'After overhaul',
    state: 'signed',
    days: 88,
    by: 'K. O.',
    minutes: '220',
    rounds: [[at(-0.3, 0.0011, 0.22, -0.0008)], [at(0.03, 0.0001, -0.02, 0.00006)]],
  },
  {
    drawing: brineBlower,
    title: 'Vibration rising',
    state: 'in-hand',
    days: 2,
    by: 'I. M.',
    minutes: '95',
    rounds: [[at(0.1, -0.0003, -0.14, 0.0005), at(-0.05, 0.00015, 0.04, 0.0001)]],
    ready: true,
  },
  {
    drawing: dryerPump,
    title: 'Seal replaced',
    state: 'in-hand',
    days: 1,
    by: 'K. O.',
    minutes: '40',
    rounds: [[at(-0.18, 0.0007, 0.1, -0.0004)]],
    ready: true,
    upTo: 2,
  },
  {
    drawing: rinsePump,
    title: 'After overhaul',
    state: 'in-hand',
    days: 0,
    by: 'R. T.',
    minutes: '55',
    rounds: [[at(0.12, 0.0004, -0.05, -0.0003)]],
    ready: true,
    wrongSign: { dial: 1, angleId: 'a180' },
  },
  { drawing: rinsePump, title: 'Periodic check', state: 'due', days: 12, by: '', minutes: '', rounds: [] },
  { drawing: dryerPump, title: 'Hot check', state: 'due', days: 30, by: '', minutes: '', rounds: [] },
  {
    drawing: rinsePump,
    title: 'New motor',
    state: 'in-hand',
    days: 3,
    by: 'R. T.',
    minutes: '35',
    rounds: [],
    ready: true,
    seat: { machine: 1, kind: 'rocking' },
  },
  {
    drawing: dryerPump,
    title: 'New pipework',
    state: 'in-hand',
    days: 5,
    by: 'K. O.',
    minutes: '30',
    rounds: [],
    ready: true,
    seat: { machine: 0, kind: 'strain' },
  },
  {
    drawing: brineBlower,
    title: 'Blower dropped',
    state: 'in-hand',
    days: 8,
    by: 'I. M.',
    minutes: '50',
    rounds: [],
    ready: true,
    seat: { machine: 2, kind: 'bent' },
  },
]

/** Earlier visits to lines of the plant, for their logbooks: appended, so that the numbers of the others stay. */
const earlier: readonly Visit[] = [
  {
    drawing: rinsePump,
    title: 'New installation',
    state: 'signed',
    days: 905,
    by: 'R. T.',
    minutes: '260',
    rounds: [[at(0.22, 0.0007, 0.1, -0.0003)], [at(0.01, 0.00002, 0.005, 0.00001)]],
  },
  {
    drawing: rinsePump,
    title: 'Periodic check',
    state: 'signed',
    days: 548,
    by: 'K. O.',
    minutes: '150',
    rounds: [[at(0.085, 0.0002, -0.05, 0.00008)], [at(0.008, -0.00001, 0.004, 0.00002)]],
  },
  {
    drawing: brineBlower,
    title: 'Periodic check',
    state: 'signed',
    days: 190,
    by: 'I. M.',
    minutes: '80',
    rounds: [[at(0.016, 0.00003, -0.012, 0.00004), at(-0.012, 0.00002, 0.01, -0.00004)]],
  },
]

export interface DemoJob {
  line: string
  document: Job
  state: Visit['state']
  days: number
  by: string
}

/** The lines and jobs of the demo, the same every time but for the dates. */
export function demoPlant(today: Date): { lines: Line[]; jobs: DemoJob[] } {
  const drawings = [rinsePump, brineBlower, dryerPump]
  return { lines: drawings.map(draw), jobs: visited(visits, today, chance(20261123)) }
}

/** The earlier visits that the logbooks have. */
export const earlierJobs = (today: Date): DemoJob[] => visited(earlier, today, chance(20261126))

export function visited(list: readonly Visit[], today: Date, source: Chance): DemoJob[] {
  return list.map((visit) => {
    const line = draw(visit.drawing)
    const takenAt = new Date(today.getTime() - Math.max(0, visit.state === 'due' ? 0 : visit.days) * 86_400_000)
    const occasion = visit.title === 'Periodic check' ? 'periodic' : 'after-overhaul'
    const job = makeJob(line, visit.title, takenAt.toISOString(), visit.drawing.unit, occasion)
    const rounds: Round[] = []
    visit.rounds.forEach((truths, r) => {
      const before = rounds[r - 1]
      const empty = before ? repeatRound(before, `r${r + 1}`, takenAt.toISOString()) : job.rounds[0]
      if (!empty) return
      rounds.push({
        ...empty,
        by: visit.by,
        sets: empty.sets.map((set, c) => {
          const truth = truths[c]
          const options = {
            ...(visit.upTo ? { upTo: visit.upTo } : {}),
            ...(visit.wrongSign ? { wrongSign: visit.wrongSign } : {}),
          }
          return truth ? readSet(set, line, visit.drawing, truth, source, options) : set
        }),
      })
    })
    const document: Job = {
      ...job,
      ...(visit.ready ? { ready: readyOf(visit.by, takenAt.toISOString()) } : {}),
      ...(visit.seat ? { seat: seatOf(visit.seat, line, visit.drawing.unit) } : {}),
      note: visit.note ?? '',
      minutes: visit.minutes,
      doneBy: visit.by,
      rounds: rounds.length ? rounds : job.rounds,
    }
    const again = chance(20261125)
    return {
      line: line.name,
      state: visit.state,
      days: visit.days,
      by: visit.by,
      document: visit.well
        ? wellProved(document, visit.rounds, (set, truth) => readSet(set, line, visit.drawing, truth, again, {}))
        : document,
    }
  })
}

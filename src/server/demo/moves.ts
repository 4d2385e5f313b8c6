import { withMachineAt } from '../../core/kinds/train/document/alter'
import { makeJob, makeLine, makeSet, repeatRound } from '../../core/kinds/train/document/make'
import type { Growth, Line, MachineKind, Round, RoundPlan } from '../../core/kinds/train/document/schema'
import { seatFeet } from '../../core/kinds/train/document/seats'
import { emptyPlan } from '../../core/kinds/train/plan/choices'
import { nextPlan, withDone } from '../../core/kinds/train/plan/next'
import { planRound } from '../../core/kinds/train/plan/plan'
import { couplingAfter, type Moves, misalignmentOf } from '../../core/kinds/train/solve/after'
import { solveRound } from '../../core/kinds/train/solve/round'
import { makeKitItem } from '../../core/kit/make'
import type { KitShims } from '../../core/kit/schema'
import type { Misalignment } from '../../core/probes/probe'
import { type Chance, chance } from '../../core/rig/random'
import type { ReadSet } from '../../core/shafts/schema'
import { readyOf } from './before'
import { at, hang, mm, readByHand } from './byHand'
import { counted } from './counted'
import type { MethodJob } from './methods'

/** Jobs of the made-up plant that show what stands in the way of a move, and what is done about it. */

interface Drawn {
  name: string
  area: string
  sides: Line['sides']
  fixed: number
  because: string
  speed: string
  diameter: number
  machines: readonly { kind: MachineKind; name: string; front: number; back: number; next?: number }[]
}

function draw(plan: Drawn): Line {
  const kinds = plan.machines.map(({ kind }) => kind)
  let line = makeLine(plan.name, kinds[0] ?? 'motor', kinds[1] ?? 'pump', 'mm')
  for (const kind of kinds.slice(2)) line = withMachineAt(line, line.machines.length, kind, 'mm', counted(line))
  return {
    ...line,
    area: plan.area,
    sides: plan.sides,
    speed: plan.speed,
    fixed: line.machines[plan.fixed]?.id ?? line.fixed,
    fixedBecause: plan.because,
    machines: line.machines.map((machine, m) => {
      const { name = machine.name, front = 0, back = 0 } = plan.machines[m] ?? {}
      return {
        ...machine,
        name,
        feet: machine.feet.map((foot, f) => ({
          ...foot,
          spread: mm(360),
          station: { ...foot.station, distance: mm(f === 0 ? front : back) },
        })),
      }
    }),
    couplings: line.couplings.map((coupling, c) => ({
      ...coupling,
      name: line.couplings.length > 1 ? `Coupling ${c + 1}` : 'Coupling',
      diameter: mm(plan.diameter),
      ...(coupling.station ? { station: { ...coupling.station, distance: mm(plan.machines[c]?.next ?? 240) } } : {}),
    })),
  }
}

const condensate: Drawn = {
  name: 'Condensate pump',
  area: 'Boiler house',
  sides: { near: 'aisle', far: 'boiler' },
  fixed: 0,
  because: 'It has the pipes.',
  speed: '1480',
  diameter: 160,
  machines: [
    { kind: 'pump', name: 'Pump', front: 230, back: 310 },
    { kind: 'motor', name: 'Motor', front: 250, back: 430 },
  ],
}

const lineShaft: Drawn = {
  name: 'Sheet drive train',
  area: 'Sheet hall',
  sides: { near: 'window', far: 'sheet' },
  fixed: 2,
  because: 'Two shafts meet it; it is doweled.',
  speed: '990',
  diameter: 220,
  machines: [
    { kind: 'motor', name: 'Motor', front: 260, back: 520, next: 240 },
    { kind: 'gearbox', name: 'Gearbox', front: 230, back: 400, next: 230 },
    { kind: 'other', name: 'Line shaft', front: 220, back: 900, next: 240 },
    { kind: 'gearbox', name: 'Second gearbox', front: 230, back: 380, next: 220 },
    { kind: 'fan', name: 'Extractor', front: 240, back: 620 },
  ],
}

const evaporator: Drawn = {
  name: 'Evaporator feed pump',
  area: 'Drying loft',
  sides: { near: 'stair', far: 'tank' },
  fixed: 0,
  because: 'It has the pipes and is hot.',
  speed: '2960',
  diameter: 150,
  machines: [
    { kind: 'pump', name: 'Pump', front: 260, back: 340 },
    { kind: 'motor', name: 'Motor', front: 260, back: 460 },
  ],
}

/** What each demo's first motor-house shelf holds: the stock of the kit of that name. */
export function shelf(name: string, slot: string): RoundPlan['stock'][string] {
  const { sizes } = makeKitItem('shims', 'mm') as KitShims
  return {
    id: 'kit-11',
    name,
    slot: mm(Number(slot)),
    sizes: sizes.map(({ thickness, count }) => ({ thickness, count })),
  }
}

const heat = (height: number, cold: string, running: string): Growth => ({
  told: 'heat',
  vertical: { text: '', unit: 'mm' },
  horizontal: { text: '0', unit: 'mm' },
  heat: { material: 'grey-iron', height: mm(height), cold, running, degrees: 'C' },
  source: 'shop temperatures',
})

/** The line with growth at every foot, by the machine's place in the train. */
const grown = (line: Line, of: readonly Growth[]): Line => ({
  ...line,
  machines: line.machines.map((machine, m) => {
    const growth = of[m]
    return growth ? { ...machine, feet: machine.feet.map((foot) => ({ ...foot, growth })) } : machine
  }),
})

/** Packs under every foot of a machine, and stations with their limits. */
function planOf(
  line: Line,
  packs: Readonly<Record<string, string>>,
  limits: Readonly<Record<string, Partial<Record<'down' | 'up' | 'near' | 'far', number>>>>,
  stocked: readonly string[],
  more: Partial<RoundPlan> = {},
): RoundPlan {
  const feet = line.machines.flatMap(({ id }) => seatFeet(line, id))
  return {
    ...emptyPlan(),
    packs: Object.fromEntries(
      feet.flatMap(({ id, station }) => {
        const text = packs[station]
        return text ? [[id, { text, unit: 'mm' as const }]] : []
      }),
    ),
    limits: Object.fromEntries(
      Object.entries(limits).map(([foot, ways]) => [
        foot,
        Object.fromEntries(Object.entries(ways).map(([way, far]) => [way, mm(far)])),
      ]),
    ),
    stock: Object.fromEntries(stocked.map((id) => [id, shelf('Shims, slot 21', '21')])),
    ...more,
  }
}

function readRound(line: Line, round: Round, truths: readonly Misalignment[], source: Chance): Round {
  const dials = { right: { out: 90, radius: 80, sag: -0.09 }, left: { out: 70, radius: 80, sag: -0.07 } }
  return {
    ...round,
    sets: round.sets.map((set, c): ReadSet => {
      const bare = set.method === 'twin-heads' ? { right: { out: 120 }, left: { out: 120 } } : dials
      const hung = set.probes.some(({ station }) => station.distance.text === '') ? hang(set, bare) : set
      return readByHand(line, hung, truths[c] ?? at(0, 0, 0, 0), source)
    }),
  }
}

/** Jobs that show what stands in the way, the same every time but for the dates. */
export function moveJobs(today: Date): { lines: Line[]; jobs: MethodJob[] } {
  const source = chance(60606)
  const taken = (days: number) => new Date(today.getTime() - days * 86_400_000).toISOString()
  const job = (
    line: Line,
    title: string,
    days: number,
    by: string,
    rounds: readonly Round[],
    note: string,
  ): MethodJob => ({
    line: line.name,
    state: 'in-hand',
    days,
    by,
    document: {
      ...makeJob(line, title, taken(days), 'mm', 'after-overhaul'),
      ready: readyOf(by, taken(days)),
      note,
      minutes: String(40 + 5 * days),
      doneBy: by,
      rounds: [...rounds],
    },
  })
  const first = (line: Line, days: number, by: string, truths: readonly Misalignment[], heads = false): Round => {
    const [round] = makeJob(line, '', taken(days), 'mm').rounds
    if (!round) throw new Error('A job has at least one round.')
    const sets = heads ? line.couplings.map(({ id }) => makeSet(line, id, `r1-${id}`, 'mm', 'twin-heads')) : round.sets
    return readRound(line, { ...round, by, sets }, truths, source)
  }

  const [pumpLine, train, hotLine] = [draw(condensate), draw(lineShaft), draw(evaporator)]
  const ash = draw({ ...condensate, name: 'Ash pump' })

  const based = {
    ...first(pumpLine, 2, 'R. T.', [at(0.21, 0.0005, -0.09, 0.0002)]),
    plan: planOf(pumpLine, { 'm1-front': '2 + 0.5', 'm1-back': '2 + 0.5', 'm2-front': '0.2', 'm2-back': '0.1' }, {}, [
      'm1',
      'm2',
    ]),
  }

  const bolted = {
    ...first(
      train,
      5,
      'I. M.',
      [
        at(0.1, -0.0002, 0.3, 0.0003),
        at(-0.08, 0.0002, -0.24, 0.0001),
        at(0.06, -0.0001, 0.18, -0.0002),
        at(-0.05, 0.0002, -0.12, 0.0001),
      ],
      true,
    ),
    plan: planOf(
      train,
      {},
      {
        'm1-front': { near: 0.1, far: 0.1 },
        'm1-back': { near: 0.1, far: 0.1 },
        'm2-front': { near: 0.25, far: 0.25, down: 0.1 },
        'm2-back': { near: 0.25, far: 0.25, down: 0.1 },
        'm5-back': { down: 0 },
      },
      [],
      { stays: 'least' },
    ),
  }

  const hot = grown(hotLine, [heat(320, '18', '92'), heat(250, '18', '46')])
  const warm = {
    ...first(hot, 3, 'K. O.', [at(0.02, 0.0001, 0.05, -0.0002)]),
    plan: planOf(hot, { 'm2-front': '2 + 1', 'm2-back': '2 + 0.5' }, {}, ['m2']),
  }

  return {
    lines: [pumpLine, train, hot, ash],
    jobs: [
      job(pumpLine, 'Base-bound motor', 2, 'R. T.', [based], 'New motor sits on almost no shims.'),
      job(train, 'Bolt-bound', 5, 'I. M.', [bolted], 'Holes were drilled for the old motor.'),
      job(hot, 'Hot running', 3, 'K. O.', [warm], 'Feed at 92 °C.'),
      twoRounds(ash, source, first, job),
    ],
  }
}

/** A move that came out otherwise: a shim forgotten under the back feet. */
function twoRounds(
  line: Line,
  source: Chance,
  first: (line: Line, days: number, by: string, truths: readonly Misalignment[]) => Round,
  job: (line: Line, title: string, days: number, by: string, rounds: readonly Round[], note: string) => MethodJob,
): MethodJob {
  const truth = at(-0.14, -0.0004, 0.1, 0.0003)
  const one = {
    ...first(line, 1, 'R. T.', [truth]),
    plan: planOf(line, { 'm2-front': '1 + 0.5', 'm2-back': '1 + 0.5' }, {}, ['m2']),
  }
  const solved = solveRound({ line }, one)
  const plan = planRound({ line }, one, solved)
  if (!plan) throw new Error('A plan with one machine fixed is always there.')
  // what the plan makes of the truth, but for a shim of 0.20 left out at the back
  const done: Moves = new Map(
    [...plan.moves].map(([foot, moves]) => [
      foot,
      foot === 'm2-back' ? { ...moves, vertical: (moves.vertical ?? 0) - 0.2 } : moves,
    ]),
  )
  const after = misalignmentOf(couplingAfter(solved.train, solved.solution, done, 0))
  const second = readRound(
    line,
    { ...repeatRound(one, 'r2', one.takenAt), plan: nextPlan(one, plan, 'mm') },
    [after],
    source,
  )
  return job(
    line,
    'Check after move',
    1,
    'R. T.',
    [withDone(one, plan, 'mm'), second],
    'Read again after the move. Back feet not where planned.',
  )
}

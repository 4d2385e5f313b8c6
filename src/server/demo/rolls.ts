import { jobFrom } from '../../core/job/make'
import { cellOf, makeLine, makeRound } from '../../core/kinds/rolls/document/make'
import type { RollsLine, RollsRound } from '../../core/kinds/rolls/document/schema'
import { apartAt, levelOn, noisy, rollOf, scaleAt } from '../../core/kinds/rolls/rig'
import { quantityFrom, quantityMm } from '../../core/quantity/quantity'
import { chance } from '../../core/rig/random'
import { readyOf } from './before'
import { mm } from './byHand'

/** The sheet line of the made-up plant: fourteen rolls, one of them on a bolted drive that will not go where it should. */

const places: readonly (readonly [x: number, z: number, diameter: number, side: 'over' | 'under'])[] = [
  [0, 0, 200, 'over'],
  [620, 340, 160, 'over'],
  [1180, 0, 160, 'under'],
  [1760, 340, 160, 'over'],
  [2380, 0, 240, 'under'],
  [3060, 340, 160, 'over'],
  [3640, 0, 160, 'under'],
  [4220, 340, 160, 'over'],
  [4880, 0, 300, 'under'],
  [5560, 340, 160, 'over'],
  [6140, 0, 160, 'under'],
  [6720, 340, 160, 'over'],
  [7340, 0, 200, 'under'],
  [7960, 340, 200, 'over'],
]

/** How each stands, over a meter: square and level, mm. */
const truths: readonly (readonly [square: number, level: number])[] = [
  [0.02, 0.01],
  [0.03, -0.02],
  [-0.05, 0.03],
  [0.01, 0.02],
  [0.02, 0],
  [0.05, 0.04],
  [0.03, 0.02],
  [0.02, -0.03],
  [0.31, 0.05],
  [0.04, 0.02],
  [0.01, 0.01],
  [-0.02, 0.02],
  [0.03, 0],
  [0.02, 0.01],
]

const line: RollsLine = (() => {
  const made = makeLine('Sheet line, dry end', 'mm', ['14'])
  return {
    ...made,
    area: 'Sheet hall',
    sides: { near: 'aisle', far: 'drives' },
    width: mm(1650),
    housings: mm(1900),
    reference: 'r5',
    baseline: mm(1500),
    monuments: [
      {
        id: 'mon1',
        name: 'M1',
        place: 'brass stud in the floor by the aisle, before roll 1',
        x: mm(-900),
        off: mm(1500),
        verified: '2026-03-11',
      },
      {
        id: 'mon2',
        name: 'M2',
        place: 'brass stud in the floor by the aisle, past roll 14',
        x: mm(8900),
        off: mm(1500),
        verified: '2026-03-11',
      },
    ],
    rolls: made.rolls.map((roll, i) => {
      const [x, z, diameter, side] = places[i] ?? [0, 0, 200, 'over' as const]
      return { ...roll, x: mm(x), z: mm(z), diameter: mm(diameter), side, fixed: i === 4 || i === 8 }
    }),
  }
})()

/** Level both ways on every roll, tapes between neighbors, three rolls squared from the baseline. */
function read(round: RollsRound): RollsRound {
  const source = chance(20261202)
  const over = 1500
  const bodies = places.map(([x, z, diameter], i) => {
    const [square, level] = truths[i] ?? [0, 0]
    return rollOf({ x, z, radius: diameter / 2 }, { square: square / 1000, level: level / 1000, centre: 0.4 * (i % 3) })
  })
  const values: RollsRound['values'] = {}
  const divisions: RollsRound['divisions'] = {}
  line.rolls.forEach(({ id }, i) => {
    const body = bodies[i]
    const next = bodies[i + 1]
    if (!body) return
    for (const turned of [false, true]) {
      const told = noisy(levelOn(body, 0.00002, 0.00003, turned), 0.15, source)
      divisions[cellOf(id, turned ? 'turned' : 'level')] = (Math.round(2 * told) / 2).toFixed(1)
    }
    if (i % 5 === 0 || i === 13)
      for (const end of ['near', 'far'] as const) {
        const y = end === 'near' ? -over / 2 : over / 2
        const from = { x: body.middle[0] - 40, y: 0, heading: 0 }
        values[cellOf(id, end)] = quantityFrom(noisy(scaleAt(body, y, from), 0.01, source), 'mm', 2)
      }
    if (next)
      for (const end of ['tapeNear', 'tapeFar'] as const) {
        const y = end === 'tapeNear' ? -over / 2 : over / 2
        values[cellOf(id, end)] = quantityFrom(noisy(apartAt(body, next, y), 0.02, source), 'mm', 2)
      }
    values[cellOf(id, 'centre')] = quantityFrom(noisy(1500 + body.middle[1], 0.1, source), 'mm', 1)
  })
  const [near, far] = ['tapeNear', 'tapeFar'].map((cell) => values[`r8.${cell}`] ?? mm(0))
  const look = (by: number) => ({
    near: near ?? mm(0),
    far: quantityFrom((quantityMm(far ?? mm(0)) ?? 0) + by, 'mm', 2),
  })
  return {
    ...round,
    by: 'S. B.',
    over: mm(over),
    values,
    divisions,
    trouble: {
      what: 'wrinkle',
      since: 'roll 9 gearbox changed',
      span: 'r9',
      slack: 'near',
      looks: [look(0.03), look(-0.02)],
    },
  }
}

/** One section, one job, the same every time but for the dates. */
export function rollsJobs(today: Date) {
  const days = 2
  const takenAt = new Date(today.getTime() - days * 86_400_000).toISOString()
  const job = jobFrom(line, read(makeRound(line, takenAt, 'mm')), 'Diagonal wrinkle after roll 9', 'vibration')
  const document = {
    ...job,
    ready: readyOf('S. B.', takenAt),
    note: 'Wrinkle since the roll 9 gearbox change. Aisle edge slack.',
    minutes: '210',
    doneBy: 'S. B.',
  }
  return { lines: [line], jobs: [{ line: line.name, state: 'in-hand' as const, days, by: 'S. B.', document }] }
}

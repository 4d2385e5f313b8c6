import { jobFrom } from '../../core/job/make'
import { cellsOf, degreesOf, makeLine, makeRound } from '../../core/kinds/bore/document/make'
import type { BoreLine, BoreRound } from '../../core/kinds/bore/document/schema'
import { type Bore, type CarrierAt, readWall } from '../../core/kinds/bore/rig'
import { droopAt } from '../../core/kinds/bore/solve/carrier'
import { carrierOf } from '../../core/kinds/bore/solve/round'
import { quantityFrom } from '../../core/quantity/quantity'
import { chance } from '../../core/rig/random'
import { readyOf } from './before'
import { mm } from './byHand'

/** The bore row of the made-up plant: a shredder's four pockets, one of them sunk and drawn oval where its web was welded. */

const line: BoreLine = (() => {
  const made = makeLine('Frond shredder bores', 'mm', ['4'])
  const xs = [80, 560, 1040, 1520]
  return {
    ...made,
    area: 'Landing',
    sides: { near: 'quay', far: 'chute' },
    sections: made.sections.map((section, i) => ({ ...section, x: mm(xs[i] ?? 0), diameter: mm(140) })),
    carrier: {
      kind: 'bar',
      from: mm(0),
      length: mm(1600),
      weight: '0.0968',
      tension: '',
      stiffness: '26400000000',
    },
  }
})()

const pockets: readonly Bore[] = [
  { x: 80, y: 0.02, z: -0.01, radius: 70 },
  { x: 560, y: -0.04, z: 0.03, radius: 70 },
  { x: 1040, y: 0.06, z: -0.21, radius: 70, oval: { by: 0.024, at: 90 } },
  { x: 1520, y: 0.01, z: 0, radius: 70 },
]

/** Every pocket to the hundredth from a bar that hangs; the welded one at eight places. */
function read(round: BoreRound): BoreRound {
  const source = chance(20261201)
  const bar = carrierOf(line)
  const carrier: CarrierAt = (x) => [0.08 - 0.00005 * x, -0.11 + 0.00003 * x + (bar ? droopAt(bar, x) : 0)]
  return {
    ...round,
    by: 'R. T.',
    sets: round.sets.map((set, i) => {
      const places = i === 2 ? (8 as const) : (4 as const)
      const pocket = pockets[i]
      return {
        ...set,
        places,
        sag: mm(0),
        values: Object.fromEntries(
          cellsOf({ places }).map((key) => [
            key,
            quantityFrom(pocket ? readWall(pocket, carrier, degreesOf(key), { sd: 0.003, source }) : 0, 'mm', 2),
          ]),
        ),
      }
    }),
  }
}

/** One row, one job, the same every time but for the dates. */
export function boreJobs(today: Date) {
  const days = 3
  const takenAt = new Date(today.getTime() - days * 86_400_000).toISOString()
  const job = jobFrom(line, read(makeRound(line, takenAt, 'mm')), 'Web welded', 'after-overhaul')
  const document = {
    ...job,
    ready: readyOf('R. T.', takenAt),
    note: 'Web under pocket 3 cracked and was welded; rotor is out.',
    minutes: '95',
    doneBy: 'R. T.',
  }
  return { lines: [line], jobs: [{ line: line.name, state: 'in-hand' as const, days, by: 'R. T.', document }] }
}

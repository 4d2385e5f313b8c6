import { jobFrom } from '../../core/job/make'
import { cellsOf, faceCell, makeLine, makeRound } from '../../core/kinds/belt/document/make'
import type { BeltLine, BeltRound } from '../../core/kinds/belt/document/schema'
import { axisOf, faceAt } from '../../core/kinds/belt/rig'
import { quantityFrom } from '../../core/quantity/quantity'
import { chance } from '../../core/rig/random'
import { readyOf } from './before'
import { mm } from './byHand'

/** The belt drive of the made-up plant: a dryer fan by belt, whose motor came back with a wider sheave. */

const line: BeltLine = (() => {
  const made = makeLine('Dryer fan', 'mm', ['Fan', 'Motor'])
  const [fan, motor] = made.sheaves
  if (!fan || !motor) throw new Error('A drive has two sheaves.')
  return {
    ...made,
    area: 'Drying loft',
    sides: { near: 'stair', far: 'dryer' },
    sheaves: [
      { ...fan, diameter: mm(315), width: mm(65) },
      {
        ...motor,
        across: mm(640),
        up: mm(-120),
        diameter: mm(200),
        width: mm(74),
        base: mm(-252),
        feet: motor.feet.map((foot, i) => ({ ...foot, behind: mm([96, 350][i] ?? 0) })),
        pivot: { foot: '', beside: mm(-95) },
      },
    ],
    shims: { text: '0.05 0.1 0.2 0.5', unit: 'mm' },
  }
})()

/** Both turns of the motor's face, to the hundredth: toed and tilted, its bushing drawn in a little unevenly. */
function read(round: BeltRound): BeltRound {
  const source = chance(20261128)
  const body = {
    centre: [3.4, 640, -120] as const,
    axis: axisOf(-0.0068, 0.0041),
    wobble: { by: 0.0006, at: 40 },
  }
  return {
    ...round,
    by: 'K. O.',
    sets: round.sets.map((set) => ({
      ...set,
      radius: mm(92),
      values: Object.fromEntries(
        cellsOf(set).map((key) => {
          const { angle, turned } = faceCell(key)
          return [key, quantityFrom(faceAt(body, angle, 92, turned) + 0.004 * source.normal(), 'mm', 2)]
        }),
      ),
    })),
  }
}

/** One drive, one job, the same every time but for the dates. */
export function beltJobs(today: Date) {
  const days = 4
  const takenAt = new Date(today.getTime() - days * 86_400_000).toISOString()
  const job = jobFrom(line, read(makeRound(line, takenAt, 'mm')), 'Belts thrown', 'vibration')
  const document = {
    ...job,
    ready: readyOf('K. O.', takenAt),
    note: 'Motor came back with a sheave 9 mm wider.',
    minutes: '70',
    doneBy: 'K. O.',
  }
  return { lines: [line], jobs: [{ line: line.name, state: 'in-hand' as const, days, by: 'K. O.', document }] }
}

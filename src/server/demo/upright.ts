import { quantityFrom } from '../../core/frame/quantity'
import { jobFrom } from '../../core/job/make'
import { makeLine, makeRound } from '../../core/kinds/upright/document/make'
import type { UprightLine, UprightRound } from '../../core/kinds/upright/document/schema'
import { readAtBolts } from '../../core/kinds/upright/rig'
import { readingKey } from '../../core/shafts/typed'
import { readyOf } from './before'
import { at, mm } from './byHand'

/** The upright machine of the made-up plant: a motor on the flange of its well pump. */

const line: UprightLine = (() => {
  const made = makeLine('Well pump', 'mm', ['Pump', 'Motor'])
  return {
    ...made,
    area: 'Well house',
    coupling: { ...made.coupling, diameter: mm(160) },
    flange: {
      ...made.flange,
      height: mm(260),
      circle: mm(300),
      spigot: mm(0.4),
      shims: { text: '0.05 0.1 0.2', unit: 'mm' },
    },
    speed: '1480',
  }
})()

/** Both dials read at every bolt, to the hundredth. */
function read(round: UprightRound): UprightRound {
  const truth = at(-0.12, 0.0008, 0.05, -0.0006)
  return {
    ...round,
    by: 'I. M.',
    sets: round.sets.map((set) => ({
      ...set,
      probes: set.probes.map((probe) => {
        const [on, out] = probe.on === 'upper' ? (['right', 40] as const) : (['left', 30] as const)
        const x = on === 'right' ? out : -out
        const values = readAtBolts(truth, { on, x, radius: 80 }, line.flange.bolts)
        return {
          ...probe,
          station: { ...probe.station, distance: mm(out) },
          readings: Object.fromEntries(
            set.angles.map(({ id }, i) => [
              readingKey(id),
              { value: quantityFrom(values[i]?.[1] ?? 0, 'mm', 2), turns: 0 },
            ]),
          ),
        }
      }),
    })),
  }
}

/** One pair, one job, the same every time but for the dates. */
export function uprightJobs(today: Date) {
  const days = 2
  const takenAt = new Date(today.getTime() - days * 86_400_000).toISOString()
  const job = jobFrom(line, read(makeRound(line, takenAt, 'mm')), 'New motor on the flange', 'after-overhaul')
  const document = {
    ...job,
    ready: readyOf('I. M.', takenAt),
    note: 'Motor came back rewound; flange cleaned.',
    minutes: '45',
    doneBy: 'I. M.',
  }
  return { lines: [line], jobs: [{ line: line.name, state: 'in-hand' as const, days, by: 'I. M.', document }] }
}

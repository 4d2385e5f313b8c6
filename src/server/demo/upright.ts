import { jobFrom } from '../../core/job/make'
import { anglesAtBolts, makeLine, makeRound, repeatRound } from '../../core/kinds/upright/document/make'
import type { UprightLine, UprightRound } from '../../core/kinds/upright/document/schema'
import { readAtBolts } from '../../core/kinds/upright/rig'
import type { Misalignment } from '../../core/probes/probe'
import { quantityFrom } from '../../core/quantity/quantity'
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

/** Both dials read at the bolts of a round, to the hundredth. */
function read(line: UprightLine, round: UprightRound, truth: Misalignment, by = 'I. M.'): UprightRound {
  return {
    ...round,
    by,
    sets: round.sets.map((set) => ({
      ...set,
      probes: set.probes.map((probe) => {
        const [on, out] = probe.on === 'upper' ? (['right', 40] as const) : (['left', 30] as const)
        const x = on === 'right' ? out : -out
        const all = readAtBolts(truth, { on, x, radius: 80 }, line.flange.bolts)
        // zero stays where bolt 1 is; what is read are the bolts of the set
        const values = set.angles.map(({ degrees }) => all.find(([angle]) => Math.abs(angle - degrees) < 0.01))
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
  const job = jobFrom(
    line,
    read(line, makeRound(line, takenAt, 'mm'), at(-0.12, 0.0008, 0.05, -0.0006)),
    'New motor on the flange',
    'after-overhaul',
  )
  const document = {
    ...job,
    ready: readyOf('I. M.', takenAt),
    note: 'Motor came back rewound; flange cleaned.',
    minutes: '45',
    doneBy: 'I. M.',
  }
  return { lines: [line], jobs: [{ line: line.name, state: 'in-hand' as const, days, by: 'I. M.', document }] }
}

const lift: UprightLine = (() => {
  const made = makeLine('Intake lift pump', 'mm', ['Pump', 'Motor'])
  return {
    ...made,
    area: 'Intake',
    coupling: { ...made.coupling, diameter: mm(220) },
    flange: {
      ...made.flange,
      height: mm(340),
      circle: mm(520),
      bolts: 8,
      spigot: mm(0.5),
      shims: { text: '0.05 0.1 0.2 0.5', unit: 'mm' },
      room: mm(1.5),
      stands: 90,
    },
    speed: '985',
  }
})()

/** A pair of eight bolts read at every second one; what was done came out mirrored, since the bolts were counted the other way. */
export function liftJobs(today: Date) {
  const days = 6
  const takenAt = new Date(today.getTime() - days * 86_400_000).toISOString()
  const later = new Date(today.getTime() - days * 86_400_000 + 5 * 3_600_000).toISOString()
  const empty = makeRound(lift, takenAt, 'mm')
  const seconds = { ...empty, sets: empty.sets.map((set) => ({ ...set, angles: anglesAtBolts(8, 2) })) }
  const found = read(lift, seconds, at(0.14, -0.0005, -0.21, 0.0009), 'R. T.')
  const mirrored = read(lift, repeatRound(found, 'r2', later), at(0.008, -0.00002, -0.418, 0.00179), 'R. T.')
  const job = jobFrom(lift, found, 'Rewound motor', 'after-overhaul')
  const document = {
    ...job,
    rounds: [found, mirrored],
    ready: readyOf('R. T.', takenAt),
    note: 'First move made from the binder drawing.',
    minutes: '160',
    doneBy: 'R. T.',
  }
  return { lines: [lift], jobs: [{ line: lift.name, state: 'in-hand' as const, days, by: 'R. T.', document }] }
}

import { type Roll, type RollReading, type Section, solveSection } from '../../src/core/kinds/rolls/solve/section'
import { chance } from '../../src/core/rig/random'
import { bestOf, row } from './clock'

/** Two hundred rolls from ten stands, every one leveled both ways and taped to the next, some squared: about two thousand readings. */
function twoHundred(): { section: Section; readings: RollReading[] } {
  const source = chance(200)
  const off = (sd: number) => sd * source.normal()
  const rolls = Array.from(
    { length: 200 },
    (_, i): Roll => ({
      id: `r${i}`,
      x: 700 * i,
      z: 300 * (i % 2),
      radius: 80 + 10 * (i % 3),
      side: i % 2 ? 'under' : 'over',
      width: 1600,
      housings: [-900, 900],
      movable: true,
      incline: 0,
      limit: 0.0001,
    }),
  )
  const readings = rolls.flatMap(({ id }, i): RollReading[] => {
    const next = rolls[i + 1]?.id
    const stand = `S${Math.floor(i / 20)}`
    return [
      ...[false, true, false, true].map(
        (turned): RollReading => ({
          type: 'level',
          on: id,
          divisions: off(0.5),
          sensitivity: 0.02,
          turned,
          instrument: 'L',
          sd: 0.5,
        }),
      ),
      ...(next ? ['tape', 'loop', 'tape', 'loop'] : []).map(
        (type): RollReading => ({
          type: type as 'tape' | 'loop',
          between: [id, next ?? ''],
          near: 760 + off(0.05),
          far: 760 + off(0.05),
          over: 1500,
          sd: 0.05,
        }),
      ),
      { type: 'scale', on: id, near: 5 + off(0.02), far: 5 + off(0.02), over: 1500, stand, sd: 0.02 },
      { type: 'scale', on: id, near: 5 + off(0.02), far: 5 + off(0.02), over: 1500, stand, sd: 0.02 },
    ]
  })
  const marks = Array.from({ length: 20 }, (_, i): RollReading => {
    const [mark, x] = i % 2 ? ['M2', 150_000] : ['M1', -1000]
    return {
      type: 'plane',
      stand: `S${Math.floor(i / 2)}`,
      mark: String(mark),
      x: Number(x),
      value: off(0.02),
      sd: 0.02,
    }
  })
  return { section: { rolls, path: rolls.map(({ id }) => id), reference: 'r0' }, readings: [...readings, ...marks] }
}

/** The largest section there is, and how it compares with as many readings of two rolls. */
export function benchRolls(): string[] {
  const { section, readings } = twoHundred()
  const two = { rolls: section.rolls.slice(0, 2), path: ['r0', 'r1'], reference: 'r0' }
  const own = readings.slice(0, 10).filter((one) => one.type !== 'plane')
  const few = Array.from({ length: 200 }, () => own).flat()
  const whole = bestOf(() => solveSection(section, readings))
  const small = bestOf(() => solveSection(two, few))
  return [
    row(`200 rolls, ${readings.length} readings, every roll and span with its doubt, ms`, whole.toFixed(1), '≤ 20'),
    row('the same, times two rolls of as many readings', `${(whole / small).toFixed(1)}×`),
  ]
}

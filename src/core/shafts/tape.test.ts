import { expect, it } from 'vitest'
import { toGoDoubt } from '../kinds/train/plan/stop'
import type { Probe } from '../probes'
import { exactRimReading, shaftPair } from '../rig/geometry'
import { fitCoupling } from './coupling'
import { unknowns } from './rows'
import { tapeCovariance } from './tape'

const truth = { offsetY: 0.12, slopeY: 0.0009, offsetZ: -0.08, slopeZ: -0.0014 }
const dials = [
  { on: 'right' as const, x: 90 },
  { on: 'left' as const, x: -70 },
  { on: 'right' as const, x: 140 },
]

/** The same readings of a rig, the stations as they were taped. */
const fitAt = (stations: readonly number[], angles = [0, 90, 180, 270]) => {
  const probes = dials.map(
    (dial, i): Probe => ({
      type: 'rim',
      ...dial,
      x: stations[i]!,
      sag: 0,
      sd: 0.005,
      radius: 80,
      readings: angles.map((angle) => ({
        angle,
        value: exactRimReading(shaftPair(truth, 0), { ...dial, radius: 80, sag: 0 }, angle),
      })),
    }),
  )
  const result = fitCoupling([{ state: 'released', probes }], 0)
  if (!result.ok) throw new Error(result.lack)
  return result.fit
}

it('is what comes of each station taped wrong by so much, one at a time', () => {
  const known = dials.map(({ x }) => x)
  const [step, sd] = [0.5, 2]
  const answers = known.map((_, i) => {
    const [more, less] = [1, -1].map((way) => fitAt(known.map((x, k) => (k === i ? x + way * step : x))).misalignment)
    return unknowns.map((name) => (more![name] - less![name]) / (2 * step))
  })
  const told = tapeCovariance(fitAt(known), sd)
  for (const i of [0, 1, 2, 3])
    for (const j of [0, 1, 2, 3]) {
      const expected = answers.reduce((sum, answer) => sum + sd * sd * answer[i]! * answer[j]!, 0)
      const size = Math.sqrt(told[i]![i]! * told[j]![j]!)
      expect(Math.abs(told[i]![j]! - expected)).toBeLessThan(0.01 * size)
    }
})

it('says nothing of a plane that was not read', () => {
  const told = tapeCovariance(
    fitAt(
      dials.map(({ x }) => x),
      [0, 180],
    ),
    2,
  )
  expect([told[0], told[1]].flat()).toEqual([0, 0, 0, 0, 0, 0, 0, 0])
  expect(told[3]![3]!).toBeGreaterThan(0)
})

it('grows from the dials to the feet as the lever does: each dial by itself, added by squares', () => {
  // two dials that show offset ± 100 mm of slope, a machine from 200 to 700 mm
  const watches = [
    { id: 'a', weight: [1, 100] as const },
    { id: 'b', weight: [1, -100] as const },
  ]
  const machine = {
    side: 1 as const,
    couplingX: 0,
    bolts: [
      { foot: 'in', x: 200 },
      { foot: 'out', x: 700 },
    ] as never,
  }
  const sd = [0.01, 0.02] as const
  const at = (x: number) => Math.hypot((sd[0] * (1 + x / 100)) / 2, (sd[1] * (1 - x / 100)) / 2)
  const doubt = toGoDoubt(machine, watches, sd)
  expect(doubt[0]).toBeCloseTo(at(200), 9)
  expect(doubt[1]).toBeCloseTo(at(700), 9)
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Misalignment } from '../probes/probe'
import { type Axis, straight } from '../quantity/axis'
import { chance } from '../rig/random'
import type { Misaligned } from '../shafts/coupling'
import { slipSpeedLimits } from '../verdict/slipSpeed'
import type { Joint, Limits } from '../verdict/verdict'
import { closingOf } from './closing'
import { markOf } from './marks'
import { repeatOf } from './repeat'
import { speedInHand, verdictAt } from './speeds'
import { judgedBy, usedOf, type Weight } from './used'

const cold: Axis = { vertical: straight, horizontal: straight }
const still: Misalignment = { offsetY: 0, slopeY: 0, offsetZ: 0, slopeZ: 0 }
const short: Joint = { x: 0, diameter: 160 }
const limits: Limits = { offset: 0.077, slope: 0.00048, judgesOffset: true, source: 'slip-speed' }

const sds = [0.003, 0.00002, 0.003, 0.00002] as const
/** Offset and slope of a plane hang together, as two dials on one side of the coupling make them. */
const correlated = sds.map((a, i) =>
  sds.map((b, j) => (i === j ? a * b : Math.floor(i / 2) === Math.floor(j / 2) ? -0.6 * a * b : 0)),
)
const read = (m: Misalignment, more: Partial<Misaligned> = {}): Misaligned => ({
  misalignment: m,
  covariance: correlated,
  measured: ['vertical', 'horizontal'],
  ...more,
})
const feet = [
  { id: 'front', x: 240 },
  { id: 'back', x: 690 },
]

describe('readings of one state taken twice', () => {
  it('say that they do not repeat once in a thousand times where nothing changed', () => {
    const source = chance(20261125)
    /** One reading of shafts in line, with the deviation and the correlation it tells. */
    const noisy = (): Misalignment => {
      const plane = (): [number, number] => {
        const [a, b] = [source.normal(), source.normal()]
        return [sds[0] * a, sds[1] * (-0.6 * a + 0.8 * b)]
      }
      const [[offsetY, slopeY], [offsetZ, slopeZ]] = [plane(), plane()]
      return { offsetY, slopeY, offsetZ, slopeZ }
    }
    let alarms = 0
    let sum = 0
    const draws = 20_000
    for (let i = 0; i < draws; i++) {
      const found = repeatOf(read(noisy()), read(noisy()), 0, feet)!
      sum += found.q
      if (!found.repeats) alarms++
    }
    expect(sum / draws).toBeCloseTo(4, 0)
    // twenty are meant; by chance 7 to 36 in all but one of a thousand tries
    expect(alarms).toBeGreaterThan(6)
    expect(alarms).toBeLessThan(37)
  })
  it('tell the worst foot, and that a foot moved by more than is known', () => {
    const moved = { ...still, offsetZ: 0.01, slopeZ: 0.0004 }
    const found = repeatOf(read(moved), read(still), 0, feet)!
    expect(found.repeats).toBe(false)
    expect(found.worst).toMatchObject({ station: 'back', plane: 'vertical' })
    expect(found.worst!.by).toBeCloseTo(0.01 + 0.0004 * 690, 12)
  })
  it('are compared in the planes that both measured, and not at all where there is none', () => {
    const upright = read({ ...still, offsetZ: 0.001 }, { measured: ['vertical'] })
    expect(repeatOf(upright, read({ ...still, offsetY: 5 }), 0, feet)).toMatchObject({ free: 2, repeats: true })
    expect(repeatOf(upright, read(still, { measured: ['horizontal'] }), 0, feet)).toBeUndefined()
  })
})

describe('closing the coupling', () => {
  const closed = (m: Partial<Misalignment>) => closingOf(read({ ...still, ...m }), read(still), 0, feet, limits)!
  it('may move the shafts by a quarter of what is allowed', () => {
    expect(closed({}).state).toBe('within')
    expect(closed({ offsetZ: 0.04 }).state).toBe('outside')
    expect(closed({ slopeY: 0.0004 }).state).toBe('outside')
    expect(closed({ offsetZ: 0.077 / 4 }).state).toBe('unsure')
  })
  it('is told at every foot, toward where the right shaft went', () => {
    const { stations, most } = closed({ offsetZ: 0.01, slopeZ: 0.0001 })
    expect(stations.find(({ station, plane }) => station === 'back' && plane === 'vertical')!.by).toBeCloseTo(0.079, 12)
    expect(most).toEqual({ offset: 0.077 / 4, slope: 0.00012 })
  })
  it('cannot be told from a limit that nobody gave', () => {
    expect(closingOf(read(still), read(still), 0, feet, undefined)).toMatchObject({ state: 'unsure', most: undefined })
  })
})

describe('speed in hand', () => {
  const at = { coupling: short, allowed: { rpm: 1480 }, grade: 'standard', growth: cold } as const
  it('is that of the worked case: the slope decides', () => {
    const found = speedInHand(read({ ...still, offsetZ: 0.03, slopeZ: 0.0002 }), at)!
    expect(Math.round(found.rpm)).toBe(3581)
    expect(found.decides).toBe('slope')
    expect(found.sure).toBeGreaterThan(0)
    expect(found.sure).toBeLessThan(found.rpm)
  })
  it('is the speed at which P(within) is 95 %, whatever is off', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.1, max: 0.1, noNaN: true }),
        fc.double({ min: -0.0006, max: 0.0006, noNaN: true }),
        fc.option(fc.double({ min: 40, max: 400, noNaN: true }), { nil: undefined }),
        (offsetZ, slopeY, half) => {
          fc.pre(Math.abs(offsetZ) + Math.abs(slopeY) > 1e-6)
          const coupling = half ? { ...short, flexPlanes: [-half, half] as const } : short
          const where = { ...at, coupling }
          const fit = read({ ...still, offsetZ, slopeY })
          const found = speedInHand(fit, where)!
          if (found.sure === undefined) return
          expect(verdictAt(fit, where, found.sure)!.state).toBe('within')
          expect(verdictAt(fit, where, found.sure * 1.01)!.state).not.toBe('within')
          // by the numbers alone, all of the limit is used there
          const { offset, slope } = slipSpeedLimits(found.rpm, 80, 'standard')
          const own: Limits = { offset, slope, judgesOffset: !half, source: 'slip-speed' }
          expect(usedOf(fit.misalignment, coupling, own).share).toBeCloseTo(1, 9)
        },
      ),
    )
  })
  it('is none where a maker’s figures count', () => {
    expect(speedInHand(read(still), { ...at, allowed: { rpm: 1480, tolerance: { slope: 0.001, offset: 0.1 } } })).toBe(
      undefined,
    )
  })
})

describe('marks for the dial’s limit hands', () => {
  it('are those of the worked case', () => {
    const found = markOf(
      [
        [1, 90],
        [1, -70],
      ],
      short,
      limits,
    )!
    expect(found.plane).toBeCloseTo(0.038, 3)
    expect(found.vector).toBeCloseTo(0.027, 3)
  })
  it('keep every coupling within while all needles stay between them', () => {
    const source = chance(7)
    const within = (most: number) => most * (2 * source.uniform() - 1)
    let close = 0
    for (let i = 0; i < 10_000; i++) {
      const half = source.uniform() < 0.5 ? 60 + 300 * source.uniform() : undefined
      const coupling: Joint = half ? { ...short, flexPlanes: [-half, half] } : short
      const own: Limits = {
        offset: 0.02 + 0.2 * source.uniform(),
        slope: 0.0001 + 0.001 * source.uniform(),
        judgesOffset: !half || source.uniform() < 0.5,
        source: 'figures',
      }
      const probes = Array.from({ length: source.uniform() < 0.7 ? 2 : 3 }, (): Weight => [1, within(400)])
      const mark = markOf(probes, coupling, own)
      if (!mark) continue
      // any offset and slope; half of them such that two needles stand at the ends of their marks at once
      const [[, a] = [1, 0], [, b] = [1, 0]] = probes
      const corner = source.uniform() < 0.5
      const plane = (): readonly [number, number] => {
        if (!corner) return [within(1), within(0.01)]
        const slope = 2 / (a - b)
        return [1 - slope * a, slope]
      }
      const [[offsetY, slopeY], [offsetZ, slopeZ]] = [plane(), plane()]
      const shape = { offsetY, slopeY, offsetZ, slopeZ }
      const needles = probes.flatMap(([o, s]) => [o * offsetY + s * slopeY, o * offsetZ + s * slopeZ])
      const scale = mark.vector / Math.max(...needles.map(Math.abs))
      const m = Object.fromEntries(
        Object.entries(shape).map(([name, value]) => [name, value * scale]),
      ) as unknown as Misalignment
      const { share } = usedOf(m, coupling, own)
      expect(share).toBeLessThanOrEqual(1 + 1e-9)
      if (share > 0.9) close++
    }
    // nor are they far narrower than need be
    expect(close).toBeGreaterThan(500)
  })
  it('are none where the probes do not tell offset and slope apart', () => {
    expect(markOf([[1, 90]], short, limits)).toBeUndefined()
    expect(
      markOf(
        [
          [1, 90],
          [1, 90],
        ],
        short,
        limits,
      ),
    ).toBeUndefined()
  })
})

describe('what a coupling is judged by', () => {
  it('is the angle at each flex plane of a spacer: an offset of 0.1 mm leans it by 0.1/180', () => {
    const spacer: Joint = { ...short, flexPlanes: [-90, 90] }
    const by = { ...limits, judgesOffset: false, slope: 0.1 / 180 }
    expect(judgedBy(spacer, by)).toHaveLength(2)
    expect(usedOf({ ...still, offsetZ: 0.1 }, spacer, by)).toEqual({ by: 'slope', share: 1 })
  })
})

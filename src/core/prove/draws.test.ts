import { describe, expect, it } from 'vitest'
import type { Probe } from '../probes'
import type { Misalignment } from '../probes/probe'
import { type Axis, straight } from '../quantity/axis'
import { exactRimReading, shaftPair } from '../rig/geometry'
import { chance } from '../rig/random'
import { fitCoupling } from '../shafts/coupling'
import { verdictOf } from '../verdict/verdict'
import { drawMany, drawProblem, type KnownTo, sharesOf } from './draws'
import { judgedBy, usedOf } from './used'

const truth: Misalignment = { offsetY: 0.02, slopeY: 0.0003, offsetZ: -0.04, slopeZ: 0.00025 }
const joint = { x: 0, diameter: 160 }
const limits = { offset: 0.077, slope: 0.00048, judgesOffset: true, source: 'slip-speed' } as const
const growth: Axis = { vertical: { offset: 0.03, slope: 0.0001 }, horizontal: straight }

const dial = (on: 'left' | 'right', x: number): Probe => {
  const pair = shaftPair(truth, 0)
  return {
    type: 'rim',
    on,
    x,
    radius: 80,
    sag: -0.1,
    sd: 0.005,
    readings: [0, 90, 180, 270].map((angle) => ({
      angle,
      value: exactRimReading(pair, { on, x, radius: 80, sag: -0.1 }, angle),
    })),
  }
}
const sets = [{ state: 'released' as const, probes: [dial('right', 90), dial('left', -70)] }]
const exactly: KnownTo = { tape: 0, sag: 0, growth: 0, limits: 0 }
const all = (problem: Parameters<typeof drawMany>[0], draws: number, seed = 1) => {
  const drawing = drawMany(problem, draws, seed)
  let step = drawing.next()
  while (!step.done) step = drawing.next()
  return step.value
}

describe('draws of a coupling', () => {
  it('are within as often as the verdict says, where only the readings scatter', () => {
    const problem = drawProblem(sets, joint, limits, growth, exactly)!
    const fit = fitCoupling(sets, 0)
    if (!fit.ok) throw new Error(fit.lack)
    const { probability } = verdictOf(fit.fit, joint, limits, growth)
    const { within, draws } = all(problem, 100_000)
    expect(probability).toBeGreaterThan(0.05)
    expect(probability).toBeLessThan(0.95)
    expect(within / draws).toBeCloseTo(probability, 2)
  })
  it('are as often within as readings that are solved again with every dimension wrong by chance', () => {
    const known = { tape: 2, sag: 0.01, growth: 0.3, limits: 0.1 }
    const problem = drawProblem(sets, joint, limits, growth, known)!
    const source = chance(77)
    let within = 0
    const tries = 4000
    for (let i = 0; i < tries; i++) {
      const wrong = sets.map((set) => ({
        ...set,
        probes: set.probes.map((probe) =>
          probe.type === 'rim'
            ? {
                ...probe,
                x: probe.x + known.tape * source.normal(),
                sag: probe.sag + known.sag * source.normal(),
                readings: probe.readings.map(({ angle, value }) => ({ angle, value: value + 0.005 * source.normal() })),
              }
            : probe,
        ),
      }))
      const result = fitCoupling(wrong, 0)
      if (!result.ok) throw new Error(result.lack)
      const { misalignment: m } = result.fit
      const grown = 1 + known.growth * source.normal()
      const running = {
        ...m,
        offsetZ: m.offsetZ + growth.vertical.offset * grown,
        slopeZ: m.slopeZ + growth.vertical.slope * grown,
      }
      if (usedOf(running, joint, limits).share <= 1 + known.limits * source.normal()) within++
    }
    const drawn = all(problem, 100_000)
    const p = drawn.within / drawn.draws
    // three deviations of the rarer of the two
    expect(Math.abs(within / tries - p)).toBeLessThan(3 * Math.sqrt((p * (1 - p)) / tries) + 0.002)
  })
  it('come step by step, the same for the same seed, and keep some to be drawn', () => {
    const problem = drawProblem(sets, joint, limits, growth, { ...exactly, tape: 1 })!
    const steps = [...drawMany(problem, 25_000, 5)].map(({ draws }) => draws)
    expect(steps).toEqual([10_000, 20_000, 25_000])
    const [a, b] = [all(problem, 20_000, 5), all(problem, 20_000, 5)]
    expect(a.within).toBe(b.within)
    expect(a.cloud).toEqual(b.cloud)
    expect(all(problem, 20_000, 6).within).not.toBe(a.within)
    const middle = (at: number) => a.cloud.filter((_, i) => i % 4 === at).reduce((sum, one) => sum + one, 0) / 1500
    expect(middle(2)).toBeCloseTo(problem.mean.offsetZ, 2)
  })
  it('say what matters most: a sag known badly is most of the doubt', () => {
    const problem = drawProblem(sets, joint, limits, growth, { tape: 1, sag: 0.03, growth: 0.2, limits: 0 })!
    const [first, ...others] = sharesOf(problem)
    expect(first!.what).toBe('sag')
    expect(first!.share + others.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12)
    expect(sharesOf(drawProblem(sets, joint, limits, growth, exactly)!)).toEqual([
      { what: 'readings', probe: undefined, share: 1 },
    ])
  })
  it('are none where a plane was not read', () => {
    const half = sets.map((set) => ({
      ...set,
      probes: set.probes.map((probe) =>
        probe.type === 'rim' ? { ...probe, readings: probe.readings.filter(({ angle }) => angle % 180 === 0) } : probe,
      ),
    }))
    expect(drawProblem(half, joint, limits, growth, exactly)).toBeUndefined()
    expect(judgedBy(joint, limits).map(({ by }) => by)).toEqual(['offset', 'slope'])
  })
})

import { describe, expect, it } from 'vitest'
import type { Misaligned } from '../shafts/coupling'
import { probabilityOf } from './probability'
import { slipSpeedLimits } from './slipSpeed'
import { type Limits, verdictOf } from './verdict'

const limits: Limits = { offset: 0.077, slope: 0.00048, judgesOffset: true, source: 'slip-speed' }
const none = { vertical: { offset: 0, slope: 0 }, horizontal: { offset: 0, slope: 0 } }

function fitOf(offsetZ: number, sd: number, measured: Misaligned['measured'] = ['vertical', 'horizontal']): Misaligned {
  const covariance = [0, 1, 2, 3].map((i) => [0, 1, 2, 3].map((j) => (i === j ? (i % 2 ? 1e-12 : sd * sd) : 0)))
  return {
    misalignment: { offsetY: 0, slopeY: 0, offsetZ, slopeZ: 0 },
    covariance,
    measured,
  }
}

describe('the slip-speed policy', () => {
  it('allows 0.077 mm and 0.48 mrad at 1480 rpm on an 80 mm radius, standard', () => {
    const { offset, slope } = slipSpeedLimits(1480, 80, 'standard')
    expect(offset).toBeCloseTo(0.0774, 4)
    expect(slope).toBeCloseTo(0.000484, 6)
  })
})

describe('the verdict', () => {
  it.each([
    [0.02, 0.003, 'within'],
    [0.2, 0.003, 'outside'],
    [0.078, 0.01, 'unsure'],
    [0.02, 0.2, 'unsure'],
  ] as const)('offset %d known to ±%d is %s', (offset, sd, state) => {
    expect(verdictOf(fitOf(offset, sd), { x: 0 }, limits, none).state).toBe(state)
  })
  it('tells each plane by what is known of that plane', () => {
    // up and down a hundredth off and known to a hundredth of that; sideways nobody knows
    const fit = fitOf(0.01, 0.0001)
    const covariance = fit.covariance.map((row, i) => row.map((value, j) => (i === 0 && j === 0 ? 0.09 : value)))
    const verdict = verdictOf({ ...fit, covariance }, { x: 0 }, limits, none)
    expect([verdict.state, verdict.byPlane]).toEqual(['unsure', { vertical: 'within', horizontal: 'unsure' }])
  })
  it('never says within of a plane that was not measured', () => {
    expect(verdictOf(fitOf(0, 0.001, ['vertical']), { x: 0 }, limits, none).state).toBe('unsure')
    expect(verdictOf(fitOf(0.3, 0.001, ['vertical']), { x: 0 }, limits, none).state).toBe('outside')
  })
  it('judges the running shafts, not the cold ones', () => {
    const growth = { ...none, vertical: { offset: 0.2, slope: 0 } }
    expect(verdictOf(fitOf(-0.2, 0.003), { x: 0 }, limits, growth).state).toBe('within')
    expect(verdictOf(fitOf(0, 0.003), { x: 0 }, limits, growth).state).toBe('outside')
  })
  it('judges a spacer by the angle at each flex plane', () => {
    const spacer = { x: 0, flexPlanes: [-250, 250] as const }
    const angles = { ...limits, judgesOffset: false }
    expect(verdictOf(fitOf(0.2, 0.003), spacer, angles, none).state).toBe('within')
    expect(verdictOf(fitOf(0.26, 0.003), spacer, angles, none).state).toBe('outside')
    expect(verdictOf(fitOf(0.2, 0.003), spacer, limits, none).state).toBe('outside')
  })
})

describe('a probability', () => {
  const independent = [0, 1, 2, 3].map((i) => [0, 1, 2, 3].map((j) => (i === j ? 1 : 0)))
  it('is that of the normal distribution', () => {
    expect(probabilityOf((a) => a < 1, [0, 0, 0, 0], independent)).toBeCloseTo(0.8413, 2)
    expect(probabilityOf((_, __, c, d) => Math.hypot(c, d) < 1, [0, 0, 0, 0], independent)).toBeCloseTo(0.3935, 2)
  })
  it('follows correlation', () => {
    const tied = independent.map((row, i) => row.map((value, j) => (i < 2 && j < 2 ? 1 : value)))
    expect(probabilityOf((a, b) => a < b - 1e-9, [0, 0, 0, 0], tied)).toBe(0)
  })
})

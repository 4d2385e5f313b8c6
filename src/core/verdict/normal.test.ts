import { expect, it } from 'vitest'
import { chanceWithinLimit, normalCdf } from './normal'
import { probabilityOf } from './probability'

it('tells the chance below a number as tables have it', () => {
  expect(normalCdf(0)).toBeCloseTo(0.5, 7)
  expect(normalCdf(1)).toBeCloseTo(0.8413447, 6)
  expect(normalCdf(-1.96)).toBeCloseTo(0.0249979, 6)
  expect(normalCdf(5)).toBeCloseTo(0.9999997, 6)
  expect(normalCdf(-40)).toBe(0)
})

it('agrees with points drawn from the distribution', () => {
  const nothing = [0, 0, 0, 0]
  for (const [value, sd, limit] of [
    [0.02, 0.01, 0.03],
    [0.05, 0.01, 0.03],
    [-0.01, 0.05, 0.02],
  ] as const) {
    const drawn = probabilityOf(
      (b) => Math.abs(b) <= limit,
      [value, 0, 0, 0],
      [[sd * sd, 0, 0, 0], nothing, nothing, nothing],
    )
    expect(Math.abs(chanceWithinLimit({ value, sd }, limit) - drawn)).toBeLessThan(0.01)
  }
  expect(chanceWithinLimit({ value: 0.01, sd: 0 }, 0.02)).toBe(1)
  expect(chanceWithinLimit({ value: 0.03, sd: 0 }, 0.02)).toBe(0)
})

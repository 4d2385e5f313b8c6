import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { decimalsFor, fromMm, toMm, units } from './units'

describe('units', () => {
  it('go to millimeters and back', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e4, max: 1e4, noNaN: true }), fc.constantFrom(...units), (value, unit) => {
        expect(fromMm(toMm(value, unit), unit)).toBeCloseTo(value, 9)
      }),
    )
  })
  it('know the inch and the mil', () => {
    expect(toMm(2, 'in')).toBe(50.8)
    expect(toMm(100, 'mil')).toBeCloseTo(2.54, 12)
  })
  it.each([
    [0.01, 'mm', 2],
    [0.01, 'mil', 1],
    [0.01, 'um', 0],
    [0.0254, 'mil', 0],
    [0.0127, 'mil', 1],
    [0.001, 'in', 5],
    [1, 'mm', 0],
  ] as const)('show %d mm in %s with %d decimals', (resolution, unit, decimals) => {
    expect(decimalsFor(resolution, unit)).toBe(decimals)
  })
})

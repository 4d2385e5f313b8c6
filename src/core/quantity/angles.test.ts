import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arcCovered, direction, foldDegrees, quarterAt } from './angles'

describe('angles', () => {
  it('grow from the top toward the far side', () => {
    expect([0, 90, 180, 270, 360, -90].map(quarterAt)).toEqual(['top', 'far', 'bottom', 'near', 'top', 'near'])
    expect(quarterAt(45)).toBeUndefined()
    expect(direction(90)).toEqual([1, 0])
    expect(direction(30)[0]).toBeCloseTo(0.5, 12)
  })
  it('give a unit direction, the same one after any number of turns', () => {
    fc.assert(
      fc.property(fc.integer({ min: -720, max: 720 }), fc.integer({ min: -3, max: 3 }), (degrees, turns) => {
        const [y, z] = direction(degrees)
        expect(Math.hypot(y, z)).toBeCloseTo(1, 12)
        expect(direction(degrees + 360 * turns)).toEqual([y, z])
        expect(foldDegrees(degrees)).toBeGreaterThanOrEqual(0)
      }),
    )
  })
  it('tell how much of the turn was covered', () => {
    expect(arcCovered([0, 90, 180, 270])).toBe(270)
    expect(arcCovered([350, 10, 50])).toBe(60)
    expect(arcCovered([12])).toBe(0)
    expect(arcCovered([0, 360])).toBe(0)
  })
})

import { describe, expect, it } from 'vitest'
import type { Coupling } from '../kinds/train/solve/model'
import { limitsMissing, limitsOf } from './limits'
import { verdictOf } from './verdict'

const short: Coupling = { id: 'c', left: 0, x: 0, diameter: 160, sets: [] }
const spacer: Coupling = { ...short, flexPlanes: [-90, 90] }
const none = { vertical: { offset: 0, slope: 0 }, horizontal: { offset: 0, slope: 0 } }

describe('what is allowed at a coupling', () => {
  it('by sliding speed: a spacer leans to take an offset, and is judged by its angles alone', () => {
    const plain = limitsOf({ rpm: 1480 }, short, 'standard')!
    expect(plain).toMatchObject({ judgesOffset: true, source: 'slip-speed' })
    expect(plain.offset).toBeCloseTo(12 / ((2 * Math.PI * 1480) / 60), 12)
    const leaning = limitsOf({ rpm: 1480 }, spacer, 'standard')!
    expect(leaning.judgesOffset).toBe(false)
    expect(leaning.offset).toBeCloseTo(180 * plain.slope, 12)
  })
  it('by the maker’s figures: an angle a flex plane is enough for a spacer, not for a short coupling', () => {
    const angles = { tolerance: { slope: 0.0008 } }
    expect(limitsOf(angles, spacer, 'fine')).toEqual({
      offset: 0.0008 * 180,
      slope: 0.0008,
      judgesOffset: false,
      source: 'figures',
    })
    expect(limitsOf(angles, short, 'fine')).toBeUndefined()
    expect(limitsMissing(angles, short)).toEqual(['offset'])
    expect(limitsMissing(angles, spacer)).toEqual([])
    const both = { tolerance: { slope: 0.0008, offset: 0.05 }, rpm: 1480 }
    for (const coupling of [short, spacer])
      expect(limitsOf(both, coupling, 'fine')).toEqual({
        offset: 0.05,
        slope: 0.0008,
        judgesOffset: true,
        source: 'figures',
      })
  })
  it('is not known without a speed or a diameter, and that is said', () => {
    const { diameter: _, ...bare } = short
    expect(limitsOf({ rpm: 1480 }, bare, 'standard')).toBeUndefined()
    expect(limitsMissing({}, bare)).toEqual(['speed', 'diameter'])
    expect(limitsMissing({ rpm: 1480 }, bare)).toEqual(['diameter'])
    expect(limitsMissing({ rpm: 1480 }, short)).toEqual([])
  })
  it('a spacer far off at its center and straight at its planes is outside only by a figure for the center', () => {
    // both planes lean alike: an offset of 0.1 mm without a slope is 0.1/180 at each plane
    const fit = {
      misalignment: { offsetY: 0, slopeY: 0, offsetZ: 0.1, slopeZ: 0 },
      covariance: [0, 1, 2, 3].map((i) => [0, 1, 2, 3].map((j) => (i === j ? 1e-10 : 0))),
      measured: ['vertical', 'horizontal'] as const,
    }
    const state = (tolerance: { slope: number; offset?: number }) =>
      verdictOf(fit, spacer, limitsOf({ tolerance }, spacer, 'standard')!, none).state
    expect(state({ slope: 0.0008 })).toBe('within')
    expect(state({ slope: 0.0008, offset: 0.05 })).toBe('outside')
    expect(state({ slope: 0.0005 })).toBe('outside')
  })
})

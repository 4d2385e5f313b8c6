import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import { exactFaceReading, shaftPair } from '../rig/geometry'
import { openingOf } from './slope'

describe('a slope as a gap', () => {
  it('is what a blade feels between two faces in space, and is wider where it says', () => {
    const slopes = fc.double({ min: -0.002, max: 0.002, noNaN: true })
    fc.assert(
      fc.property(slopes, slopes, fc.integer({ min: 80, max: 400 }), (slopeY, slopeZ, diameter) => {
        const pair = shaftPair({ offsetY: 0, slopeY, offsetZ: 0, slopeZ }, 0)
        const gap = (degrees: number) =>
          -exactFaceReading(pair, { on: 'right', x: 0, radius: diameter / 2, side: 'front', sag: 0 }, degrees)
        const [up, side] = [openingOf(slopeZ, diameter), openingOf(slopeY, diameter)]
        expect(up.mm).toBeCloseTo(Math.abs(gap(180) - gap(0)), 4)
        if (up.mm > 0.001) expect(up.at).toBe(gap(180) > gap(0) ? 'low' : 'high')
        if (side.mm > 0.001) expect(side.at).toBe(gap(270) > gap(90) ? 'low' : 'high')
      }),
      tries(100),
    )
  })
})

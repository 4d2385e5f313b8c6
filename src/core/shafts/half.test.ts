import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import { pumpAndMotor, readOnRig } from '../kinds/train/rig'
import { solveRound } from '../kinds/train/solve/round'
import { pointAtX, shaftPair } from '../rig/geometry'
import { halfReading } from './half'

describe('half a reading', () => {
  it('is how far the shafts stand apart where the dial touches, on the exact rig, whichever hub it is on', () => {
    const line = pumpAndMotor()
    const some = (most: number) => fc.double({ min: -most, max: most, noNaN: true })
    fc.assert(
      fc.property(some(0.3), some(0.0005), some(0.3), some(0.0005), (offsetZ, slopeZ, offsetY, slopeY) => {
        const truth = { offsetZ, slopeZ, offsetY, slopeY }
        const solved = solveRound({ line }, readOnRig(line, truth))
        const { right } = shaftPair(truth, 0)
        expect(solved.dials.length).toBe(2)
        for (const state of solved.dials) {
          const [, y, z] = pointAtX(right, solved.stations.x.get(state.dial.id) ?? 0)
          expect(Math.abs((halfReading(state, 'vertical') ?? 9) - z)).toBeLessThan(0.011)
          expect(Math.abs((halfReading(state, 'horizontal') ?? 9) - y)).toBeLessThan(0.011)
        }
      }),
      tries(40),
    )
  })
  it('is not there where the other side was not read, or nothing is solved yet', () => {
    const line = pumpAndMotor()
    const round = readOnRig(line, { offsetZ: 0.1, slopeZ: 0, offsetY: 0.1, slopeY: 0 })
    const [state] = solveRound({ line }, round).dials
    expect(
      halfReading({ ...state!, readings: state!.readings.filter(({ angle }) => angle !== 180) }, 'vertical'),
    ).toBeUndefined()
    expect(halfReading({ ...state!, feels: undefined }, 'vertical')).toBeUndefined()
    expect(halfReading({ ...state!, feels: { weight: [0, 60], lead: 0 } }, 'vertical')).toBeUndefined()
  })
})

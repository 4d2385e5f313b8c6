import { describe, expect, it } from 'vitest'
import { exactFaceReading, exactRimReading, shaftPair } from '../rig/geometry'
import { goodEnoughForDial, roughMove, roughPosition } from './rough'

const truth = { offsetZ: 0.8, slopeZ: 0.002, offsetY: -0.5, slopeY: -0.0015 }
const pair = shaftPair(truth, 0)
const angles = { top: 0, far: 90, bottom: 180, near: 270 } as const

/** What a feeler finds: the right hub's rim in from a straightedge along the left hub, 1 mm larger in radius. */
const rim = Object.fromEntries(
  Object.entries(angles).map(([name, angle]) => [
    name,
    1 - exactRimReading(pair, { on: 'right', x: 0, radius: 80, sag: 0 }, angle),
  ]),
)
const face = Object.fromEntries(
  Object.entries(angles).map(([name, angle]) => [
    name,
    4 - exactFaceReading(pair, { on: 'right', x: 0, radius: 80, side: 'front', sag: 0 }, angle),
  ]),
)

describe('rough alignment from gaps of exact geometry', () => {
  it('gives offset and slope, unequal hubs or not', () => {
    const { vertical, horizontal } = roughPosition({ rim, face, faceDiameter: 160 })
    expect(vertical.offset).toBeCloseTo(0.8, 4)
    expect(vertical.slope).toBeCloseTo(0.002, 6)
    expect(horizontal.offset).toBeCloseTo(-0.5, 4)
    expect(horizontal.slope).toBeCloseTo(-0.0015, 6)
  })
  it('gives the offset from one side with the radii known', () => {
    const one = roughPosition({ rim: { top: rim.top, far: rim.far }, face: {}, radiusDifference: 1 })
    expect(one.vertical.offset).toBeCloseTo(0.8, 2)
    expect(one.horizontal.offset).toBeCloseTo(-0.5, 2)
    expect(one.vertical.slope).toBeNull()
  })
  it('moves the feet of either machine, angle first and offset after', () => {
    const { vertical } = roughPosition({ rim, face, faceDiameter: 160 })
    expect(roughMove(vertical, 240, 'right')).toEqual({
      angle: expect.closeTo(-0.48, 3),
      offset: expect.closeTo(-0.8, 3),
      total: expect.closeTo(-1.28, 3),
    })
    expect(roughMove(vertical, -240, 'left').total).toBeCloseTo(0.8 - 0.48, 3)
  })
  it('says when a dial can take over', () => {
    const at = (offset: number) => ({ vertical: { offset, slope: 0 }, horizontal: { offset: 0, slope: 0 } })
    expect(goodEnoughForDial(at(0.3), 10)).toBe(true)
    expect(goodEnoughForDial(at(0.6), 10)).toBe(false)
    expect(goodEnoughForDial(at(0.3), 1)).toBe(false)
    expect(goodEnoughForDial({ ...at(0.1), horizontal: { offset: null, slope: null } }, 10)).toBeUndefined()
  })
})

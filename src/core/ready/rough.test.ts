import { describe, expect, it } from 'vitest'
import { exactFaceReading, exactRimReading, shaftPair } from '../rig/geometry'
import { chance } from '../rig/random'
import { goodEnoughForDial, roughLift, roughPosition, roughPush } from './rough'

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
  it('takes hubs whose radii nobody compared for equal', () => {
    expect(roughPosition({ rim: { top: 0.3, near: 0.2 }, face: {} })).toMatchObject({
      vertical: { offset: -0.3 },
      horizontal: { offset: 0.2 },
    })
  })
  it('gives no slope from one side of the faces, nor without the circle they were read on', () => {
    const half = roughPosition({ rim, face: { top: face.top, near: face.near }, faceDiameter: 160 })
    expect([half.vertical.slope, half.horizontal.slope]).toEqual([null, null])
    expect(roughPosition({ rim, face }).vertical.slope).toBeNull()
  })
  it('reads the same from a straightedge on either hub', () => {
    const onRight = Object.fromEntries(Object.entries(rim).map(([quarter, gap]) => [quarter, 2 - gap!]))
    for (const known of [
      ['top', 'far', 'bottom', 'near'],
      ['top', 'near'],
    ] as const) {
      const some = (gaps: object) =>
        Object.fromEntries(Object.entries(gaps).filter(([quarter]) => known.some((one) => one === quarter)))
      const left = roughPosition({ rim: some(rim), face, faceDiameter: 160, radiusDifference: 1 })
      // the right hub is 1 mm smaller: from it the left one stands out by that
      const right = roughPosition({
        rim: some(Object.fromEntries(Object.entries(onRight).map(([quarter, gap]) => [quarter, gap - 2]))),
        face,
        faceDiameter: 160,
        radiusDifference: 1,
        carrier: 'right',
      })
      expect(right.vertical.offset).toBeCloseTo(left.vertical.offset!, 2)
      expect(right.horizontal.offset).toBeCloseTo(left.horizontal.offset!, 2)
      expect(right.vertical.slope).toBeCloseTo(left.vertical.slope!, 6)
    }
  })
  it('takes the angle out by adding under one pair only, then brings the whole machine to height', () => {
    const source = chance(11)
    const between = (low: number, high: number) => low + (high - low) * source.uniform()
    for (let run = 0; run < 500; run++) {
      const line = { offset: between(-2, 2), slope: between(-0.004, 0.004) }
      const side = run % 2 ? ('right' as const) : ('left' as const)
      const way = side === 'right' ? 1 : -1
      const feet = { coupling: 100, front: 100 + way * between(150, 400), back: 100 + way * between(500, 1200), side }
      const { angle, all } = roughLift(line, feet)
      expect(angle!.under).toBe(line.slope > 0 ? 'front' : 'back')
      expect(angle!.add).toBeCloseTo(Math.abs(line.slope) * Math.abs(feet.back - feet.front), 9)
      // the machine moved so: a rigid line through its two stations
      const lift = {
        front: (angle!.under === 'front' ? angle!.add : 0) + all!,
        back: (angle!.under === 'back' ? angle!.add : 0) + all!,
      }
      const slope = (lift.back - lift.front) / (feet.back - feet.front)
      const atCoupling = lift.front + slope * (feet.coupling - feet.front)
      expect(line.offset + way * atCoupling).toBeCloseTo(0, 9)
      expect(line.slope + way * slope).toBeCloseTo(0, 9)
    }
  })
  it('pushes the feet of either machine in line', () => {
    const { horizontal } = roughPosition({ rim, face, faceDiameter: 160 })
    expect(roughPush(horizontal, { x: 240, coupling: 0, side: 'right' })).toBeCloseTo(0.5 + 0.0015 * 240, 3)
    expect(roughPush(horizontal, { x: -240, coupling: 0, side: 'left' })).toBeCloseTo(-0.5 + 0.0015 * 240, 3)
    expect(Object.is(roughPush({ offset: 0, slope: 0 }, { x: 240, coupling: 0, side: 'right' }), 0)).toBe(true)
  })
  it('says when a dial can take over', () => {
    const at = (offset: number) => ({ vertical: { offset, slope: 0 }, horizontal: { offset: 0, slope: 0 } })
    expect(goodEnoughForDial(at(0.3), 10)).toBe(true)
    expect(goodEnoughForDial(at(0.6), 10)).toBe(false)
    expect(goodEnoughForDial(at(0.3), 1)).toBe(false)
    expect(goodEnoughForDial({ ...at(0.1), horizontal: { offset: null, slope: null } }, 10)).toBeUndefined()
  })
})

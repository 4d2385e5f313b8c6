import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { direction } from '../quantity/angles'
import { exactRimReading, shaftPair } from '../rig/geometry'
import { fitCoupling } from '../shafts/coupling'
import type { BeamTwoPlane } from './beamTwoPlane'
import { type Probe, probeChannels } from './index'
import { aligned, linearOf, type Misalignment, type Side, sagAt } from './probe'

const truth: Misalignment = { offsetY: -0.05, slopeY: -0.0003, offsetZ: 0.12, slopeZ: 0.0004 }
const quarters = [0, 90, 180, 270]
const context = { couplingX: 0, key: 'k', setKey: 's' }
const d = (x: number) => [truth.offsetY + truth.slopeY * x, truth.offsetZ + truth.slopeZ * x] as const
const along = ([y, z]: readonly [number, number], degrees: number) => {
  const [ey, ez] = direction(degrees)
  return y * ey + z * ez
}
const sides = fc.constantFrom<Side>('left', 'right')
const any = fc.integer({ min: 0, max: 359 })

/** What the linear form of a probe with one reading predicts, constant aside. */
const predicted = (probe: Probe, channel = 0): number => {
  const found = probeChannels(probe, context)[channel]!
  return linearOf(found, truth, found.sin[0]!, found.cos[0]!)
}

describe('every probe reads what the domain notes say', () => {
  it('rim: g·d·e', () => {
    fc.assert(
      fc.property(sides, any, (on, angle) => {
        const rim: Probe = { type: 'rim', on, x: 90, sag: 0, sd: 0.005, readings: [{ angle, value: 0 }] }
        expect(predicted(rim)).toBeCloseTo((on === 'right' ? 1 : -1) * along(d(90), angle), 12)
      }),
    )
  })
  it('face: b·ρ·β·e, whichever machine it is on', () => {
    fc.assert(
      fc.property(sides, any, fc.constantFrom('front', 'back'), (on, angle, side) => {
        const face: Probe = {
          type: 'face',
          on,
          radius: 75,
          side: side as 'front' | 'back',
          sag: 0,
          sd: 0.005,
          lead: 0,
          sharedFloat: false,
          readings: [{ angle, value: 0 }],
        }
        const slope = along([truth.slopeY, truth.slopeZ], angle)
        expect(predicted(face)).toBeCloseTo((side === 'front' ? 1 : -1) * 75 * slope, 12)
      }),
    )
  })
  it('beam and bore: −g·d·e', () => {
    fc.assert(
      fc.property(sides, any, (on, angle) => {
        const wanted = (on === 'right' ? -1 : 1) * along(d(180), angle)
        const readings = [{ angle, value: 0 }]
        expect(predicted({ type: 'beam', on, x: 180, sd: 0.005, readings })).toBeCloseTo(wanted, 12)
        expect(predicted({ type: 'bore', on, x: 180, sag: 0, sd: 0.005, readings })).toBeCloseTo(wanted, 12)
      }),
    )
  })
  it('two-plane beam: radial and, a quarter further, tangential, at each plane', () => {
    const beam: BeamTwoPlane = {
      type: 'beam2',
      on: 'right',
      planes: [180, 330],
      sd: 0.005,
      readings: [{ angle: 40, values: [0, 0, 0, 0] }],
    }
    expect([0, 1, 2, 3].map((channel) => predicted(beam, channel))).toEqual([
      expect.closeTo(-along(d(180), 40), 12),
      expect.closeTo(-along(d(180), 130), 12),
      expect.closeTo(-along(d(330), 40), 12),
      expect.closeTo(-along(d(330), 130), 12),
    ])
  })
})

describe('sag', () => {
  it('is nothing on top, half at the sides, all at the bottom', () => {
    expect(quarters.map((angle) => sagAt(-0.3, angle))).toEqual([-0, -0.15, -0.3, -0.15])
  })
  it('is what aligned shafts read', () => {
    const read = quarters.map((angle) =>
      exactRimReading(shaftPair(aligned, 0), { on: 'left', x: -70, radius: 80, sag: -0.3 }, angle),
    )
    expect(read).toEqual([0, -0.15, -0.3, -0.15].map((value) => expect.closeTo(value, 12)))
  })
})

describe('an axial float', () => {
  it('cancels in two face dials half a turn apart', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -0.5, max: 0.5, noNaN: true }), { minLength: 4, maxLength: 4 }),
        (floats) => {
          const face = (lead: number): Probe => ({
            type: 'face',
            on: 'right',
            radius: 75,
            side: 'front',
            sag: 0,
            sd: 0.005,
            lead,
            sharedFloat: true,
            readings: quarters.map((angle, i) => ({
              angle,
              value: 75 * along([truth.slopeY, truth.slopeZ], angle + lead) - floats[i]! + 0.3,
            })),
          })
          const rim: Probe = {
            type: 'rim',
            on: 'right',
            x: 60,
            sag: 0,
            sd: 0.005,
            readings: quarters.map((angle) => ({ angle, value: along(d(60), angle) })),
          }
          const result = fitCoupling([{ state: 'released', probes: [rim, face(0), face(180)] }], 0)
          if (!result.ok) throw new Error(result.lack)
          expect(result.fit.misalignment.slopeZ).toBeCloseTo(truth.slopeZ, 9)
          expect(result.fit.misalignment.offsetY).toBeCloseTo(truth.offsetY, 9)
        },
      ),
    )
  })
})

describe('part of a turn', () => {
  it('over 60° stays true when the hub’s radius is given', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        any,
        (offsetY, offsetZ, from) => {
          const pair = shaftPair({ ...truth, offsetY, offsetZ }, 0)
          const dial = (on: Side, x: number): Probe => ({
            type: 'rim',
            on,
            x,
            sag: 0,
            sd: 0.005,
            radius: 40,
            readings: [0, 30, 60].map((step) => ({
              angle: from + step,
              value: exactRimReading(pair, { on, x, radius: 40, sag: 0 }, from + step),
            })),
          })
          const result = fitCoupling([{ state: 'released', probes: [dial('right', 90), dial('left', -70)] }], 0)
          if (!result.ok) throw new Error(result.lack)
          const m = result.fit.misalignment
          expect(Math.abs(m.offsetZ + m.slopeZ * 690 - offsetZ - truth.slopeZ * 690)).toBeLessThan(0.002)
          expect(Math.abs(m.offsetY + m.slopeY * 690 - offsetY - truth.slopeY * 690)).toBeLessThan(0.002)
        },
      ),
    )
  })
  it('makes the answer less sure, and says by how much', () => {
    const over = (angles: readonly number[]) => {
      const dial = (on: Side, x: number): Probe => ({
        type: 'rim',
        on,
        x,
        sag: 0,
        sd: 0.005,
        readings: angles.map((angle) => ({ angle, value: 0 })),
      })
      const result = fitCoupling([{ state: 'released', probes: [dial('right', 90), dial('left', -70)] }], 0)
      return result.ok ? Math.sqrt(result.fit.covariance[2]![2]!) : Number.NaN
    }
    expect(over([0, 30, 60]) / over([0, 90, 180])).toBeGreaterThan(4)
  })
})

describe('a face dial set back by half at the sides', () => {
  const face = {
    type: 'face' as const,
    on: 'right' as const,
    sd: 0.005,
    radius: 75,
    side: 'front' as const,
    sag: -0.02,
    lead: 0,
    zero: { value: 0.01, sd: 0.005 },
    readings: [0, 90, 180, 270].map((angle) => ({ angle, value: 0.01 * angle })),
  }
  const channel = (sharedFloat: boolean) =>
    probeChannels({ ...face, sharedFloat }, { couplingX: 0, key: '0.0', setKey: '0' })[0]!
  it('keeps its zero, unless its shaft floats and takes that along', () => {
    expect(channel(false).zero).toEqual(face.zero)
    expect(channel(true).zero).toBeUndefined()
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import { shaftPair } from '../rig/geometry'
import { exactPrismReading } from '../rig/prism'
import { fitCoupling } from '../shafts/coupling'
import { probeChannels, probeOfSurvey, probeToSurvey } from './index'
import type { PrismHead } from './prism'
import { linearOf, type Misalignment, type Side } from './probe'

const some = (most: number) => fc.double({ min: -most, max: most, noNaN: true })
const truths = fc.record({ offsetY: some(0.5), slopeY: some(0.001), offsetZ: some(0.5), slopeZ: some(0.001) })
const sides = fc.constantFrom<Side>('left', 'right')
const quarters = [0, 90, 180, 270]

/** A head on one side, its prism on the other, read on the exact rig. */
function read(truth: Misalignment, on: Side, angles: readonly number[] = quarters): PrismHead {
  const planes = on === 'right' ? ([140, -110] as const) : ([-140, 110] as const)
  const pair = shaftPair(truth, 0)
  return {
    type: 'prism',
    on,
    sd: 0.003,
    planes,
    readings: angles.map((angle) => {
      const { r, t } = exactPrismReading(pair, { on, head: planes[0], edge: planes[1] }, angle)
      return { angle, values: [r, t] as const }
    }),
  }
}
const context = { couplingX: 0, key: 'k', setKey: 's' }

describe('a beam folded by a prism', () => {
  it('shows twice the offset at the prism and twice the slope over the way back, as rays in space do', () => {
    fc.assert(
      fc.property(truths, sides, fc.integer({ min: 0, max: 359 }), (truth, on, angle) => {
        const head = read(truth, on, [0, angle])
        for (const [k, channel] of probeChannels(head, context).entries()) {
          const told = (i: number) => linearOf(channel, truth, channel.sin[i]!, channel.cos[i]!)
          const [zero, here] = head.readings.map(({ values }) => values[k as 0 | 1])
          expect(here! - zero!).toBeCloseTo(told(1) - told(0), 2)
        }
      }),
      tries(200),
    )
  })
  it('is aligned where nothing moves, and the prism’s own lean changes nothing outward', () => {
    const still = read({ offsetY: 0, slopeY: 0, offsetZ: 0, slopeZ: 0 }, 'right')
    for (const { values } of still.readings) {
      expect(values[0]).toBeCloseTo(still.readings[0]!.values[0], 9)
      expect(values[1]).toBeCloseTo(still.readings[0]!.values[1], 9)
    }
    // a shaft that leans about the prism's own place: outward nothing, across all of it
    const lean = { offsetY: 0, slopeY: 0, offsetZ: 110 * 0.001, slopeZ: 0.001 }
    const leaning = read(lean, 'right')
    const out = leaning.readings.map(({ values }) => values[0])
    expect(Math.max(...out) - Math.min(...out)).toBeLessThan(0.002)
    const across = leaning.readings.map(({ values }) => values[1])
    expect(Math.max(...across) - Math.min(...across)).toBeCloseTo(2 * 2 * 250 * 0.001, 2)
  })
  it('alone tells offset and slope in both planes, to what its linear form is good for', () => {
    fc.assert(
      fc.property(truths, sides, (truth, on) => {
        const found = fitCoupling([{ state: 'released', probes: [read(truth, on)] }], 0)
        expect(found.ok).toBe(true)
        if (!found.ok) return
        const { misalignment } = found.fit
        expect(Math.abs(misalignment.offsetY - truth.offsetY)).toBeLessThan(0.004)
        expect(Math.abs(misalignment.offsetZ - truth.offsetZ)).toBeLessThan(0.004)
        expect(Math.abs(misalignment.slopeY - truth.slopeY)).toBeLessThan(1e-5)
        expect(Math.abs(misalignment.slopeZ - truth.slopeZ)).toBeLessThan(1e-5)
      }),
      tries(100),
    )
  })
  it('goes into the open survey and comes back the same', () => {
    const head = read({ offsetY: 0.1, slopeY: 0.0002, offsetZ: -0.2, slopeZ: 0.0001 }, 'left')
    const told = probeToSurvey(head, { on: 'motor', sd: 0.003, graduation: 0.001, turn: undefined })
    const back = probeOfSurvey(told, {
      on: 'left',
      couplingX: 0,
      length: (mm) => mm,
      reading: (mm) => mm,
      zeroed: 'any',
    })
    expect(back.planes).toEqual(head.planes)
    back.readings.forEach(({ values }, i) => {
      expect(values[0]).toBeCloseTo(head.readings[i]!.values[0], 6)
      expect(values[1]).toBeCloseTo(head.readings[i]!.values[1], 6)
    })
  })
})

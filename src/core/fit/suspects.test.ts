import { describe, expect, it } from 'vitest'
import { readRimDial } from '../rig/dial'
import { shaftPair } from '../rig/geometry'
import { chance } from '../rig/random'
import { suspects } from './suspects'

const quarters = [0, 90, 180, 270]
const source = chance(7)
const between = (low: number, high: number) => low + (high - low) * source.uniform()

function cleanSet() {
  const truth = {
    offsetY: between(-0.3, 0.3),
    slopeY: between(-0.0005, 0.0005),
    offsetZ: between(-0.3, 0.3),
    slopeZ: between(-0.0005, 0.0005),
  }
  const dial = { on: 'right', x: 90, radius: 80, sag: -0.1, noise: 0.002, graduation: 0.01 } as const
  return readRimDial(shaftPair(truth, 0), dial, quarters, source)
}

describe('suspects', () => {
  it('list a sign turned over, wherever closure can tell', () => {
    let told = 0
    let listed = 0
    for (let run = 0; run < 400; run++) {
      const readings = cleanSet()
      const wrong = 1 + (run % 3)
      const value = readings[wrong]!.value
      if (Math.abs(value) < 0.05) continue
      told++
      const turned = readings.map((r, i) => (i === wrong ? { ...r, value: -value } : r))
      const found = suspects(turned, 0.02, 1)
      if (found.some((s) => s.fault === 'sign' && s.reading === wrong && Math.abs(s.would - value) < 1e-12)) listed++
    }
    expect(told).toBeGreaterThan(200)
    expect(listed / told).toBeGreaterThanOrEqual(0.95)
  })
  it('say nothing of clean rounded sets', () => {
    let quiet = 0
    for (let run = 0; run < 400; run++) if (suspects(cleanSet(), 0.02, 1).length === 0) quiet++
    expect(quiet / 400).toBeGreaterThanOrEqual(0.98)
  })
  it('list a missed turn and a slipped decimal point', () => {
    const at = (values: readonly number[]) => values.map((value, i) => ({ angle: quarters[i]!, value }))
    expect(suspects(at([0, 0.2, 1.1, -0.1]), 0.02, 1)).toContainEqual({
      fault: 'turn',
      reading: 2,
      would: expect.closeTo(0.1, 9),
      closure: expect.closeTo(0, 9),
    })
    expect(suspects(at([0, 2, 0.3, 0.1]), 0.02, undefined)[0]).toMatchObject({
      fault: 'decimal',
      reading: 1,
      would: 0.2,
    })
  })
  it('cannot tell of a dial that closes or lacks a quarter', () => {
    expect(suspects([{ angle: 0, value: 0 }], 0.02, 1)).toEqual([])
    expect(
      suspects(
        quarters.map((angle) => ({ angle, value: 0 })),
        0.02,
        1,
      ),
    ).toEqual([])
  })
})

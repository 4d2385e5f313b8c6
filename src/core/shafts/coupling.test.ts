import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Probe } from '../probes'
import type { Misalignment, Side } from '../probes/probe'
import { readRimDial } from '../rig/dial'
import { exactFaceReading, exactRimReading, shaftPair } from '../rig/geometry'
import { chance } from '../rig/random'
import { fitCoupling } from './coupling'

const quarters = [0, 90, 180, 270]

const truths: fc.Arbitrary<Misalignment> = fc.record({
  offsetY: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
  slopeY: fc.double({ min: -0.001, max: 0.001, noNaN: true }),
  offsetZ: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
  slopeZ: fc.double({ min: -0.001, max: 0.001, noNaN: true }),
})

const rim = (truth: Misalignment, on: Side, x: number, angles: readonly number[], withRadius = true): Probe => {
  const dial = { on, x, radius: 80, sag: -0.1 }
  const readings = angles.map((angle) => ({ angle, value: exactRimReading(shaftPair(truth, 0), dial, angle) }))
  return { type: 'rim', on, x, sag: -0.1, sd: 0.005, radius: withRadius ? 80 : undefined, readings }
}

function fitted(probes: Probe[]) {
  const result = fitCoupling([{ state: 'released', probes }], 0)
  if (!result.ok) throw new Error(result.lack)
  return result.fit
}

function expectTruth(found: Misalignment, truth: Misalignment, offset = 1e-5) {
  expect(Math.abs(found.offsetY - truth.offsetY)).toBeLessThan(offset)
  expect(Math.abs(found.offsetZ - truth.offsetZ)).toBeLessThan(offset)
  // slopes: what they do at a foot 700 mm away
  expect(Math.abs(found.slopeY - truth.slopeY) * 700).toBeLessThan(offset)
  expect(Math.abs(found.slopeZ - truth.slopeZ) * 700).toBeLessThan(offset)
}

describe('readings from exact geometry come back as the truth', () => {
  it('reverse dials at the four quarters, with the hub’s radius or without', () => {
    fc.assert(
      fc.property(truths, fc.boolean(), (truth, withRadius) => {
        expectTruth(
          fitted([rim(truth, 'right', 90, quarters, withRadius), rim(truth, 'left', -70, quarters, withRadius)])
            .misalignment,
          truth,
        )
      }),
    )
  })
  it('two dials on one rim’s machine, at any three or more angles', () => {
    const angles = fc.uniqueArray(fc.integer({ min: 0, max: 35 }), { minLength: 3, maxLength: 8 }).map((steps) => {
      const degrees = steps.map((step) => step * 10)
      return Math.max(...degrees) - Math.min(...degrees) >= 120 ? degrees : [0, 100, 200, ...degrees]
    })
    fc.assert(
      fc.property(truths, angles, fc.constantFrom<Side>('left', 'right'), (truth, at, on) => {
        const found = fitted([rim(truth, on, 90, at), rim(truth, on, -150, at)])
        expectTruth(found.misalignment, truth, 5e-5)
      }),
    )
  })
  it('rim and face', () => {
    fc.assert(
      fc.property(truths, fc.constantFrom<Side>('left', 'right'), (truth, on) => {
        const dial = { on, x: 60, radius: 75, side: 'front', sag: -0.02 } as const
        const readings = quarters.map((angle) => ({
          angle,
          value: exactFaceReading(shaftPair(truth, 0), dial, angle),
        }))
        const face: Probe = { type: 'face', sd: 0.005, lead: 0, sharedFloat: false, readings, ...dial }
        expectTruth(fitted([rim(truth, on, 60, quarters), face]).misalignment, truth, 2e-5)
      }),
    )
  })
})

describe('what the readings determine', () => {
  const truth = { offsetY: -0.05, slopeY: -0.0003, offsetZ: 0.12, slopeZ: 0.0004 }
  it('is the vertical plane alone when only top and bottom were read', () => {
    const found = fitted([rim(truth, 'right', 90, [0, 180]), rim(truth, 'left', -70, [0, 180])])
    expect(found.measured).toEqual(['vertical'])
    expect(found.misalignment.offsetZ).toBeCloseTo(0.12, 4)
    expect(found.misalignment.offsetY).toBe(0)
    expect(found.covariance[0]?.[0]).toBe(0)
  })
  it('keeps both planes of one dial out of the way of the other’s top and bottom', () => {
    const found = fitted([rim(truth, 'right', 90, quarters, false), rim(truth, 'left', -70, [0, 180], false)])
    expect(found.measured).toEqual(['vertical'])
    expect(found.misalignment.slopeZ).toBeCloseTo(0.0004, 7)
    expect(Math.max(...found.probes.flatMap((p) => Array.from(p.residuals)).map(Math.abs))).toBeLessThan(1e-4)
  })
  it.each([
    ['nothing read', [rim(truth, 'right', 90, [])], 'nothing-read'],
    ['one station', [rim(truth, 'right', 90, quarters)], 'one-station'],
    ['two angles', [rim(truth, 'right', 90, [0, 90]), rim(truth, 'left', -70, [0, 90])], 'two-angles'],
    [
      'a face alone',
      [
        {
          type: 'face',
          on: 'right',
          sd: 0.005,
          sag: 0,
          side: 'front',
          radius: 75,
          lead: 0,
          sharedFloat: false,
          readings: quarters.map((angle) => ({ angle, value: 0 })),
        } satisfies Probe,
      ],
      'faces-alone',
    ],
  ] as const)('names what is missing: %s', (_, probes, lack) => {
    const result = fitCoupling([{ state: 'released', probes }], 0)
    expect(result).toEqual({ ok: false, lack })
  })
})

it('tells standard deviations that are the true ones', () => {
  const truth = { offsetY: -0.05, slopeY: -0.0003, offsetZ: 0.12, slopeZ: 0.0004 }
  const source = chance(11)
  const runs = 800
  const scaled = { offsetZ: 0, slopeY: 0 }
  for (let run = 0; run < runs; run++) {
    const dial = (on: Side, x: number): Probe => ({
      type: 'rim',
      on,
      x,
      sag: 0,
      sd: 0.01,
      radius: 80,
      readings: [0, 45, 90, 180, 270].map((angle) => ({
        angle,
        value: exactRimReading(shaftPair(truth, 0), { on, x, radius: 80, sag: 0 }, angle) + 0.01 * source.normal(),
      })),
    })
    const { misalignment, covariance } = fitted([dial('right', 90), dial('left', -70)])
    scaled.offsetZ += (misalignment.offsetZ - truth.offsetZ) ** 2 / covariance[2]![2]!
    scaled.slopeY += (misalignment.slopeY - truth.slopeY) ** 2 / covariance[1]![1]!
  }
  expect(scaled.offsetZ / runs).toBeGreaterThan(0.9)
  expect(scaled.offsetZ / runs).toBeLessThan(1.1)
  expect(scaled.slopeY / runs).toBeGreaterThan(0.9)
  expect(scaled.slopeY / runs).toBeLessThan(1.1)
})

it('closes on every clean dial and not on one with a sign turned over', () => {
  const truth = { offsetY: 0.2, slopeY: 0, offsetZ: 0.3, slopeZ: 0 }
  const readings = readRimDial(
    shaftPair(truth, 0),
    { on: 'right', x: 90, radius: 80, sag: -0.2, noise: 0.002, graduation: 0.01 },
    quarters,
    chance(4),
  )
  const turned = readings.map((r, i) => (i === 2 ? { ...r, value: -r.value } : r))
  const close = (list: typeof readings) =>
    fitted([
      { type: 'rim', on: 'right', x: 90, sag: -0.2, sd: 0.005, readings: list },
      rim(truth, 'left', -70, quarters),
    ]).probes[0]!.closure!
  expect(Math.abs(close(readings))).toBeLessThanOrEqual(0.02 + 1e-9)
  expect(Math.abs(close(turned))).toBeCloseTo(Math.abs(2 * readings[2]!.value), 1)
})

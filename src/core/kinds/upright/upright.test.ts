import fc from 'fast-check'
import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { anyJobSchema } from '../../job/migrate'
import { summarize } from '../../job/summary'
import type { Misalignment } from '../../probes/probe'
import { chance } from '../../rig/random'
import { findingsFor } from './advice/findings'
import { boltAngle } from './document/make'
import { upright } from './index'
import { readAtBolts } from './rig'
import { flangeWork } from './solve/flange'
import { solveRound } from './solve/round'
import { uprightSurvey } from './survey'
import { solveSurvey } from './survey/solve'

const truth: Misalignment = { offsetY: 0.05, slopeY: -0.0006, offsetZ: -0.12, slopeZ: 0.0008 }
const [upperDial, lowerDial] = [
  { on: 'right', x: 40, radius: 80 },
  { on: 'left', x: -30, radius: 80 },
] as const

/** A survey of a pair read on the rig at every bolt. */
const surveyOf = (at: Misalignment, bolts = 4, more: object = {}, plan: object = {}) => ({
  format: 'vane-peg.survey',
  version: 1,
  kind: 'upright',
  units: { length: 'mm', reading: 'mm' },
  train: {
    machines: [
      { id: 'pump', feet: [] },
      { id: 'motor', feet: [] },
    ],
    couplings: [{ id: 'c', left: 'pump', right: 'motor', x: 0, diameter: 160 }],
    fixed: 'pump',
    rpm: 1480,
  },
  measurements: [
    {
      coupling: 'c',
      probes: [upperDial, lowerDial].map((dial) => ({
        type: 'rim',
        on: dial.on === 'right' ? 'motor' : 'pump',
        x: dial.x,
        radius: dial.radius,
        readings: readAtBolts(at, dial, bolts),
      })),
    },
  ],
  flange: { on: 'motor', x: 260, circle: 300, bolts, ...more },
  ...plan,
})
const solved = (document: unknown) => {
  const result = solveSurvey(document)
  if (!result.ok) throw new Error(`${result.fault.path}: ${result.fault.message}`)
  return result.value
}

describe('an upright pair read on the rig', () => {
  it('reads at the bolts what the worked case says', () => {
    const near = (read: [number, number][], told: readonly number[]) =>
      read.forEach(([, value], i) => {
        expect(value).toBeCloseTo(told[i]!, 3)
      })
    near(readAtBolts(truth, upperDial, 4), [0, 0.114, 0.176, 0.062])
    near(readAtBolts(truth, lowerDial, 4), [0, -0.212, -0.288, -0.076])
  })
  it('tells shims and push of the worked case: four bolts and eight', () => {
    const four = solved(surveyOf(truth)).flange
    expect(four.bolts.map(({ shim }) => Number(shim!.toFixed(3)))).toEqual([0.24, 0.03, 0, 0.21])
    const eight = solved(surveyOf(truth, 8)).flange
    expect(eight.bolts.map(({ shim }) => Number(shim!.toFixed(3)))).toEqual([
      0.268, 0.17, 0.058, 0, 0.028, 0.127, 0.238, 0.297,
    ])
    expect(four.push).toMatchObject({ y: expect.closeTo(0.106, 4), z: expect.closeTo(-0.088, 4) })
    expect(four.push.size).toBeCloseTo(0.1378, 3)
    expect(four.push.angle).toBeCloseTo(129.7, 1)
    expect(four.rise).toBeCloseTo(0.12, 4)
    expect(four.fits).toBeNull()
  })
  it('is as straight as the numbers promise once the shims are in and the push is done', () => {
    const slope = fc.double({ min: -0.001, max: 0.001, noNaN: true })
    const offset = fc.double({ min: -0.3, max: 0.3, noNaN: true })
    const any = fc.record({ offsetY: offset, slopeY: slope, offsetZ: offset, slopeZ: slope })
    fc.assert(
      fc.property(any, fc.constantFrom(3, 4, 6, 8, 12), (at, bolts) => {
        const { flange } = solved(surveyOf(at, bolts))
        const e = flange.bolts.map(({ bolt }) => {
          const angle = (boltAngle(bolt, bolts) * Math.PI) / 180
          return [Math.sin(angle), Math.cos(angle)] as const
        })
        // the plane through the shims takes the slopes out, and none of them lies below the high spot
        const by = (k: 0 | 1) =>
          ((2 / bolts) * flange.bolts.reduce((sum, { shim }, i) => sum + shim! * e[i]![k], 0)) / 150
        expect(by(0)).toBeCloseTo(at.slopeY, 6)
        expect(by(1)).toBeCloseTo(at.slopeZ, 6)
        expect(Math.min(...flange.bolts.map(({ shim }) => shim!))).toBe(0)
        expect(flange.push.y!).toBeCloseTo(-(at.offsetY + 260 * at.slopeY), 4)
        expect(flange.push.z!).toBeCloseTo(-(at.offsetZ + 260 * at.slopeZ), 4)
      }),
    )
  })
  it('asks for the rim’s radius over three bolts: without it the curve of the hub passes for misalignment', () => {
    const known = solved(surveyOf({ ...truth, offsetY: 2 }, 3)).couplings[0]!.vertical!.offset
    const bare = surveyOf({ ...truth, offsetY: 2 }, 3)
    for (const probe of bare.measurements[0]!.probes) delete (probe as { radius?: number }).radius
    expect(known).toBeCloseTo(-0.12, 4)
    expect(Math.abs(solved(bare).couplings[0]!.vertical!.offset + 0.12)).toBeGreaterThan(0.001)
  })
})

describe('the spigot and the stock', () => {
  const fit = { misalignment: truth, measured: ['vertical', 'horizontal'] as const, covariance: [] }
  const flange = { height: 260, circle: 300, bolts: 4 }
  it('lets the machine go as far as its clearance: a circle, not a box', () => {
    const wide = flangeWork(fit, 0, { ...flange, spigot: { clearance: 0.28, offset: [0, 0] } })
    expect([wide.fits, wide.left]).toEqual([true, undefined])
    const tight = flangeWork(fit, 0, { ...flange, spigot: { clearance: 0.2, offset: [0, 0] } })
    expect(tight.fits).toBe(false)
    // 0.1378 wanted, 0.1 to be had: the rest stays, back along the push
    expect(Math.hypot(tight.left!.horizontal.offset, tight.left!.vertical.offset)).toBeCloseTo(0.0378, 3)
    expect(tight.left!.horizontal.offset).toBeLessThan(0)
    const off = flangeWork(fit, 0, { ...flange, spigot: { clearance: 0.2, offset: [-0.08, 0.06] } })
    expect(off.fits).toBe(true)
  })
  it('stops at the place of the circle that a search over all of it finds nearest', () => {
    const source = chance(31)
    for (let n = 0; n < 40; n++) {
      const at = (size: number) => size * (2 * source.uniform() - 1)
      const spot: [number, number] = [at(0.08), at(0.08)]
      const clearance = 0.24
      const misalignment = { offsetY: at(0.4), slopeY: 0, offsetZ: at(0.4), slopeZ: 0 }
      const work = flangeWork({ ...fit, misalignment }, 0, {
        ...flange,
        height: 0,
        spigot: { clearance, offset: spot },
      })
      // wherever it may stand in the circle, what is left at the coupling
      let least = Number.POSITIVE_INFINITY
      for (let turn = 0; turn < 720; turn++)
        for (let out = 0; out <= 24; out++) {
          const r = ((clearance / 2) * out) / 24
          const [y, z] = [r * Math.sin((turn * Math.PI) / 360), r * Math.cos((turn * Math.PI) / 360)]
          const left = Math.hypot(misalignment.offsetY + y - spot[0], misalignment.offsetZ + z - spot[1])
          least = Math.min(least, left)
        }
      const told = work.left ? Math.hypot(work.left.horizontal.offset, work.left.vertical.offset) : 0
      expect(Math.abs(told - least)).toBeLessThan(work.fits ? 0.006 : 0.0005)
    }
  })
  it('says what whole shims leave at the coupling, and how far they stand off one plane', () => {
    const { bolts, left, unevenness } = flangeWork(fit, 0, { ...flange, stock: [0.05, 0.1, 0.2] })
    expect(bolts!.map(({ pack }) => pack!.reduce((a, b) => a + b, 0).toFixed(2))).toEqual([
      '0.25',
      '0.05',
      '0.00',
      '0.20',
    ])
    // (0.25 − 0) / 300 against 0.0008 read; (0.05 − 0.20) / 300 against −0.0006
    expect(left!.vertical.slope).toBeCloseTo(0.0008 - 0.25 / 300, 9)
    expect(left!.horizontal.slope).toBeCloseTo(-0.0006 + 0.15 / 300, 9)
    expect(left!.vertical.offset).toBeCloseTo(-260 * (0.0008 - 0.25 / 300), 9)
    expect(unevenness).toBeCloseTo(0.0, 9)
  })
})

describe('a document of an upright pair', () => {
  it('is told by its path where it is wrong', () => {
    const fault = (change: object) => {
      const result = solveSurvey({ ...surveyOf(truth), ...change })
      return result.ok ? undefined : result.fault.path
    }
    const { train, flange, measurements } = surveyOf(truth)
    const [probe] = measurements[0]!.probes
    const withProbe = (more: object) => ({ measurements: [{ coupling: 'c', probes: [{ ...probe, ...more }] }] })
    expect(fault({ flange: { ...flange, bolts: 2 } })).toBe('flange.bolts')
    expect(fault({ flange: { ...flange, on: 'pump' } })).toBe('flange.on')
    expect(fault({ train: { ...train, fixed: 'motor' } })).toBe('train.fixed')
    expect(fault(withProbe({ sag: -0.05 }))).toBe('measurements.0.probes.0.sag')
    expect(fault(withProbe({ on: 'fan' }))).toBe('measurements.0.probes.0.on')
    expect(fault({ kind: 'belt' })).toBe('kind')
    expect(fault({ extra: 1 })).toBe('extra')
  })
  it('leaves open what was not read, and names it', () => {
    const document = surveyOf(truth)
    for (const probe of document.measurements[0]!.probes)
      probe.readings = probe.readings.filter(([degrees]) => degrees % 180 === 0)
    const { flange, warnings } = solved(document)
    expect(flange.bolts.every(({ shim, lift }) => shim === null && lift === null)).toBe(true)
    expect([flange.rise, flange.push.y, flange.fits]).toEqual([null, null, null])
    expect(flange.push.z).toBeCloseTo(-0.088, 4)
    expect(warnings.map(({ code }) => code)).toContain('open')
  })
  it('becomes a job and comes out of it again with the same answer', () => {
    const made = uprightSurvey.toJob(surveyOf(truth, 8, { spigot: { clearance: 0.3 } }), 'Well pump', '2026-11-25')
    if (!made.ok) throw new Error(made.fault.message)
    const job = v.parse(anyJobSchema, made.value)
    if (job.line.kind !== 'upright') throw new Error('an upright line')
    const [round] = made.value.rounds
    const back = solved(uprightSurvey.ofJob(made.value, round!))
    expect(back.flange.bolts.map(({ shim }) => shim!.toFixed(4))).toEqual(
      solved(surveyOf(truth, 8)).flange.bolts.map(({ shim }) => shim!.toFixed(4)),
    )
    expect(back.flange.fits).toBe(true)
    const round1 = solveRound(made.value.line, round!)
    expect(findingsFor(round1, 'move').map(({ kind }) => kind)).toEqual(['gasket', 'shims', 'push', 'star', 'verdict'])
    expect(summarize(job)).toMatchObject({
      kind: 'upright',
      pegs: { read: 'within', move: 'outside', seat: 'within' },
    })
  })
  it('asks for the next bolt until all are read', () => {
    const line = upright.makeLine('x', 'mm', [])
    const round = upright.makeRound(line, '', 'mm')
    const [first] = findingsFor(solveRound(line, round), 'read')
    expect(first).toMatchObject({ kind: 'next-reading', degrees: 0 })
    expect(upright.readingsIn(round)).toBe(0)
    expect(upright.repeatRound(round, 'r2', '').sets[0]!.angles).toEqual(round.sets[0]!.angles)
  })
})

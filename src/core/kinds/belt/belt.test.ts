import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../../testing/anything'
import { direction, radians } from '../../quantity/angles'
import { chance } from '../../rig/random'
import { checksOf } from '../index'
import { belt as kind } from '.'
import { findingsFor, verdictPeg } from './advice/findings'
import { usualLimit } from './belts'
import { makeSet } from './document/make'
import type { BeltSet } from './document/schema'
import { axisOf, type Body, faceAt, grooveOf, movedBy, readFace, type Vec } from './rig'
import { type BeltReading, type Drive, grooveShift, solveDrive, spanOf } from './solve/drive'
import { feetWork, tiltLeft } from './solve/feet'
import { solveRound } from './solve/round'
import { stopsOf } from './solve/stops'
import { beltSpeed, deflectionOf, freeSpan, tensionOf } from './solve/tension'
import { surveyOf } from './survey/ofJob'
import { type BeltResult, solveSurvey } from './survey/solve'
import { jobOfSurvey } from './survey/toJob'

const face = (angle: number, value: number, more: object = {}) => ({
  type: 'face',
  on: 'motor',
  angle,
  radius: 110,
  value,
  ...more,
})

/** The worked case of a drive: half widths 20 and 25, toe 0.006, tilt −0.004, face 2.5 to the right. */
const worked = {
  format: 'vane-peg.survey',
  version: 1,
  kind: 'belt',
  units: { length: 'mm', reading: 'mm' },
  belt: {
    type: 'v',
    faces: 'right',
    sheaves: [
      { id: 'fan', stays: true, centre: [0, 0, 0], toGroove: 20, diameter: 220 },
      {
        id: 'motor',
        centre: [0, 600, 150],
        toGroove: 25,
        diameter: 160,
        base: 18,
        pivot: { foot: 'out', y: 505 },
        feet: [
          { id: 'in', x: -90 },
          { id: 'out', x: -340 },
        ],
      },
    ],
    readings: [face(0, 2.94), face(90, 1.84), face(180, 2.06), face(270, 3.16)],
  },
} as const

const solve = (document: unknown): BeltResult => {
  const solved = solveSurvey(document)
  if (!solved.ok) throw new Error(`${solved.fault.path}: ${solved.fault.message}`)
  return solved.value
}
const faultOf = (document: unknown): string => {
  const solved = solveSurvey(document)
  return solved.ok ? 'none' : `${solved.fault.path}: ${solved.fault.message}`
}
const withBelt = (belt: object, more: object = {}) => ({ ...worked, ...more, belt: { ...worked.belt, ...belt } })

describe('the worked case', () => {
  it('comes out to the last digit', () => {
    const { belt } = solve(worked)
    const [motor] = belt.sheaves
    expect(motor?.toe?.value).toBeCloseTo(0.006, 9)
    expect(motor?.tilt?.value).toBeCloseTo(-0.004, 9)
    expect(motor?.offset?.value).toBeCloseTo(-2.5, 9)
    expect(motor?.belt.atReference).toBeCloseTo(-0.00404, 5)
    expect(motor?.belt.atMoved).toBeCloseTo(0.00081, 5)
    expect(motor?.belt.twist).toBeCloseTo(-0.00534, 5)
    const [front, back] = belt.feet
    expect(front).toMatchObject({ sheave: 'motor', foot: 'in' })
    expect([front?.shim, back?.shim]).toEqual([expect.closeTo(1, 9), 0])
    expect([front?.swing, back?.swing]).toEqual([expect.closeTo(-1.5, 9), 0])
    expect(front?.slide).toBeCloseTo(2.458, 9)
    expect(back?.slide).toBeCloseTo(2.458, 9)
  })
  it('is judged by the usual limit of its belt, or the maker’s, which wins', () => {
    expect(solve(worked).belt.sheaves[0]?.verdict).toMatchObject({ state: 'within', limit: (0.5 * Math.PI) / 180 })
    expect(solve(withBelt({ type: 'toothed' })).belt.sheaves[0]?.verdict?.state).toBe('outside')
    expect(solve(withBelt({ type: 'toothed', limit: 0.4 })).belt.sheaves[0]?.verdict?.state).toBe('within')
  })
  it('is the same in mil and inch', () => {
    const inch = (mm: number) => mm / 25.4
    const { belt } = solve({
      ...worked,
      units: { length: 'in', reading: 'mil' },
      belt: {
        ...worked.belt,
        sheaves: worked.belt.sheaves.map((sheave) => ({
          ...sheave,
          centre: sheave.centre.map(inch),
          toGroove: inch(sheave.toGroove),
          diameter: inch(sheave.diameter),
          ...('base' in sheave
            ? {
                base: inch(sheave.base),
                pivot: { foot: 'out', y: inch(505) },
                feet: sheave.feet.map(({ id, x }) => ({ id, x: inch(x) })),
              }
            : {}),
        })),
        readings: worked.belt.readings.map((one) => ({ ...one, radius: inch(110), value: 1000 * inch(one.value) })),
      },
    })
    expect(belt.sheaves[0]?.toe?.value).toBeCloseTo(0.006, 9)
    expect(belt.feet[0]?.shim).toBeCloseTo(1000 * inch(1), 6)
    expect(belt.feet[0]?.slide).toBeCloseTo(1000 * inch(2.458), 6)
  })
  it('with faces that look left has the grooves on the other side', () => {
    expect(solve(withBelt({ faces: 'left' })).belt.sheaves[0]?.offset?.value).toBeCloseTo(7.5, 9)
  })
})

describe('what the readings settle', () => {
  it('along the span alone: the offset and the angle there, not the twist, and says so', () => {
    // the span runs level: a straightedge says nothing across it
    const level = worked.belt.sheaves.map((sheave) =>
      sheave.id === 'motor' ? { ...sheave, centre: [0, 600, 0] } : sheave,
    )
    const { belt, warnings } = solve(withBelt({ sheaves: level, readings: [face(90, 1.84), face(270, 3.16)] }))
    const [motor] = belt.sheaves
    expect(motor?.toe?.value).toBeCloseTo(0.006, 9)
    expect(motor?.tilt).toBeNull()
    expect(motor?.belt.atReference).toBeCloseTo(-2.5 / 600, 9)
    expect(motor?.belt.atMoved).toBeCloseTo(-2.5 / 600 + 0.006, 9)
    expect(motor?.belt.twist).toBeNull()
    expect(motor?.verdict).toBeNull()
    expect(belt.feet[0]).toMatchObject({ shim: null, slide: null })
    expect(belt.feet[0]?.swing).toBeCloseTo(-1.5, 9)
    expect(warnings).toEqual([{ code: 'open', message: 'motor: the readings leave its tilt open' }])
  })
  it('along a span that slopes: what the belt feels there, though toe and tilt are each open', () => {
    const { y, z } = spanOf(driveOf(), { id: 'motor', centre: [0, 600, 150], toGroove: 25 })
    const along = (Math.atan2(y, z) * 180) / Math.PI
    const at = (angle: number) =>
      face(angle, 2.5 - 110 * (0.006 * Math.sin((angle * Math.PI) / 180) - 0.004 * Math.cos((angle * Math.PI) / 180)))
    const [motor] = solve(withBelt({ readings: [at(along), at(along + 180)] })).belt.sheaves
    expect([motor?.toe, motor?.tilt, motor?.belt.twist]).toEqual([null, null, null])
    expect(motor?.belt.atReference).toBeCloseTo(-0.00404, 5)
    expect(motor?.belt.atMoved).toBeCloseTo(0.00081, 5)
  })
  it('a target has a constant, which a reading on the face that stays tells', () => {
    const readings = [0, 90, 180, 270].map((angle, i) =>
      face(angle, [2.94, 1.84, 2.06, 3.16][i]! + 0.7, { target: 'T1' }),
    )
    expect(solve(withBelt({ readings })).belt.sheaves[0]?.offset).toBeNull()
    expect(solve(withBelt({ readings })).belt.sheaves[0]?.toe?.value).toBeCloseTo(0.006, 9)
    const set = { ...face(0, 0.7, { target: 'T1' }), on: 'fan' }
    expect(solve(withBelt({ readings: [...readings, set] })).belt.sheaves[0]?.offset?.value).toBeCloseTo(-2.5, 9)
  })
  it('one reading of a target with a zero of its own tells nothing, and nothing breaks', () => {
    for (const reading of [face(0, 1, { target: 'T' }), { ...face(0, 1, { target: 'T' }), on: 'fan' }]) {
      const [motor] = solve(withBelt({ readings: [reading] })).belt.sheaves
      expect([motor?.toe, motor?.tilt, motor?.offset, motor?.verdict]).toEqual([null, null, null, null])
    }
  })
  it('an instrument’s own angles and offset stand beside the face, each by its deviation', () => {
    const direct = { type: 'direct', on: 'motor', toe: 0.006, tilt: -0.004, offset: 2.5 }
    const [motor] = solve(withBelt({ readings: [direct] })).belt.sheaves
    expect(motor).toMatchObject({ toe: { value: 0.006, sd: 0.0001 }, tilt: { value: -0.004 } })
    expect(motor?.offset).toEqual({ value: expect.closeTo(-2.5, 9), sd: expect.closeTo(0.005, 9) })
    expect(solve(withBelt({ readings: [{ ...direct, toe: undefined }] })).belt.sheaves[0]?.toe).toBeNull()
  })
})

const driveOf = (): Drive => ({
  reference: { id: 'fan', centre: [0, 0, 0], toGroove: 20 },
  moved: [{ id: 'motor', centre: [0, 600, 150], toGroove: 25 }],
  faces: 1,
})

const small = (most: number) => fc.double({ min: -most, max: most, noNaN: true })
const bodies = fc.record({ toe: small(0.008), tilt: small(0.008), offset: small(4), y: small(700), z: small(700) })
const quarters = [0, 90, 180, 270]

/** The four quarters of a face as the rig reads them, without an error. */
const readOf = (body: Body, turned = 0): BeltReading[] =>
  quarters.map((angle) => ({
    type: 'face',
    on: 'motor',
    angle,
    radius: 110,
    value: faceAt(body, angle, 110, turned),
    turned,
    sd: 0.005,
  }))

describe('on the exact rig', () => {
  it('the face is found as it stands, and wobble is taken out by two turns', () => {
    fc.assert(
      fc.property(bodies, small(0.003), fc.integer({ min: 0, max: 359 }), ({ toe, tilt, offset, y, z }, by, at) => {
        fc.pre(Math.hypot(y, z) > 200)
        const body: Body = { centre: [offset, y, z], axis: axisOf(toe, tilt), wobble: { by: Math.abs(by), at } }
        const drive = { ...driveOf(), moved: [{ id: 'motor', centre: [0, y, z] as const, toGroove: 25 }] }
        const [found] = solveDrive(drive, [...readOf(body), ...readOf(body, 180)], 0.01)
        // slopes to the second order of the slopes themselves
        expect(found?.toe?.value).toBeCloseTo(toe, 5)
        expect(found?.tilt?.value).toBeCloseTo(tilt, 5)
        expect(found?.offset?.value).toBeCloseTo(offset - 5, 6)
        expect(found?.wobble?.value).toBeCloseTo(Math.abs(by), 5)
        if (Math.abs(by) > 1e-4) {
          const off = Math.abs((((found?.wobble?.at ?? 0) - at + 540) % 360) - 180)
          expect(off).toBeLessThan(1.5)
        }
      }),
      tries(100),
    )
  })

  it('the wobble of the sheave that stays, magnified by the span, goes when both are turned; turned alone it stays in the offset', () => {
    fc.assert(
      fc.property(
        bodies,
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: 0, max: 359 }),
        ({ toe, tilt, offset, y, z }, at, stillAt) => {
          fc.pre(Math.hypot(y, z) > 200)
          const body: Body = { centre: [offset, y, z], axis: axisOf(toe, tilt), wobble: { by: 0.001, at } }
          const still: Body = { centre: [0, 0, 0], axis: axisOf(0, 0), wobble: { by: 0.001, at: stillAt } }
          const drive = { ...driveOf(), moved: [{ id: 'motor', centre: [0, y, z] as const, toGroove: 25 }] }
          const read = (turned: number, both: boolean): BeltReading[] =>
            quarters.map((angle) => {
              const [sin, cos] = direction(angle)
              const [py, pz] = [y + 110 * sin, z + 110 * cos]
              const plane = faceAt(still, (Math.atan2(py, pz) * 180) / Math.PI, Math.hypot(py, pz), both ? turned : 0)
              const value = faceAt(body, angle, 110, turned) - plane
              return {
                type: 'face' as const,
                on: 'motor',
                angle,
                radius: 110,
                value,
                turned,
                sd: 0.005,
                ...(both ? { both: true as const } : {}),
              }
            })
          const [found] = solveDrive(drive, [...read(0, true), ...read(180, true)], 0.01)
          expect(found?.toe?.value).toBeCloseTo(toe, 5)
          expect(found?.tilt?.value).toBeCloseTo(tilt, 5)
          expect(found?.offset?.value).toBeCloseTo(offset - 5, 5)
          // turned alone, the offset is out by the reference plane's lean over the span
          const [alone] = solveDrive(drive, [...read(0, false), ...read(180, false)], 0.01)
          const lean = faceAt(still, (Math.atan2(y, z) * 180) / Math.PI, Math.hypot(y, z))
          expect(alone?.offset?.value).toBeCloseTo(offset - 5 - lean, 5)
        },
      ),
      tries(100),
    )
  })

  it('after the told shims, swing and slide, made as rigid motions, the shafts are parallel and the grooves in line', () => {
    fc.assert(
      fc.property(bodies, small(300), small(200), ({ toe, tilt, offset, y, z }, height, beside) => {
        fc.pre(Math.hypot(y, z) > 200)
        const body: Body = { centre: [offset, y, z], axis: axisOf(toe, tilt) }
        const drive = { ...driveOf(), moved: [{ id: 'motor', centre: [0, y, z] as const, toGroove: 25 }] }
        const [found] = solveDrive(drive, readOf(body), 0.01)
        const feet = [
          { id: 'in', x: -90 },
          { id: 'out', x: -340 },
        ]
        const standing = { base: z - height, pivot: { x: -340, y: y - beside }, centre: { y, z }, feet }
        const work = feetWork(found!, standing)
        for (const { shim } of work) expect(shim).toBeGreaterThanOrEqual(0)
        const [front, back] = work
        // the feet's base: raised by the shims, turned by the swing about the pivot's bolt, then slid
        const rise = ((front?.shim ?? 0) - (back?.shim ?? 0)) / 250
        const swing = ((front?.swing ?? 0) - (back?.swing ?? 0)) / 250
        const about: Vec = [-340, standing.pivot.y, standing.base]
        const raised = movedBy(body, { about, turn: [0, -rise, 0], shift: [0, 0, back?.shim ?? 0] })
        const swung = movedBy(raised, { about, turn: [0, 0, swing], shift: [front?.slide ?? 0, 0, 0] })
        // to the second order: slopes times slopes, and slopes squared times how far the sheave stands from what it turns about
        expect(Math.abs(swung.axis[1] / swung.axis[0])).toBeLessThan(1e-4)
        expect(Math.abs(swung.axis[2] / swung.axis[0])).toBeLessThan(1e-4)
        // what a target on the face shows when each act is done: its stop value
        const stops = stopsOf(drive, drive.moved[0]!, found!, standing, 110)!
        expect(stops.map(({ act }) => act)).toEqual(['tilt', 'toe', 'slide'])
        expect(Math.abs(faceAt(body, 0, 110) - stops[0]!.from)).toBeLessThan(0.01)
        expect(Math.abs(faceAt(raised, 0, 110) - stops[0]!.to)).toBeLessThan(0.03)
        const before = movedBy(raised, { about, turn: [0, 0, swing], shift: [0, 0, 0] })
        expect(Math.abs(faceAt(before, 90, 110) - stops[1]!.to)).toBeLessThan(0.06)
        expect(Math.abs(faceAt(swung, 0, 110) - stops[2]!.to)).toBeLessThan(0.06)
        const off = grooveOf(swung, 25, 1)[0] - grooveOf({ centre: [0, 0, 0], axis: [1, 0, 0] }, 20, 1)[0]
        expect(Math.abs(off)).toBeLessThan(0.06)
      }),
      tries(150),
    )
  })

  it('tells its doubt truly: errors scaled by it have unit variance', () => {
    const source = chance(20261126)
    const body: Body = { centre: [1.2, 600, 150], axis: axisOf(0.003, -0.002) }
    const errors: number[] = []
    for (let n = 0; n < 400; n++) {
      const readings: BeltReading[] = [0, 60, 130, 200, 290].map((angle) => ({
        type: 'face',
        on: 'motor',
        angle,
        radius: 110,
        value: readFace(body, { degrees: angle, radius: 110, sd: 0.02, source }) + 0.4,
        target: 'T',
        turned: 0,
        sd: 0.02,
      }))
      const constant: BeltReading = { ...readings[0]!, on: 'fan', value: 0.4 + 0.02 * source.normal() } as BeltReading
      const [found] = solveDrive(driveOf(), [...readings, constant], 0.01)
      errors.push((found!.toe!.value - 0.003) / found!.toe!.sd, (found!.tilt!.value + 0.002) / found!.tilt!.sd)
      errors.push((found!.offset!.value - (1.2 - 5)) / found!.offset!.sd)
    }
    const rms = Math.sqrt(errors.reduce((sum, one) => sum + one * one, 0) / errors.length)
    expect(rms).toBeGreaterThan(0.85)
    expect(rms).toBeLessThan(1.15)
  })
})

describe('a drive of several sheaves', () => {
  it('has each against the one that stays, and feet where they have any', () => {
    const [fan, motor] = worked.belt.sheaves
    const idler = { id: 'idler', centre: [0, 300, 260], toGroove: 20, diameter: 90 }
    const readings = [...worked.belt.readings, { type: 'direct', on: 'idler', toe: 0, tilt: 0.001, offset: 0.1 }]
    const { belt } = solve(withBelt({ sheaves: [fan, motor, idler], readings }))
    expect(belt.sheaves.map(({ id }) => id)).toEqual(['motor', 'idler'])
    expect(belt.sheaves[1]?.offset?.value).toBeCloseTo(0.1, 9)
    expect(belt.feet.map(({ sheave }) => sheave)).toEqual(['motor', 'motor'])
  })
  it('counts the width of the grooves from the face inward', () => {
    expect(grooveShift(driveOf(), { id: 'a', centre: [0, 1, 0], toGroove: 25 })).toBe(-5)
    expect(grooveShift({ ...driveOf(), faces: -1 }, { id: 'a', centre: [0, 1, 0], toGroove: 25 })).toBe(5)
  })
})

describe('shims and limits', () => {
  it('takes packs from the stock and names the limits that the moves would break', () => {
    const sheaves = worked.belt.sheaves.map((sheave) =>
      'feet' in sheave
        ? {
            ...sheave,
            feet: [
              { id: 'in', x: -90, limits: { up: 0.5, near: 1 } },
              { id: 'out', x: -340 },
            ],
          }
        : sheave,
    )
    const { belt } = solve(withBelt({ sheaves }, { plan: { stock: [0.05, 0.1, 0.2, 0.5], maxShims: 3 } }))
    expect(belt.feet.map(({ pack }) => pack)).toEqual([[0.5, 0.5], []])
    expect(belt.blocking).toEqual([
      { of: 'in', limit: 'up' },
      { of: 'in', limit: 'near' },
    ])
    expect(solve(worked).belt.blocking).toBeUndefined()
  })
  it('tells what rounding leaves of the tilt', () => {
    const feet = [
      { id: 'in', x: -90 },
      { id: 'out', x: -340 },
    ]
    const work = [
      { foot: 'in', shim: 1.03, swing: 0, slide: 0 },
      { foot: 'out', shim: 0, swing: 0, slide: 0 },
    ]
    expect(tiltLeft(work, feet, [1, 0])).toBeCloseTo(-0.03 / 250, 12)
    expect(tiltLeft(work, feet, [1.03, 0])).toBeCloseTo(0, 12)
    expect(tiltLeft(work.slice(0, 1), feet.slice(0, 1), [1])).toBe(0)
  })
})

describe('the tension afterward', () => {
  it('is told by the free span: a sixty-fourth pressed in, or by what it rings at', () => {
    const span = freeSpan(618.47, 220, 160)!
    expect(span).toBeCloseTo(617.74, 2)
    expect(deflectionOf(span)).toBeCloseTo(9.652, 3)
    // a string of that mass and length under that tension rings at that frequency
    expect(tensionOf(0.12, 1000, Math.sqrt(400 / 0.12) / 2)).toBeCloseTo(400, 9)
    expect(freeSpan(100, 400, 100)).toBeUndefined()
  })
})

describe('a document that is at fault', () => {
  const [fan, motor] = worked.belt.sheaves
  it('is refused by its path', () => {
    expect(faultOf(withBelt({ sheaves: [motor, { ...fan, stays: undefined }] }))).toBe(
      'belt.sheaves: expected one fixed sheave (stays)',
    )
    expect(faultOf(withBelt({ sheaves: [fan, { ...motor, stays: true }] }))).toMatch(/^belt\.sheaves\.1\./)
    expect(faultOf(withBelt({ sheaves: [fan, { ...motor, id: 'fan' }] }))).toMatch(/^belt\.sheaves\.1\.id/)
    expect(faultOf(withBelt({ sheaves: [fan, { ...motor, centre: [40, 0, 0] }] }))).toMatch(/^belt\.sheaves\.1\.centre/)
    expect(faultOf(withBelt({ sheaves: [fan, { ...motor, pivot: { foot: 'none' } }] }))).toMatch(
      /^belt\.sheaves\.1\.pivot\.foot/,
    )
    expect(faultOf(withBelt({ readings: [{ ...face(0, 1), on: 'none' }] }))).toMatch(/^belt\.readings\.0\.on/)
    expect(faultOf(withBelt({ readings: [{ ...face(0, 1), on: 'fan' }] }))).toMatch(/^belt\.readings\.0\.target/)
    expect(faultOf(withBelt({ readings: [{ type: 'direct', on: 'motor' }] }))).toMatch(/^belt\.readings\.0/)
    expect(faultOf(withBelt({ readings: [] }))).toMatch(/^belt\.readings/)
    expect(faultOf(withBelt({ belts: 3 }))).toBe('belt.belts: unknown key')
    expect(faultOf(withBelt({ sheaves: [fan, { ...motor, diameter: -1 }] }))).toMatch(/^belt\.sheaves\.1\.diameter/)
  })
})

describe('a job on a belt drive', () => {
  const brought = () => {
    const made = jobOfSurvey(worked, 'Fan drive', '2026-03-02T08:00:00.000Z')
    if (!made.ok) throw new Error(made.fault.message)
    return made.value
  }
  it('is made of a document and comes out as the document does', () => {
    const job = brought()
    const [round] = job.rounds
    const solved = solveRound(job.line, round!)
    const [motor] = solved.sheaves
    expect(motor?.solved?.toe?.value).toBeCloseTo(0.006, 6)
    expect(motor?.solved?.offset?.value).toBeCloseTo(-2.5, 6)
    expect(motor?.work.map(({ shim, swing, slide }) => [shim, swing, slide])).toEqual([
      [expect.closeTo(1, 6), expect.closeTo(-1.5, 6), expect.closeTo(2.458, 6)],
      [0, 0, expect.closeTo(2.458, 6)],
    ])
    expect(verdictPeg(solved)).toBe('within')
  })
  it('goes out again as a document with the same result', () => {
    const job = brought()
    const again = solve(surveyOf(job, job.rounds[0]!))
    const [was, now] = [solve(worked).belt, again.belt]
    expect(now.sheaves[0]?.toe?.value).toBeCloseTo(was.sheaves[0]!.toe!.value, 6)
    expect(now.feet.map(({ slide }) => slide)).toEqual(was.feet.map(({ slide }) => expect.closeTo(slide!, 6)))
  })
  it('keeps the limits at the feet, and names those that the moves would break', () => {
    const sheaves = worked.belt.sheaves.map((sheave) =>
      'feet' in sheave
        ? {
            ...sheave,
            feet: [
              { id: 'in', x: -90, limits: { up: 0.5, near: 2, far: 1 } },
              { id: 'out', x: -340 },
            ],
          }
        : sheave,
    )
    const made = jobOfSurvey(withBelt({ sheaves }), 'Fan drive', '')
    if (!made.ok) throw new Error(made.fault.message)
    const { line, rounds } = made.value
    const solved = solveRound(line, rounds[0]!)
    expect(solved.sheaves[0]?.blocking).toEqual([{ foot: 'in', limit: 'up', by: expect.closeTo(0.5, 6) }])
    expect(solve(surveyOf(made.value, rounds[0]!)).belt.blocking).toEqual([{ of: 'in', limit: 'up' }])
  })
  it('is refused by its path where the page has no place for what the document holds', () => {
    const made = jobOfSurvey(withBelt({ readings: [face(45, 1)] }), 'Fan drive', '')
    expect(made.ok ? '' : made.fault.path).toBe('belt.readings.0.angle')
  })
  it('takes the wobble out, reads again, and says where the two differ', () => {
    const job = brought()
    const twice = { ...job.rounds[0]!.sets[0]!, twice: true }
    const values = {
      a0: '2.94',
      a90: '1.84',
      a180: '2.06',
      a270: '3.16',
      a0t: '3.04',
      a90t: '1.84',
      a180t: '1.96',
      a270t: '3.16',
    }
    const typed = Object.fromEntries(Object.entries(values).map(([key, text]) => [key, { text, unit: 'mm' as const }]))
    const read = { ...job.rounds[0]!, sets: [{ ...twice, values: typed }] }
    expect(solveRound(job.line, read).sheaves[0]?.solved?.wobble?.value).toBeCloseTo(0.05 / 110, 6)
    const repeated = kind.withProofSets(job.line, read, 'repeat', () => 'again')
    const same = {
      ...repeated,
      sets: repeated.sets.map((set) => (set.id === 'again' ? { ...set, values: typed } : set)),
    }
    expect(solveRound(job.line, same).sheaves[0]?.repeats).toBe(true)
    const other = {
      ...repeated,
      sets: repeated.sets.map((set) =>
        set.id === 'again' ? { ...set, values: { ...typed, a90: { text: '1.24', unit: 'mm' as const } } } : set,
      ),
    }
    expect(solveRound(job.line, other).sheaves[0]?.repeats).toBe(false)
  })
  it('by straightedge: gaps at both edges and the lean of both faces', () => {
    const job = brought()
    const mm = (text: string) => ({ text, unit: 'mm' as const })
    const line = { ...job.line, sheaves: job.line.sheaves.map((one, i) => (i === 1 ? { ...one, up: mm('0') } : one)) }
    // the face stands back by 1.84 at the outer edge and 3.16 at the inner one
    const set = {
      ...job.rounds[0]!.sets[0]!,
      method: 'edge' as const,
      over: mm('100'),
      values: { inner: mm('-3.16'), outer: mm('-1.84'), leanMoved: mm('0.4'), leanStays: mm('0') },
    }
    const [motor] = solveRound(line, { ...job.rounds[0]!, sets: [set] }).sheaves
    expect(motor?.solved?.toe?.value).toBeCloseTo(0.006, 6)
    expect(motor?.solved?.tilt?.value).toBeCloseTo(-0.004, 6)
    expect(motor?.solved?.offset?.value).toBeCloseTo(-2.5, 6)
  })
  it('a toe, a tilt or a limit that is no number is named, stands in the way of signing, and is not counted', () => {
    const { line, rounds } = brought()
    const set = { ...makeSet('motor', 's', 'mm', 'angles'), angles: { toe: 'abc', tilt: '0.2 mm' } }
    const solved = solveRound({ ...line, limit: '-1' }, { ...rounds[0]!, sets: [set] })
    expect(solved.faults.map(({ key, trouble }) => [key, trouble.kind])).toEqual([
      ['toe', 'not-a-number'],
      ['tilt', 'not-a-number'],
    ])
    expect(solved.limitFault?.kind).toBe('not-above-zero')
    expect(kind.faults?.(solved)).toBe(3)
    expect(solved.limit).toBe(radians(usualLimit[line.belt]))
    expect(
      findingsFor(solved, line.sheaves[0]!, 'read')
        .slice(0, 3)
        .map((one) => one.kind),
    ).toEqual(['limit-not-a-number', 'not-a-number', 'not-a-number'])
    // typed right, with or without the sign for degrees
    const right = solveRound(
      { ...line, limit: '0,3°' },
      { ...rounds[0]!, sets: [{ ...set, angles: { toe: '0.35°', tilt: '-0,2' } }] },
    )
    expect(kind.faults?.(right)).toBe(0)
    expect(right.limit).toBe(radians(0.3))
    expect(right.sheaves[0]?.solved?.toe?.value).toBeCloseTo(radians(0.35), 12)
    expect(right.sheaves[0]?.solved?.tilt?.value).toBeCloseTo(radians(-0.2), 12)
  })
  it('a face whose quarters do not add up is not closed: nothing is sure, and a sign that would mend it is named', () => {
    const { line, rounds } = brought()
    const [round] = rounds
    const typed = (values: Record<string, string>) => ({
      ...round!,
      sets: [
        {
          ...makeSet('motor', 's', 'mm'),
          twice: false,
          radius: { text: '110', unit: 'mm' as const },
          values: Object.fromEntries(Object.entries(values).map(([key, text]) => [key, { text, unit: 'mm' as const }])),
        },
      ],
    })
    const right = solveRound(line, typed({ a0: '2.94', a90: '1.84', a180: '2.06', a270: '3.16' }))
    expect(right.sheaves[0]?.notClosed).toEqual([])
    const wrong = solveRound(line, typed({ a0: '2.94', a90: '-1.84', a180: '2.06', a270: '3.16' }))
    expect(wrong.sheaves[0]?.notClosed[0]).toMatchObject({ by: expect.closeTo(3.68, 9), sign: 'a90', turned: false })
    expect(verdictPeg(wrong)).toBe('unsure')
    const finding = findingsFor(wrong, line.sheaves[0]!, 'read').find((one) => one.kind === 'contradict')
    expect(finding?.kind === 'contradict' ? finding.suspects[0] : '').toMatchObject({ at: 's a90', fault: 'sign' })
    const slip = solveRound(line, typed({ a0: '2.94', a90: '1.64', a180: '2.06', a270: '3.16' }))
    expect(slip.sheaves[0]?.notClosed[0]).toMatchObject({ by: expect.closeTo(0.2, 9), sign: undefined })
    // wobble, toe and tilt close whatever they are: as the exact face has it, turned and not
    const body: Body = { centre: [1, 600, 150], axis: axisOf(0.006, -0.004), wobble: { by: 0.002, at: 70 } }
    for (const turned of [0, 180]) {
      const [top = 0, far = 0, bottom = 0, near = 0] = [0, 90, 180, 270].map((at) => faceAt(body, at, 110, turned))
      expect(Math.abs(top + bottom - far - near)).toBeLessThan(1e-9)
    }
  })
  it('a number left in a field of another method is no fault', () => {
    const { line, rounds } = brought()
    const set = { ...makeSet('motor', 's', 'mm', 'angles'), values: { inner: { text: 'x', unit: 'mm' as const } } }
    expect(solveRound(line, { ...rounds[0]!, sets: [set] }).faults).toEqual([])
    expect(solveRound(line, { ...rounds[0]!, sets: [{ ...set, method: 'edge' }] }).faults).toHaveLength(1)
  })
  it('a limit is typed in degrees or as a slope, and goes out in degrees', () => {
    const { line, rounds } = brought()
    const slope = solveRound({ ...line, limit: '4 mm/m' }, rounds[0]!)
    expect(slope.limit).toBeCloseTo(Math.atan(0.004), 12)
    expect(solveRound({ ...line, limit: '4 mil/in' }, rounds[0]!).limit).toBe(slope.limit)
    expect(solveRound({ ...line, limit: '4 mm' }, rounds[0]!).limitFault).toBeDefined()
    expect(solveRound({ ...line, limit: '2000 mm/m' }, rounds[0]!).limitFault).toEqual({ kind: 'too-large' })
    expect(surveyOf({ line: { ...line, limit: '4 mm/m' } }, rounds[0]!)?.belt.limit).toBeCloseTo(0.22918, 5)
  })
  it('read with both sheaves turned, it goes out as the mean of the two turns', () => {
    const { line, rounds } = brought()
    const values = { a0: '1', a0t: '2', a90: '3' }
    const set = {
      ...makeSet('motor', 's', 'mm'),
      both: true,
      radius: { text: '110', unit: 'mm' as const },
      values: Object.fromEntries(Object.entries(values).map(([key, text]) => [key, { text, unit: 'mm' as const }])),
    }
    const readings = surveyOf({ line }, { ...rounds[0]!, sets: [set] })?.belt.readings
    expect(readings).toHaveLength(1)
    expect(readings?.[0]).toMatchObject({ angle: 0, value: 1.5 })
  })
  it('an instrument’s angles that count the other way are turned over, and come out so in a document', () => {
    const { line, rounds } = brought()
    const read = (toe: string, tilt: string, counts?: BeltSet['counts']) => ({
      ...rounds[0]!,
      sets: [
        {
          ...makeSet('motor', 's', 'mm', 'angles'),
          angles: { toe, tilt },
          ...(counts ? { counts } : {}),
          values: { offset: { text: '1.2', unit: 'mm' as const } },
        },
      ],
    })
    const plain = solveRound(line, read('0.30', '-0.20')).sheaves[0]!.solved!
    const other = solveRound(line, read('-0.30', '0.20', { toe: 'other', tilt: 'other' })).sheaves[0]!.solved!
    expect(other.toe).toEqual(plain.toe)
    expect(other.tilt).toEqual(plain.tilt)
    expect(solveRound(line, read('-0.30', '-0.20', { toe: 'other' })).sheaves[0]!.solved!.toe).toEqual(plain.toe)
  })
})

describe('what is known while something of a drive was not measured', () => {
  const made = jobOfSurvey(worked, 'x', '2026-12-01T08:00:00Z')
  if (!made.ok) throw new Error(made.fault.message)
  const { line, rounds } = made.value
  const empty = { text: '', unit: 'mm' as const }
  const told = (change: object, stays: object = {}) => {
    const [fan, motor] = line.sheaves
    const one = solveRound(
      {
        ...line,
        sheaves: [
          { ...fan!, ...stays },
          { ...motor!, ...change },
        ],
      },
      rounds[0]!,
    ).sheaves[0]!
    const { toe, tilt, offset, belt, probability } = one.solved ?? {}
    return {
      shims: one.work.map(({ shim }) => shim && Number(shim.toFixed(3))),
      swings: one.work.map(({ swing }) => swing && Number(swing.toFixed(3))),
      slide: one.work[0]?.slide ?? null,
      known: [toe, tilt, offset, belt?.atReference, belt?.twist, probability].map((value) => value != null),
    }
  }
  it('shims and swing need the angles and the feet alone; the slide and what the belt feels need the span', () => {
    const whole = told({})
    expect(whole.known).toEqual([true, true, true, true, true, true])
    const unplaced = told({ across: empty, up: empty })
    expect(unplaced).toMatchObject({ shims: whole.shims, swings: whole.swings, slide: null })
    expect(unplaced.known).toEqual([true, true, true, false, false, false])
    const narrow = told({ groove: empty, width: empty })
    expect(narrow).toMatchObject({ shims: whole.shims, swings: whole.swings, slide: null })
    expect(narrow.known).toEqual([true, true, false, false, true, false])
  })
  it('a limit for the offset of the grooves is judged beside what the belt feels', () => {
    const verdict = (offsetLimit?: number) => {
      const readings = worked.belt.readings.map((one) => ({ ...one, value: 6, sd: 0.01 }))
      return solve(withBelt({ readings, ...(offsetLimit ? { offsetLimit } : {}) })).belt.sheaves[0]!.verdict
    }
    // the grooves stand 1 to the right: less than half a degree over the span of 618
    expect(verdict()).toMatchObject({ state: 'within' })
    expect(verdict(2)).toMatchObject({ state: 'within', offsetLimit: 2 })
    expect(verdict(0.5)).toMatchObject({ state: 'outside', offsetLimit: 0.5 })
  })
  it('run-out of a sheave is allowed by its diameter', () => {
    const allowed = (diameter: string) => {
      const [fan, motor] = line.sheaves
      const own = { ...line, sheaves: [fan!, { ...motor!, diameter: { text: diameter, unit: 'mm' as const } }] }
      return checksOf<'belt'>(own).find(({ id }) => id === 'sheave-rim-runout')?.limit
    }
    expect([allowed('100'), allowed('180')]).toEqual([expect.closeTo(0.1, 9), expect.closeTo(0.18, 9)])
  })
  it('a belt runs as fast as the rim of its sheave', () => {
    expect(beltSpeed(200, 1500)).toBeCloseTo(15.708, 3)
  })
})

it('a walk: an instrument’s angles and the feet alone give shims and swing; the span gives the slide', () => {
  const mm = (text: string) => ({ text, unit: 'mm' as const })
  const made = kind.makeLine('x', 'mm', ['Fan', 'Motor'])
  const [fan, motor] = made.sheaves
  const line = (across: string, base = '') => ({
    ...made,
    faces: 'right' as const,
    sheaves: [
      { ...fan!, diameter: mm('280'), width: mm('60') },
      {
        ...motor!,
        diameter: mm('180'),
        width: mm('68'),
        across: mm(across),
        base: mm(base),
        feet: motor!.feet.map((foot, i) => ({ ...foot, behind: mm(i === 0 ? '85' : '325') })),
      },
    ],
  })
  const round = kind.makeRound(made, '', 'mm')
  const set = {
    ...makeSet('s2', 'x', 'mm', 'angles'),
    angles: { toe: '0.35', tilt: '-0.25' },
    values: { offset: mm('2.6') },
  }
  const told = (across: string, base?: string) => {
    const { work } = solveRound(line(across, base), { ...round, sets: [set] }).sheaves[0]!
    return work.map(({ shim, swing, slide }) =>
      [shim, swing, slide].map((value) => value && Math.round(value * 100) / 100),
    )
  }
  const [[shim = null, swing = null, slide = null] = [], back] = told('')
  expect([shim, swing, slide]).toEqual([expect.closeTo(1.05, 1), expect.closeTo(-1.46, 1), null])
  expect(back).toEqual([0, 0, null])
  // feet 140 below the shaft: leaning the machine back moves its sheave along
  expect(told('700', '-140')[0]![2]).toBeCloseTo(2.02, 1)
  expect(told('700')[0]![2]).toBeCloseTo(1.4, 2)
})

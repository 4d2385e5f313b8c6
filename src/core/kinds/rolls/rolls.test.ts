import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../../testing/anything'
import { chance } from '../../rig/random'
import { apartAt, diagonalsOf, housedBy, levelOn, loopAt, noisy, rollOf, scaleAt, type TrueRoll } from './rig'
import { type RollReading, type Section, solveSection } from './solve/section'
import { solveSparse } from './solve/sparse'
import { alongBase, setPoint, spanBetween } from './solve/web'
import { type RollsResult, solveSurvey } from './survey/solve'

const width = 1600
const half = width / 2
const roll = (id: string, x: number, z: number, more: object = {}) => ({
  id,
  x,
  z,
  width,
  diameter: 200,
  housings: [-900, 900],
  ...more,
})
const survey = (rolls: object, units: object = { length: 'mm', reading: 'mm' }) => ({
  format: 'vane-peg.survey',
  version: 1,
  kind: 'rolls',
  units,
  rolls,
})

function solve(document: unknown): RollsResult['rolls'] & { warnings: RollsResult['warnings'] } {
  const result = solveSurvey(document)
  if (!result.ok) throw new Error(`${result.fault.path}: ${result.fault.message}`)
  return { ...result.value.rolls, warnings: result.value.warnings }
}
const faultOf = (document: unknown): string => {
  const result = solveSurvey(document)
  return result.ok ? '' : `${result.fault.path}: ${result.fault.message}`
}

const tape = (a: string, b: string, i: TrueRoll, j: TrueRoll) => ({
  type: 'tape',
  between: [a, b],
  near: apartAt(i, j, -half),
  far: apartAt(i, j, half),
  over: width,
})
const scale = (on: string, one: TrueRoll, heading = 0, stand?: string) => ({
  type: 'scale',
  on,
  near: scaleAt(one, -half, { x: one.middle[0] - 30, y: 0, heading }),
  far: scaleAt(one, half, { x: one.middle[0] - 30, y: 0, heading }),
  over: width,
  ...(stand ? { stand } : {}),
})
const levels = (on: string, one: TrueRoll, zero = 0.00004, instrument = 'L1') =>
  [false, true].map((turned) => ({
    type: 'level',
    on,
    divisions: levelOn(one, 0.00002, zero, turned),
    sensitivity: 0.02,
    turned,
    instrument,
  }))

describe('the worked cases', () => {
  it('the set point, and what is left with the ratio five per cent off', () => {
    expect(setPoint(-2.7, 400, 1500)).toBeCloseTo(0.72, 9)
    // against the roll; the far target shows what the heading makes of the way from the near one
    let heading = 0.0021 - 0.0003
    const shown = () => -heading * 1500
    const turned = (ratio: number) => {
      heading -= (setPoint(shown(), 400 * ratio, 1500) - shown()) / (400 + 1500)
    }
    expect(shown()).toBeCloseTo(-2.7, 9)
    turned(1.05)
    expect(shown()).toBeCloseTo(0.028, 3)
    turned(1.05)
    expect(shown()).toBeCloseTo(0, 3)
  })
  it('a tape round two rolls, of different radius', () => {
    const [i, j] = [
      rollOf({ x: 0, z: 0, radius: 100 }, { square: 0, level: 0 }),
      rollOf({ x: 900, z: 0, radius: 80 }, { square: 0.4 / 1500, level: 0 }),
    ]
    const { rolls } = solve(
      survey({
        rolls: [roll('r1', 0, 0), roll('r2', 900, 0, { diameter: 160 })],
        reference: 'r1',
        readings: [
          { type: 'loop', between: ['r1', 'r2'], near: loopAt(i, j, -750), far: loopAt(i, j, 750), over: 1500 },
          ...levels('r1', i),
          ...levels('r2', j),
        ],
      }),
    )
    expect((rolls[1]?.square?.value ?? 0) * 1500).toBeCloseTo(0.4, 3)
  })
  it('diagonals tell square to the center line, once both middles are known: 0.700 by them', () => {
    const body = (x: number, square: number, centre: number) =>
      rollOf({ x, z: 0, radius: 100 }, { square, level: 0, centre })
    // two true rolls, the second 0.7 toward far: the diagonals tell no more than that
    const { nearFar, farNear } = diagonalsOf(body(0, 0, 0), body(900, 0, 0.7), width)
    expect((nearFar ** 2 - farNear ** 2) / (4 * width)).toBeCloseTo(0.7, 9)
    fc.assert(
      fc.property(
        fc.double({ min: -0.002, max: 0.002, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (square, centre) => {
          const [i, j] = [body(0, square, 0.2), body(900, square, centre)]
          const middles = [
            { type: 'centre', on: 'r1', value: 1500.2, sd: 0.001 },
            { type: 'centre', on: 'r2', value: 1500 + centre, sd: 0.001 },
          ]
          const told = solve(
            survey({
              rolls: [roll('r1', 0, 0), roll('r2', 900, 0)],
              baseline: { offset: 1500 },
              readings: [
                { type: 'diagonals', between: ['r1', 'r2'], ...diagonalsOf(i, j, width), sd: 0.001 },
                tape('r1', 'r2', i, j),
                ...middles,
              ],
            }),
          ).rolls
          // parallel by the tape, square by the diagonals; second order of the slopes times the length is what is left
          for (const one of told) expect(Math.abs((one.square?.value ?? 9) - square)).toBeLessThan(2e-6)
          const without = solve(
            survey({
              rolls: [roll('r1', 0, 0), roll('r2', 900, 0)],
              readings: [{ type: 'diagonals', between: ['r1', 'r2'], ...diagonalsOf(i, j, width) }],
            }),
          ).rolls
          expect(without.map((one) => one.square)).toEqual([null, null])
        },
      ),
      tries(40),
    )
  })
  it('what is told at once is as sure as it says, and weighs with the rest', () => {
    const i = rollOf({ x: 0, z: 0, radius: 100 }, { square: 0.0003, level: 0 })
    const direct = (square: number, sd: number) => ({ type: 'direct', on: 'r1', square, sd })
    const told = (readings: readonly object[]) =>
      solve(survey({ rolls: [roll('r1', 0, 0)], baseline: { offset: 1500 }, readings })).rolls[0]?.square
    expect(told([direct(0.0003, 0.00002)])).toEqual({ value: 0.0003, sd: 0.00002 })
    expect(told([direct(0.0001, 0.00001), direct(0.0004, 0.00002)])?.value).toBeCloseTo(0.00016, 12)
    expect(told([scale('r1', i), direct(0.0003, 1)])?.value).toBeCloseTo(0.0003, 9)
    expect(faultOf(survey({ rolls: [roll('r1', 0, 0)], readings: [{ ...direct(0.0003, 0.1), on: 'r9' }] }))).toContain(
      'rolls.readings.0.on',
    )
  })
  it('what a span feels: in its plane, and twisted', () => {
    const direction = 0.5
    const [dx, dz] = [700 * Math.cos(direction), 700 * Math.sin(direction)]
    const [a, b] = [
      { square: 0.0002, level: -0.0001 },
      { square: 0.0005, level: 0.0003 },
    ]
    const [i, j] = [rollOf({ x: 0, z: 0, radius: 100 }, a), rollOf({ x: dx, z: dz, radius: 100 }, b)]
    const { spans } = solve(
      survey({
        rolls: [roll('r1', 0, 0), roll('r2', dx, dz, { limit: 0.0002 })],
        baseline: { offset: 1500 },
        readings: [scale('r1', i), scale('r2', j), ...levels('r1', i), ...levels('r2', j)],
      }),
    )
    expect(spans).toHaveLength(1)
    expect(spans[0]?.inPlane?.value).toBeCloseTo(4.55e-4, 6)
    expect(spans[0]?.twist?.value).toBeCloseTo(2.07e-4, 6)
    expect((spans[0]?.inPlane?.value ?? 0) * width).toBeCloseTo(0.728, 2)
    expect(spans[0]?.state).toBe('outside')
  })
  it('an inclined base: slide and shim in its own axes', () => {
    const { slide, shim } = alongBase(0.22, -0.15, 35)
    expect([slide.toFixed(3), shim.toFixed(3)]).toEqual(['0.094', '-0.249'])
  })
})

describe('the web between two rolls', () => {
  const at = (x: number, z: number, radius: number, side: 'over' | 'under') => ({ x, z, radius, side })
  it('runs level from over to over, and crosses from over to under', () => {
    expect(spanBetween(at(0, 0, 100, 'over'), at(700, 0, 100, 'over'))).toEqual({ x: 1, z: 0, length: 700 })
    const crossed = spanBetween(at(0, 0, 100, 'over'), at(700, 0, 100, 'under'))!
    expect(crossed.z).toBeCloseTo(-200 / 700, 12)
    expect(crossed.length).toBeCloseTo(Math.sqrt(700 ** 2 - 200 ** 2), 9)
    expect(spanBetween(at(0, 0, 100, 'over'), at(150, 0, 100, 'under'))).toBeUndefined()
  })
  it('touches both rolls on the side it is said to', () => {
    const any = fc.record({
      x: fc.integer({ min: 300, max: 900 }),
      z: fc.integer({ min: -600, max: 600 }),
      r: fc.integer({ min: 20, max: 140 }),
      s: fc.constantFrom('over', 'under'),
    })
    fc.assert(
      fc.property(
        any,
        fc.integer({ min: 20, max: 140 }),
        fc.constantFrom('over', 'under'),
        ({ x, z, r, s }, own, side) => {
          const [from, to] = [at(0, 0, own, side as 'over'), at(x, z, r, s as 'over')]
          const span = spanBetween(from, to)!
          const touch = (one: typeof from) => {
            const sign = one.side === 'over' ? -1 : 1
            return [one.x + sign * one.radius * span.z, one.z - sign * one.radius * span.x] as const
          }
          const [a, b] = [touch(from), touch(to)]
          expect(b[0] - a[0]).toBeCloseTo(span.x * span.length, 6)
          expect(b[1] - a[1]).toBeCloseTo(span.z * span.length, 6)
        },
      ),
      tries(100),
    )
  })
})

describe('many unknowns, few in each row', () => {
  it('come out as by a dense solution, with the same deviations, open ones named', () => {
    const source = chance(7)
    const n = 12
    const truth = Array.from({ length: n }, () => source.normal())
    const rows = Array.from({ length: 30 }, (_, k) => {
      const at = [k % 11, (k % 11) + 1]
      const by = [1 + source.uniform(), -1]
      return { at, by, sd: 0.1, observed: at.reduce((sum, i, m) => sum + (by[m] ?? 0) * (truth[i] ?? 0), 0) }
    })
    const fit = solveSparse(n, [...rows, { at: [4], by: [1], sd: 0.2, observed: truth[4] ?? 0 }])
    truth.forEach((value, k) => {
      expect(fit.told([k], [1])?.value).toBeCloseTo(value, 8)
    })
    // a chain that nothing holds: differences are told, places are not
    const chain = Array.from({ length: 9 }, (_, k) => ({ at: [k, k + 1], by: [-1, 1], sd: 1, observed: 2 }))
    const free = solveSparse(11, chain)
    expect(free.told([3], [1])).toBeUndefined()
    expect(free.told([10], [1])).toBeUndefined()
    expect(free.told([0, 9], [-1, 1])).toEqual({ value: expect.closeTo(18, 9), sd: expect.closeTo(3, 9) })
    const held = solveSparse(11, chain, new Set([2]))
    expect(held.told([2], [1])).toEqual({ value: 0, sd: 0 })
    expect(held.told([6], [1])).toEqual({ value: expect.closeTo(8, 9), sd: expect.closeTo(2, 9) })
  })
})

describe('a section of rolls', () => {
  const source = chance(20261126)
  const row = (n: number) =>
    Array.from({ length: n }, (_, k) => {
      const place = { x: 700 * k, z: k % 3 === 1 ? 320 : 0 }
      const truth = { square: 0.0004 * source.normal(), level: 0.0003 * source.normal(), centre: source.normal() }
      return { id: `r${k + 1}`, ...place, truth, body: rollOf({ ...place, radius: 100 }, truth) }
    })
  it('is found as it stands by any mixture of readings', () => {
    const all = row(14)
    const readings = all.flatMap(({ id, body, truth }, k) => {
      const next = all[k + 1]
      return [
        ...levels(id, body),
        ...(k % 4 === 0 ? [scale(id, body)] : []),
        ...(next ? [tape(id, next.id, body, next.body)] : []),
        { type: 'centre', on: id, value: 1500 + truth.centre },
      ]
    })
    const { rolls, warnings } = solve(
      survey({ rolls: all.map(({ id, x, z }) => roll(id, x, z)), baseline: { offset: 1500 }, readings }),
    )
    expect(warnings).toEqual([])
    rolls.forEach((one, k) => {
      const { truth } = all[k]!
      // to the second order: slopes squared
      expect(Math.abs((one.square?.value ?? 9) - truth.square)).toBeLessThan(3e-6)
      expect(Math.abs((one.level?.value ?? 9) - truth.level)).toBeLessThan(1e-6)
      expect(one.centre?.value).toBeCloseTo(truth.centre, 9)
    })
  })
  it('after the moves at its housings every roll is square and level', () => {
    for (const { id, x, z, body } of row(20)) {
      const { rolls } = solve(
        survey({
          rolls: [roll(id, x, z, { incline: 25 })],
          baseline: { offset: 0 },
          readings: [scale(id, body), ...levels(id, body)],
        }),
      )
      const { near, far } = rolls[0]!.housings!
      expect(far).toEqual({ x: 0, z: 0, slide: 0, shim: 0 })
      const moved = housedBy(body, 900, { y: -900, ...near })
      expect(Math.abs(moved.axis[0])).toBeLessThan(1e-6)
      expect(Math.abs(moved.axis[2])).toBeLessThan(1e-6)
      expect(alongBase(near.x, near.z, 25)).toEqual({
        slide: expect.closeTo(near.slide, 12),
        shim: expect.closeTo(near.shim, 12),
      })
    }
  })
  it('by tapes alone is parallel, not square: told from the reference, or open; its doubt grows as the root of the steps', () => {
    const flat = Array.from({ length: 17 }, (_, k) => ({
      id: `r${k + 1}`,
      body: rollOf({ x: 700 * k, z: 0, radius: 100 }, { square: 0.0002, level: 0 }),
    }))
    const readings = flat
      .slice(1)
      .map(({ id, body }, k) => ({ ...tape(flat[k]!.id, id, flat[k]!.body, body), sd: 0.02 }))
    const rolls = flat.map(({ id }, k) => roll(id, 700 * k, 0))
    const free = solve(survey({ rolls, reference: 'r1', readings }))
    for (const { square } of free.rolls) expect(square?.value).toBeCloseTo(0, 9)
    expect(free.rolls[0]?.square).toEqual({ value: 0, sd: 0 })
    const step = (0.02 * Math.SQRT2) / width
    expect(free.rolls[4]?.square?.sd).toBeCloseTo(2 * step, 12)
    expect(free.rolls[16]?.square?.sd).toBeCloseTo(4 * step, 12)
    expect(free.rolls[4]?.level).toBeNull()
    expect(free.warnings[0]?.message).toMatch(/no reading ties/)
    const without = solve(survey({ rolls, readings }))
    expect(without.rolls.every(({ square }) => square === null)).toBe(true)
    expect(without.spans.every(({ inPlane }) => Math.abs(inPlane?.value ?? 9) < 1e-9)).toBe(true)
    // a single scale squares them all, and the reference is asked no more
    const squared = solve(
      survey({ rolls, reference: 'r1', baseline: { offset: 0 }, readings: [...readings, scale('r9', flat[8]!.body)] }),
    )
    expect(squared.rolls[0]?.square?.value).toBeCloseTo(0.0002, 7)
    expect(squared.rolls[0]?.square?.sd).toBeGreaterThan(step)
    expect(squared.warnings.some(({ code }) => code === 'free')).toBe(false)
  })
  it('one above the other a tape tells level again, not square', () => {
    const [i, j] = [
      rollOf({ x: 0, z: 0, radius: 100 }, { square: 0.001, level: 0 }),
      rollOf({ x: 0, z: 800, radius: 100 }, { square: -0.001, level: 0.0005 }),
    ]
    const { rolls, spans } = solve(
      survey({
        rolls: [roll('r1', 0, 0), roll('r2', 0, 800)],
        reference: 'r1',
        readings: [tape('r1', 'r2', i, j), ...levels('r1', i)],
      }),
    )
    expect(rolls[1]?.level?.value).toBeCloseTo(0.0005, 6)
    expect(rolls[1]?.square).toBeNull()
    expect(rolls[1]?.housings).toBeNull()
    expect(spans[0]?.inPlane?.value).toBeCloseTo(0.0005, 6)
  })
  it('from stand to stand by two marks: headings, and a stand on one mark, a mark that faces the other way', () => {
    const bodies = [0.0003, -0.0002, 0.0005, 0.0001].map((square, k) =>
      rollOf({ x: 2000 * k, z: 0, radius: 100 }, { square, level: 0 }),
    )
    const headings = [0.0003, 0.0011]
    const marks = [
      { mark: 'M1', x: 500, y: 0.4 },
      { mark: 'M2', x: 5500, y: -0.3 },
      { mark: 'M3', x: 3100, y: 0.2 },
      { mark: 'M4', x: 1700, y: 0.9 },
    ]
    const plane = (s: number, { mark, x, y }: (typeof marks)[number]) => ({
      type: 'plane',
      stand: `S${s + 1}`,
      mark,
      x,
      value: y + 2.5 * s + (headings[s] ?? 0) * (x - (s === 0 ? 0 : 4000)),
    })
    const rolls = bodies.map((_, k) => roll(`r${k + 1}`, 2000 * k, 0))
    const scales = [
      scale('r1', bodies[0]!, headings[0], 'S1'),
      scale('r2', bodies[1]!, headings[0], 'S1'),
      scale('r3', bodies[2]!, headings[1], 'S2'),
      scale('r4', bodies[3]!, headings[1], 'S2'),
    ]
    const whole = (planes: object[]) => survey({ rolls, reference: 'r1', readings: [...scales, ...planes] })
    const both = [0, 1].flatMap((s) => marks.slice(0, 2).map((mark) => plane(s, mark)))
    const told = solve(whole(both))
    told.rolls.forEach(({ square }, k) => {
      expect(square?.value).toBeCloseTo([0.0003, -0.0002, 0.0005, 0.0001][k]! - 0.0003, 7)
    })
    expect((told.stands[1]?.heading?.value ?? 0) - (told.stands[0]?.heading?.value ?? 0)).toBeCloseTo(0.0008, 8)
    const alone = solve(whole(both.slice(0, 3)))
    expect(alone.rolls[3]?.square).toBeNull()
    expect(alone.warnings.some(({ code, message }) => code === 'one-mark' && message.startsWith('S2'))).toBe(true)
    // 2.5 on both with one turned about sets the heading wrong by twice that over their distance
    const three = [0, 1].flatMap((s) => marks.map((mark) => plane(s, mark)))
    const wrong = three.map((one, k) => (k === 5 ? { ...one, value: -one.value } : one))
    const named = solve(whole(wrong)).warnings.filter(({ code }) => code === 'reversed')
    expect(named.map(({ message }) => message.slice(0, 8))).toEqual(['S2 at M2'])
    expect(solve(whole(three)).warnings.some(({ code }) => code === 'reversed')).toBe(false)
  })
  it('a level read one way leaves its zero in: level is open, what differs is not', () => {
    const [i, j] = [
      rollOf({ x: 0, z: 0, radius: 100 }, { square: 0, level: 0.0002 }),
      rollOf({ x: 700, z: 0, radius: 100 }, { square: 0, level: 0.0005 }),
    ]
    const readings = [levels('r1', i)[0], levels('r2', j)[0]]
    const { rolls, warnings, spans } = solve(survey({ rolls: [roll('r1', 0, 0), roll('r2', 700, 0)], readings }))
    expect(rolls.map(({ level }) => level)).toEqual([null, null])
    expect(warnings.some(({ code }) => code === 'one-way')).toBe(true)
    expect(spans[0]?.twist?.value).toBeCloseTo(0.0003, 7)
    expect(spans[0]?.inPlane).toBeNull()
    expect(spans[0]?.state).toBe('unsure')
  })
  it('tells its doubt truly: errors scaled by it have unit variance, with readings of every kind', () => {
    const all = row(8)
    const section: Section = {
      rolls: all.map(({ id, x, z }) => ({
        ...roll(id, x, z),
        radius: 100,
        side: 'over',
        movable: true,
        incline: 0,
        limit: 1e-4,
        housings: [-900, 900],
      })),
      path: all.map(({ id }) => id),
      reference: 'r1',
      baseline: 0,
    }
    const read = (sd: number): RollReading[] =>
      all.flatMap(({ id, body }, k) => {
        const next = all[k + 1]
        const flat = (one: object & { near: number; far: number }) =>
          ({
            ...one,
            near: noisy(one.near, sd, source),
            far: noisy(one.far, sd, source),
            sd: 0.02,
          }) as unknown as RollReading
        return [
          ...levels(id, body).map(
            (one) => ({ ...one, divisions: noisy(one.divisions, sd * 25, source), sd: 0.5 }) as RollReading,
          ),
          ...(k % 3 === 0 ? [flat(scale(id, body))] : []),
          ...(next ? [flat(tape(id, next.id, body, next.body))] : []),
        ]
      })
    const exact = solveSection(section, read(0))
    const errors = Array.from({ length: 200 }).flatMap(() =>
      solveSection(section, read(0.02)).rolls.flatMap(({ square, level }, k) => [
        ((square?.value ?? 9) - (exact.rolls[k]?.square?.value ?? 0)) / (square?.sd ?? 1),
        ((level?.value ?? 9) - (exact.rolls[k]?.level?.value ?? 0)) / (level?.sd ?? 1),
      ]),
    )
    const rms = Math.sqrt(errors.reduce((sum, one) => sum + one * one, 0) / errors.length)
    expect(rms).toBeGreaterThan(0.85)
    expect(rms).toBeLessThan(1.15)
  })
  it('is the same in inches and mils, and names the limits that its moves would break', () => {
    const body = rollOf({ x: 0, z: 0, radius: 100 }, { square: 0.0004, level: -0.0002 })
    const mm = {
      rolls: [roll('r1', 0, 0, { limits: { near: { slide: [-5, 5], shim: [-0.1, 5] } } })],
      baseline: { offset: 0 },
      readings: [scale('r1', body), ...levels('r1', body)],
    }
    const own = scale('r1', body)
    const inch = survey(
      {
        rolls: [
          { ...roll('r1', 0, 0), width: width / 25.4, diameter: 200 / 25.4, housings: [-900 / 25.4, 900 / 25.4] },
        ],
        baseline: { offset: 0 },
        readings: [
          { ...own, near: own.near / 0.0254, far: own.far / 0.0254, over: width / 25.4 },
          ...levels('r1', body),
        ],
      },
      { length: 'in', reading: 'mil' },
    )
    const [a, b] = [solve(survey(mm)), solve(inch)]
    expect(a.rolls[0]?.housings?.near.x).toBeCloseTo(0.72, 3)
    expect(a.rolls[0]?.housings?.near.z).toBeCloseTo(-0.36, 3)
    expect((b.rolls[0]?.housings?.near.x ?? 0) * 0.0254).toBeCloseTo(0.72, 3)
    expect(a.blocking).toEqual([{ of: 'r1', limit: 'near shim' }])
    const stays = solve(survey({ ...mm, rolls: [roll('r1', 0, 0, { movable: false })] }))
    expect(stays.rolls[0]?.housings).toBeNull()
  })
})

describe('a document that is at fault', () => {
  const two = [roll('r1', 0, 0), roll('r2', 700, 0)]
  const level = { type: 'level', on: 'r1', divisions: 1, sensitivity: 0.02 }
  const of = (more: object) => faultOf(survey({ rolls: two, readings: [level], ...more }))
  it('is refused by its path', () => {
    expect(of({ rolls: [two[0], two[0]] })).toMatch(/^rolls\.rolls\.1\.id/)
    expect(of({ reference: 'r9' })).toMatch(/^rolls\.reference/)
    expect(of({ web: { path: ['r1', 'r9'] } })).toMatch(/^rolls\.web\.path\.1/)
    expect(of({ web: { side: { r9: 'over' } } })).toMatch(/^rolls\.web\.side/)
    expect(of({ readings: [{ ...level, on: 'r9' }] })).toMatch(/^rolls\.readings\.0\.on/)
    expect(of({ readings: [{ type: 'tape', between: ['r1', 'r1'], near: 1, far: 1, over: 1500 }] })).toMatch(
      /^rolls\.readings\.0\.between\.1/,
    )
    expect(of({ readings: [{ type: 'centre', on: 'r1', value: 1500 }] })).toMatch(/^rolls\.baseline/)
    expect(of({ readings: [] })).toMatch(/^rolls\.readings/)
    expect(of({ rolls: [{ ...two[0], housings: [900, -900] }, two[1]] })).toMatch(/^rolls\.rolls\.0\.housings/)
    expect(of({ readings: [{ ...level, type: 'guess' }] })).toMatch(/^rolls\.readings\.0\.type/)
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runs, tries } from '../../testing/anything'
import { chance } from '../rig/random'
import { type Book, bookOf, median, rightFirst, workByMethod } from './book'
import { nextCheck } from './next'
import type { Visit } from './visit'

const side = (at: string, position: number): Visit['found'] => ({
  at,
  places: [{ place: 'm2-back', machine: 'm2', x: 900, plane: 'vertical', position, sd: 0.01 }],
  joints: [],
})

const visit = (job: string, at: string, found: number, left = found, more: Partial<Visit> = {}): Visit => ({
  job,
  number: Number(job.slice(1)),
  title: 'Periodic check',
  occasion: 'periodic',
  signed: true,
  by: 'K. O.',
  minutes: 60,
  rounds: found === left ? 1 : 2,
  methods: ['reverse-dial'],
  state: 'within',
  found: side(at, found),
  left: side(at, left),
  moves: found === left ? 0 : 1,
  within: true,
  feet: { state: 'nothing', found: null, left: null },
  joints: [],
  reference: 'm1',
  flags: [],
  ...more,
})

describe('a book of a line', () => {
  it('has the last visit, the largest drift that was seen, and what each visit cost', () => {
    const book = bookOf({ visits: [visit('j2', '2025-01-01', 0.2), visit('j1', '2024-01-01', 0.3, 0.02)] })
    expect(book).toMatchObject({
      visits: 2,
      last: { job: 'j2', number: 2, state: 'within', signed: true },
      drift: { place: 'm2-back', plane: 'vertical', days: 366 },
      next: { because: { kind: 'once' } },
    })
    expect(book.drift?.by).toBeCloseTo(0.18, 9)
    expect(book.drift?.sd).toBeCloseTo(0.01 * Math.SQRT2, 9)
    expect(book.work.filter(({ moved }) => moved)).toHaveLength(1)
  })
  it('tells no drift within the doubt, nor from a visit that does not compare until it is put back', () => {
    const still = [visit('j1', '2024-01-01', 0), visit('j2', '2025-01-01', 0.02)]
    expect(bookOf({ visits: still }).drift).toBeUndefined()
    const flagged = [visit('j1', '2024-01-01', 0, 0, { flags: ['connected'] }), visit('j2', '2025-01-01', 0.2)]
    expect(bookOf({ visits: flagged }).drift).toBeUndefined()
    expect(bookOf({ visits: flagged, logbook: { putBack: ['j1'], below: '' } }).drift?.by).toBeCloseTo(0.2, 9)
  })
  it('of a line that nobody visited is empty', () => {
    expect(bookOf({ visits: [] })).toEqual({ visits: 0, work: [] })
  })
  it('counts the first move as enough only where one move did it and what was then read is within', () => {
    const work = bookOf({
      visits: [
        visit('j1', '2021-01-01', 0.2, 0),
        visit('j2', '2022-01-01', 0.2, 0, { moves: 2 }),
        visit('j3', '2023-01-01', 0.2, 0.1, { within: false }),
        visit('j4', '2024-01-01', 0),
      ],
    })
    expect(rightFirst([work])).toEqual({ moved: 3, right: 1 })
  })
})

describe('work by method', () => {
  const work = (methods: string[], rounds: number, minutes: number): Book['work'][number] => ({
    at: '2024-01-01',
    methods,
    rounds,
    minutes,
    moved: false,
    right: false,
  })
  it('has medians, leaves out minutes that nobody typed, and counts a visit of two methods with each', () => {
    const books = [{ work: [work(['a'], 1, 30), work(['a', 'b'], 3, 0)] }, { work: [work(['a'], 2, 90)] }]
    expect(workByMethod(books)).toEqual([
      { method: 'a', visits: 3, rounds: 2, minutes: 60, moved: 0, right: 0 },
      { method: 'b', visits: 1, rounds: 3, minutes: 0, moved: 0, right: 0 },
    ])
  })
  it('has a median with as many values on either side', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 1, maxLength: 30 }), (values) => {
        const at = median(values)
        const below = values.filter((value) => value < at).length
        const above = values.filter((value) => value > at).length
        expect(below).toBeLessThanOrEqual(values.length / 2)
        expect(above).toBeLessThanOrEqual(values.length / 2)
      }),
      tries(200),
    )
  })
})

describe('the next date', () => {
  it('is right about as often as it says, over lines that walk as they may', () => {
    const source = chance(20261130)
    const [limit, noise, days, walk] = [0.12, 0.004, 365, 0.03 / Math.sqrt(365)]
    const joint = { x: 0, diameter: 160 }
    const none = { offset: 0, slope: 0 }
    const growth = { vertical: none, horizontal: none }
    const limits = { offset: limit, slope: 0.002, judgesOffset: true, source: 'figures' as const }
    const seen = (at: string, offsetZ: number): Visit['found'] => ({
      at,
      places: [],
      joints: [
        {
          id: 'c1',
          misalignment: { offsetY: 0, slopeY: 0, offsetZ, slopeZ: 0 },
          covariance: [0, 1, 2, 3].map((i) => [0, 1, 2, 3].map((j) => (i === j ? (i === 2 ? noise ** 2 : 1e-12) : 0))),
        },
      ],
    })
    const lines = runs(120, 600)
    let told = 0
    let right = 0
    for (let line = 0; line < lines; line++) {
      const rate = (source.normal() * 0.12) / 365
      const goes = (over: number) => rate * over + walk * Math.sqrt(over) * source.normal()
      let stands = 0
      const visits = [0, 1, 2, 3, 4].map((year) => {
        const at = new Date(Date.UTC(2021, 0, 1) + year * days * 86_400_000).toISOString()
        if (year > 0) stands += goes(days)
        const found = stands
        stands = 0.006 * source.normal()
        return {
          ...visit(`j${year + 1}`, at, 0, 1),
          joints: [{ id: 'c1', joint, limits, growth }],
          found: seen(at, found + noise * source.normal()),
          left: seen(at, stands + noise * source.normal()),
        }
      })
      const next = nextCheck(visits)
      // at the latest day nothing is told of when it will have gone
      if (next?.because.kind !== 'rate' || next.days <= 30) continue
      told++
      if (Math.abs(stands + goes(next.days)) <= limit) right++
    }
    expect(told).toBeGreaterThan(lines / 3)
    expect(right / told).toBeGreaterThan(0.58)
    expect(right / told).toBeLessThan(0.82)
  })
})

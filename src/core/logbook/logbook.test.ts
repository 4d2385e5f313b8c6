import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeJob } from '../kinds/train/document/make'
import type { Job, Line } from '../kinds/train/document/schema'
import { pumpAndMotor, readOnRig } from '../kinds/train/rig'
import type { Misalignment } from '../probes/probe'
import { chance } from '../rig/random'
import { intervalsOf, jointRates, likelyCause, rateOf } from './drift'
import { latest, nextCheck, soonest } from './next'
import { comparable, type Visit, visitOf } from './visit'

const line = pumpAndMotor()
const at = (offsetZ: number, slopeZ = 0, offsetY = 0, slopeY = 0): Misalignment => ({
  offsetZ,
  slopeZ,
  offsetY,
  slopeY,
})

/** A visit on a day: as found, and as left where it was read again. */
function visit(
  day: string,
  found: Misalignment,
  left?: Misalignment,
  more: { line?: Line; occasion?: 'new-set' | 'periodic' } = {},
): Visit {
  const own = more.line ?? line
  const first = { ...readOnRig(own, found), id: 'r1', takenAt: `${day}T08:00:00Z` }
  const second = left && { ...readOnRig(own, left), id: 'r2', takenAt: `${day}T14:00:00Z` }
  const job: Job = {
    ...makeJob(own, day, `${day}T08:00:00Z`, 'mm', more.occasion),
    rounds: [first, ...(second ? [second] : [])],
  }
  const made = visitOf(job, { id: day, number: 1, signed: true })
  if (!made) throw new Error('it was read')
  // what else is open of these jobs is not asked here
  return { ...made, state: 'within' }
}

describe('a visit', () => {
  it('is as found and as left of every station and coupling; without a move they are the same', () => {
    const one = visit('2024-01-10', at(0.1), at(0.01))
    expect(one.moves).toBe(1)
    const place = (side: Visit['found']) =>
      side.places.find((p) => p.place === 'm2-back' && p.plane === 'vertical')?.position
    expect(place(one.found)).toBeCloseTo(0.1, 3)
    expect(place(one.left)).toBeCloseTo(0.01, 3)
    const still = visit('2024-01-10', at(0.1))
    expect(still.moves).toBe(0)
    expect(still.left).toEqual(still.found)
    expect(visitOf(makeJob(line, '', '2024-01-01', 'mm'), { id: 'x', number: 1, signed: false })).toBeUndefined()
  })
  it('against another fixed machine is told against today’s, exactly, and flagged', () => {
    const truth = at(0.08, 0.0004, -0.05, 0.0002)
    const other = { ...line, fixed: 'm2' }
    const [then, now] = comparable([visit('2024-01-10', truth, undefined, { line: other }), visit('2025-01-10', truth)])
    expect([then?.flags, now?.flags]).toEqual([['other-reference'], []])
    for (const place of now?.left.places ?? []) {
      const same = then?.left.places.find((one) => one.place === place.place && one.plane === place.plane)
      expect(same?.position).toBeCloseTo(place.position, 6)
    }
  })
})

describe('drift', () => {
  it('is from as left to as found at the next visit, seen beyond two deviations', () => {
    const [one] = intervalsOf([visit('2024-01-10', at(0.2), at(0.01)), visit('2025-01-09', at(0.13))])
    expect(one?.days).toBeCloseTo(364.75, 2)
    const back = one?.places.find((p) => p.place === 'm2-back' && p.plane === 'vertical')
    expect(back?.by).toBeCloseTo(0.12, 3)
    expect(back?.seen).toBe(true)
    expect(one?.places.filter(({ plane, seen }) => plane === 'horizontal' && seen)).toEqual([])
    expect(one?.joints[0]?.by.offsetZ).toBeCloseTo(0.12, 3)
    expect(intervalsOf([visit('2024-01-10', at(0))])).toEqual([])
  })
  it('has a rate through the origin of every interval, and a walk about it', () => {
    // by hand: weights 100²/0.01² and 200²/0.02²
    const rate = rateOf([
      { by: 0.05, sd: 0.01, days: 100 },
      { by: 0.08, sd: 0.02, days: 200 },
    ])
    const [a, b] = [100 / 0.01 ** 2, 200 / 0.02 ** 2]
    const perDay = (0.05 * a + 0.08 * b) / (100 * a + 200 * b)
    expect(rate?.perDay).toBeCloseTo(perDay, 12)
    expect(rate?.sd).toBeCloseTo(1 / Math.sqrt(100 * a + 200 * b), 12)
    expect(rate?.walk).toBeCloseTo(((0.05 - perDay * 100) ** 2 / 100 + (0.08 - perDay * 200) ** 2 / 200) / 2, 12)
    // each drift stands off the rate by w²Δt more
    const { walk = 0, walked } = rate ?? {}
    expect(walked).toBeCloseTo(Math.sqrt(walk * (100 * a ** 2 + 200 * b ** 2)) / (100 * a + 200 * b), 12)
    expect(rateOf([])).toBeUndefined()
    expect(rateOf([{ by: 0.05, sd: 0.01, days: 100 }])).toMatchObject({ perDay: 0.0005, walk: 0, intervals: 1 })
  })
  it('recovers a rate from intervals that scatter as they say', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1e-3, max: 1e-3, noNaN: true }),
        fc.array(fc.integer({ min: 20, max: 900 }), { minLength: 2, maxLength: 8 }),
        (true_, days) => {
          const rate = rateOf(days.map((one) => ({ by: true_ * one, sd: 0.01, days: one })))
          expect(rate?.perDay).toBeCloseTo(true_, 9)
          expect(rate?.walk).toBeCloseTo(0, 9)
        },
      ),
    )
  })
  it('names what it looks like, and nothing where it looks like nothing', () => {
    const cause = (found: Misalignment) =>
      likelyCause(intervalsOf([visit('2024-01-10', at(0), at(0)), visit('2025-01-09', found)])[0]!)
    expect(cause(at(0))).toBeUndefined()
    expect(cause(at(0.1))).toBe('base')
    expect(cause(at(0, 0, 0.1))).toBe('bolts')
    // through the front feet: the back ones alone are up
    expect(cause(at(-0.096, 0.0004))).toBe('one-foot')
    expect(cause(at(0.05, -0.0004, 0.1))).toBeUndefined()
  })
  it('names pipes where one end alone went in both planes, and the foundation where several machines went alike', () => {
    const drift = (machine: string, place: string, plane: 'vertical' | 'horizontal', by: number) => ({
      machine,
      place,
      plane,
      by,
      sd: 0.01,
      seen: Math.abs(by) > 0.02,
    })
    const ends = (machine: string, front: readonly number[], back: readonly number[]) =>
      [front, back].flatMap(([up = 0, far = 0], i) => [
        drift(machine, `${machine}-${i}`, 'vertical', up),
        drift(machine, `${machine}-${i}`, 'horizontal', far),
      ])
    expect(likelyCause({ places: ends('m2', [0.002, -0.004], [0.2, 0.15]) })).toBe('pipes')
    expect(likelyCause({ places: [...ends('m1', [0.1, 0], [0.11, 0]), ...ends('m2', [0.1, 0], [0.105, 0])] })).toBe(
      'foundation',
    )
    expect(likelyCause({ places: ends('m2', [0.1, 0], [0.11, 0]) })).toBe('base')
  })
})

describe('the next check', () => {
  const days = (perYear: number, below?: number) =>
    nextCheck(
      [
        visit('2024-01-10', at(0.2), at(0)),
        visit('2025-01-09', at(perYear), at(0)),
        visit('2026-01-09', at(perYear), at(0)),
      ],
      below,
    )
  it('comes when the chance of being within falls below the bound, sooner for a faster walk and a higher bound', () => {
    const [slow, fast] = [days(0.04), days(0.09)]
    expect(slow?.because.kind).toBe('rate')
    expect(fast!.days).toBeLessThan(slow!.days)
    expect(days(0.04, 0.9)!.days).toBeLessThan(slow!.days)
    expect(slow).toMatchObject({ because: { joint: 'c1', intervals: 2 } })
    // the limit is 0.077: at 0.04 a year it is half used up in about a year, and gone in about two
    expect(slow!.days).toBeGreaterThan(300)
    const on = new Date('2026-01-09T14:00:00Z')
    on.setUTCDate(on.getUTCDate() + slow!.days)
    expect(slow?.on).toBe(on.toISOString().slice(0, 10))
  })
  it('is the first day below the bound, and its chance is that of the walk, drawn anew', () => {
    const visits = [
      visit('2022-01-10', at(0), at(0)),
      visit('2023-01-10', at(0.09), at(0)),
      visit('2024-01-10', at(-0.02), at(0)),
      visit('2025-01-10', at(0.05), at(0)),
    ]
    const told = nextCheck(visits)!
    if (told.because.kind !== 'rate') throw new Error('it walks')
    expect(told.because.chance).toBeLessThan(0.7)
    expect(told.because.chance).toBeGreaterThan(0.695)
    const { joint, limits, growth } = visits.at(-1)!.joints[0]!
    const start = visits.at(-1)!.left.joints[0]!
    const rates = jointRates(intervalsOf(visits), 'c1')
    const source = chance(5)
    const names = ['offsetY', 'slopeY', 'offsetZ', 'slopeZ'] as const
    const draws = 20_000
    const { days } = told
    let within = 0
    for (let i = 0; i < draws; i++) {
      const [offsetY, slopeY, offsetZ, slopeZ] = names.map((name, n) => {
        const { perDay, sd, walked, walk } = rates[name]!
        const by = perDay + Math.hypot(sd, walked) * source.normal()
        const own = Math.sqrt(start.covariance[n]![n]!) * source.normal()
        return start.misalignment[name] + own + by * days + Math.sqrt(walk * days) * source.normal()
      }) as [number, number, number, number]
      const [y, z] = [offsetY + growth.horizontal.offset, offsetZ + growth.vertical.offset]
      const [a, b] = [slopeY + growth.horizontal.slope, slopeZ + growth.vertical.slope]
      if (Math.hypot(y, z) <= limits!.offset && Math.hypot(a, b) <= limits!.slope) within++
    }
    expect(joint.flexPlanes).toBeUndefined()
    expect(within / draws).toBeCloseTo(told.because.chance, 1.6)
  })
  it('is never sooner than a month nor later than two years', () => {
    expect(days(3)?.days).toBe(soonest)
    expect(days(0)).toMatchObject({ days: latest, because: { kind: 'holds' } })
  })
  it('follows what is usual where nothing is known of how it moves', () => {
    expect(nextCheck([])).toBeUndefined()
    expect(nextCheck([visit('2024-01-10', at(0), at(0), { occasion: 'new-set' })])).toMatchObject({
      days: 365,
      because: { kind: 'new-set' },
    })
    expect(nextCheck([visit('2024-01-10', at(0), at(0), { occasion: 'periodic' })])).toMatchObject({
      days: 365,
      on: '2025-01-09',
    })
    expect(nextCheck([{ ...visit('2024-01-10', at(0)), state: 'unsure' }])).toMatchObject({
      days: 90,
      because: { kind: 'not-within' },
    })
  })
})

import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { loadSolver } from '../../planner/highs'
import { tries } from '../../testing/anything'
import { fewestByTrying } from './fewest'
import { byPrograms, leastInPlane } from './least'
import { type PlaneProblem, type PlannedStation, unit } from './problem'
import { ProgramBuilder, type SolveProgram } from './program'
import { NotLinear, solveLinear, solveSmall } from './simplex'

let solve: SolveProgram
beforeAll(async () => {
  solve = await loadSolver()
})

const infinity = Number.POSITIVE_INFINITY
const whole = (most: number) => fc.integer({ min: -most, max: most })

describe('a small linear program', () => {
  const bound = fc.oneof(
    { weight: 1, arbitrary: fc.constant(infinity) },
    { weight: 3, arbitrary: fc.integer({ min: 0, max: 20 }) },
  )
  const programs = fc.integer({ min: 1, max: 6 }).chain((n) =>
    fc.record({
      cost: fc.array(whole(5), { minLength: n, maxLength: n }),
      bounds: fc.array(fc.tuple(bound, bound), { minLength: n, maxLength: n }),
      rows: fc.array(fc.tuple(fc.array(whole(4), { minLength: n, maxLength: n }), whole(20), bound), { maxLength: 8 }),
    }),
  )
  it('has the least that the solver of programs finds, or none where that finds none', () => {
    let [fits, never] = [0, 0]
    fc.assert(
      fc.property(programs, ({ cost, bounds, rows }) => {
        // a least there always is: nothing is far away
        const low = bounds.map(([down]) => -Math.min(down, 1000))
        const high = bounds.map(([, up]) => Math.min(up, 1000))
        const builder = new ProgramBuilder()
        const columns = low.map((from, k) => builder.column(from, high[k] ?? 0))
        const between = rows.map(([factors, from, more]) => ({ factors, low: from, high: from + more }))
        for (const row of between)
          builder.row(row.low, row.high, ...row.factors.map((factor, k) => [columns[k] ?? 0, factor] as const))
        const known = solve(builder.least(...cost.map((one, k) => [columns[k] ?? 0, one] as const)))
        const found = solveSmall({ cost, low, high, rows: between })
        expect(found === null).toBe(known === null)
        if (!found || !known) {
          never++
          return
        }
        fits++
        const of = (values: readonly number[]) => cost.reduce((sum, one, k) => sum + one * (values[k] ?? 0), 0)
        expect(of(found)).toBeCloseTo(of(known), 6)
        found.forEach((value, k) => {
          expect(value).toBeGreaterThanOrEqual((low[k] ?? 0) - 1e-7)
          expect(value).toBeLessThanOrEqual((high[k] ?? 0) + 1e-7)
        })
        for (const row of between) {
          const value = row.factors.reduce((sum, factor, k) => sum + factor * (found[k] ?? 0), 0)
          expect(value).toBeGreaterThanOrEqual(row.low - 1e-6)
          expect(value).toBeLessThanOrEqual(row.high + 1e-6)
        }
      }),
      tries(400, Number(process.env.LONG) || 20_000),
    )
    expect(Math.min(fits, never)).toBeGreaterThan(40)
  })
  it('says so where there is no least', () => {
    expect(() => solveSmall({ cost: [-1], low: [0], high: [infinity], rows: [] })).toThrow(/unbounded/)
  })
  it('does not go round in a circle where many corners are one (Beale)', () => {
    const found = solveSmall({
      cost: [-0.75, 150, -0.02, 6],
      low: [0, 0, 0, 0],
      high: [infinity, infinity, infinity, infinity],
      rows: [
        { factors: [0.25, -60, -0.04, 9], low: -infinity, high: 0 },
        { factors: [0.5, -90, -0.02, 3], low: -infinity, high: 0 },
        { factors: [0, 0, 1, 0], low: -infinity, high: 1 },
      ],
    })
    expect(found?.[0]).toBeCloseTo(0.04, 9)
    expect(found?.[2]).toBeCloseTo(1, 9)
  })
})

/** Trains of two to five machines with none, one, two or three stations each, some twice at one place with another growth. */
const machine = fc.record({
  at: fc.uniqueArray(fc.integer({ min: 0, max: 8 }), { minLength: 0, maxLength: 3 }),
  twice: fc.boolean(),
  present: fc.array(whole(60), { minLength: 4, maxLength: 4 }),
  stops: fc.array(
    fc.tuple(
      fc.oneof(fc.constant(infinity), fc.integer({ min: 0, max: 60 })),
      fc.oneof(fc.constant(infinity), fc.integer({ min: 0, max: 60 })),
    ),
    { minLength: 4, maxLength: 4 },
  ),
  axis: fc.tuple(whole(40), whole(20)),
  feet: fc.integer({ min: 1, max: 2 }),
})
const problems = fc
  .record({
    machines: fc.array(machine, { minLength: 2, maxLength: 5 }),
    most: fc.constantFrom(0, 3, 12),
  })
  .map(({ machines, most }): PlaneProblem => {
    const span = machines.length
    const toU = (x: number) => (2 * x) / span - 1
    const stations = machines.flatMap(({ at, twice, present, stops, feet }, m): PlannedStation[] => {
      const [again] = at
      const places = twice && again !== undefined ? [...at, again] : at
      return places.map((place, i) => {
        const id = `${m}.${i}`
        const [down, up] = stops[i] ?? [infinity, infinity]
        return {
          feet: feet === 2 ? [`${id}n`, `${id}f`] : [id],
          machine: m,
          u: toU(m + 0.1 + place / 10),
          present: present[i] ?? 0,
          low: { at: -down, foot: id, way: 'down' },
          high: { at: up, foot: id, way: 'up' },
        }
      })
    })
    return {
      plane: 'vertical',
      halfSpan: 1000,
      middle: 0,
      stations: stations.slice(0, 12),
      machines: machines.map(({ axis }, m) => ({
        machine: m,
        axis,
        stations: new Set(stations.slice(0, 12).flatMap((one) => (one.machine === m ? [one.u] : []))).size,
      })),
      demands: machines.slice(1).flatMap((_, left) => [
        { left, right: left + 1, u: toU(left + 1), most },
        { left, right: left + 1, u: 'slope' as const, most },
      ]),
    }
  })

it('what is in the way is told alike by either method, and whole numbers are refused by the one that has none', () => {
  let blocked = 0
  fc.assert(
    fc.property(problems, (problem) => {
      const known = leastInPlane(problem, solve)
      if (known.feasible || known.together || known.blocking.length === 0) return
      blocked++
      const found = leastInPlane(problem, solveLinear)
      expect(found.blocking.map(({ foot, limit }) => `${foot} ${limit}`).sort()).toEqual(
        known.blocking.map(({ foot, limit }) => `${foot} ${limit}`).sort(),
      )
      for (const one of found.blocking)
        expect(one.short).toBeCloseTo(
          known.blocking.find(({ foot, limit }) => foot === one.foot && limit === one.limit)?.short ?? 9,
          6,
        )
    }),
    tries(120, Number(process.env.LONG) || 5000),
  )
  expect(blocked).toBeGreaterThan(5)
  const builder = new ProgramBuilder()
  builder.column(0, 1, true)
  expect(() => solveLinear(builder.least())).toThrow(NotLinear)
})

describe('the fewest moves by trying which stations stay', () => {
  it('are those of the mixed-integer programs: as few feet, as small, as little in all', () => {
    let [fits, never] = [0, 0]
    fc.assert(
      fc.property(problems, (problem) => {
        const known = byPrograms(problem, problem.stations, solve)
        const found = leastInPlane(problem, solve)
        expect(fewestByTrying(problem, problem.stations) === null).toBe(known === null)
        if (!known) {
          never++
          return
        }
        fits++
        expect(found.touched).toBe(known.touched)
        expect(found.largest / unit).toBeCloseTo(known.largest / unit, 3)
        expect(found.sum / unit).toBeCloseTo(known.sum / unit, 2)
      }),
      tries(150, Number(process.env.LONG) || 5000),
    )
    expect(Math.min(fits, never)).toBeGreaterThan(15)
  })
})

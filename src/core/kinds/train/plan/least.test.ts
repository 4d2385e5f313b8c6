import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { loadSolver } from '../../../../planner/highs'
import { tries } from '../../../../testing/anything'
import type { FootFacts } from '../../../least/facts'
import { type LeastPlane, leastInPlane } from '../../../least/least'
import { type PlaneProblem, type PlannedStation, unit } from '../../../least/problem'
import type { SolveProgram } from '../../../least/program'
import type { Train } from '../solve/model'
import { type Solution, solveTrain, withStay } from '../solve/solve'
import { planMoves } from './exact'
import { planLeast } from './least'
import { withMoves } from './moved'

let solve: SolveProgram
beforeAll(async () => {
  solve = await loadSolver()
})

/** A station of one foot, in units of the planner. */
const station = (
  machine: number,
  i: number,
  u: number,
  present: number,
  low: number,
  high: number,
): PlannedStation => ({
  feet: [`${machine}.${i}`],
  machine,
  u,
  present,
  low: { at: low, foot: `${machine}.${i}`, way: 'down' },
  high: { at: high, foot: `${machine}.${i}`, way: 'up' },
})

/** A train in line exactly: all machines on one line. */
function exactProblem(stations: readonly PlannedStation[]): PlaneProblem {
  const machines = [...new Set(stations.map(({ machine }) => machine))]
  return {
    plane: 'vertical',
    halfSpan: 1000,
    middle: 0,
    stations,
    machines: machines.map((machine) => {
      const [a, b] = stations.filter((one) => one.machine === machine)
      const slope = a && b ? (b.present - a.present) / (b.u - a.u) : 0
      return { machine, axis: [(a?.present ?? 0) - slope * (a?.u ?? 0), slope], stations: 2 }
    }),
    demands: machines.slice(1).flatMap((right, i) => [
      { left: machines[i] ?? 0, right, u: 0, most: 0 },
      { left: machines[i] ?? 0, right, u: 'slope' as const, most: 0 },
    ]),
  }
}

/**
 * Trying every line there is reason to try: fewest touched, then smallest largest move, then smallest sum. Every optimum lies at
 * a line that is held by two of: a station that stays, a stop, or two largest moves of the same size.
 */
function bruteForce(stations: readonly PlannedStation[]): { touched: number; largest: number; sum: number } | null {
  const close = 1e-7
  // rows a + b·u = value, and for ties of largest moves a·(s−t) + b·(s·u−t·v) = s·p − t·q
  const rows: [number, number, number][] = stations.flatMap(({ u, present, low, high }) => [
    [1, u, present] as [number, number, number],
    [1, u, present + low.at] as [number, number, number],
    [1, u, present + high.at] as [number, number, number],
  ])
  for (const [i, one] of stations.entries())
    for (const other of stations.slice(i + 1)) {
      rows.push([0, one.u - other.u, one.present - other.present])
      rows.push([2, one.u + other.u, one.present + other.present])
    }
  let best: { touched: number; largest: number; sum: number } | null = null
  const consider = (a: number, b: number) => {
    const moves = stations.map(({ u, present }) => a + b * u - present)
    if (moves.some((m, i) => m < stations[i]!.low.at - close || m > stations[i]!.high.at + close)) return
    const sizes = moves.map((m) => (Math.abs(m) < 1e-6 ? 0 : Math.abs(m)))
    const found = {
      touched: sizes.filter((s) => s > 0).length,
      largest: Math.max(...sizes),
      sum: sizes.reduce((x, y) => x + y, 0),
    }
    const better =
      !best ||
      found.touched < best.touched ||
      (found.touched === best.touched &&
        (found.largest < best.largest - 1e-7 ||
          (Math.abs(found.largest - best.largest) <= 1e-7 && found.sum < best.sum)))
    if (better) best = found
  }
  for (const [i, [a1, b1, c1]] of rows.entries())
    for (const [a2, b2, c2] of rows.slice(i + 1)) {
      if (![a1, b1, c1, a2, b2, c2].every(Number.isFinite)) continue
      const det = a1 * b2 - a2 * b1
      if (Math.abs(det) > 1e-9) consider((c1 * b2 - c2 * b1) / det, (a1 * c2 - a2 * c1) / det)
    }
  return best
}

const limit = fc.oneof(fc.constant(Number.POSITIVE_INFINITY), fc.integer({ min: 0, max: 40 }))
const twoMachines = fc
  .record({
    places: fc.uniqueArray(fc.integer({ min: -20, max: 20 }), { minLength: 4, maxLength: 4 }),
    present: fc.array(fc.integer({ min: -60, max: 60 }), { minLength: 4, maxLength: 4 }),
    low: fc.array(limit, { minLength: 4, maxLength: 4 }),
    high: fc.array(limit, { minLength: 4, maxLength: 4 }),
  })
  .map(({ places, present, low, high }) =>
    places.sort((a, b) => a - b).map((u, i) => station(i < 2 ? 0 : 1, i % 2, u / 20, present[i]!, -low[i]!, high[i]!)),
  )

describe('the least moves', () => {
  it('are as few, as small and as possible as trying every line shows', () => {
    let feasible = 0
    fc.assert(
      fc.property(twoMachines, (stations) => {
        const found = leastInPlane(exactProblem(stations), solve)
        const best = bruteForce(stations)
        expect(found.feasible).toBe(best !== null)
        if (!best) return
        feasible++
        expect(found.touched).toBe(best.touched)
        expect(found.largest / unit).toBeCloseTo(best.largest, 3)
        expect(found.sum / unit).toBeCloseTo(best.sum, 2)
      }),
      tries(250, Number(process.env.LONG) || 5000),
    )
    expect(feasible).toBeGreaterThan(60)
  })
  it('are the smallest where simplifying ahead once stopped short of them', () => {
    const free = Number.POSITIVE_INFINITY
    const stations = [
      station(0, 0, -0.95, 20, -free, 1),
      station(0, 1, -0.15, 32, 0, free),
      station(1, 0, 0.6, 47, -free, free),
      station(1, 1, 0.65, 55, -free, 1),
    ]
    expect(leastInPlane(exactProblem(stations), solve).largest / unit).toBeCloseTo(bruteForce(stations)!.largest, 3)
  })
  it('name what is limits in the way, by how much, and the best without it', () => {
    let blocked = 0
    fc.assert(
      fc.property(twoMachines, (stations) => {
        const found = leastInPlane(exactProblem(stations), solve)
        if (found.feasible) return
        blocked++
        expect(found.blocking.length).toBeGreaterThan(0)
        /** The same stations with stops further away by so much. */
        const eased = (which: LeastPlane['blocking'], more: number) =>
          stations.map((one) => ({
            ...one,
            low: which.some(({ foot, limit }) => foot === one.feet[0] && limit === 'down')
              ? { ...one.low, at: one.low.at - which.find(({ foot }) => foot === one.feet[0])!.short / unit - more }
              : one.low,
            high: which.some(({ foot, limit }) => foot === one.feet[0] && limit === 'up')
              ? { ...one.high, at: one.high.at + which.find(({ foot }) => foot === one.feet[0])!.short / unit + more }
              : one.high,
          }))
        const sets = found.together ? [found.blocking] : found.blocking.map((one) => [one])
        for (const set of sets) {
          expect(bruteForce(eased(set, 0.001))).not.toBeNull()
          if (!found.together && set[0]!.short > 0.001) expect(bruteForce(eased(set, -0.05))).toBeNull()
        }
      }),
      tries(200, Number(process.env.LONG) || 5000),
    )
    expect(blocked).toBeGreaterThan(8)
  })
})

interface Drawn {
  train: Train
  facts: Map<string, FootFacts>
}

const sign = fc.integer({ min: -40, max: 40 })
/** Trains of two to five machines, each with two stations and a coupling read by two heads, some feet limited. */
const trains: fc.Arbitrary<Drawn> = fc
  .record({
    count: fc.integer({ min: 2, max: 5 }),
    offsets: fc.array(fc.tuple(sign, sign, sign, sign), { minLength: 4, maxLength: 4 }),
    limits: fc.array(
      fc.option(fc.record({ down: fc.integer({ min: 0, max: 50 }), far: fc.integer({ min: 0, max: 50 }) })),
      {
        minLength: 10,
        maxLength: 10,
      },
    ),
    growth: fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 10, maxLength: 10 }),
  })
  .map(({ count, offsets, limits, growth }) => {
    const facts = new Map<string, FootFacts>()
    const machines = Array.from({ length: count }, (_, m) => ({
      id: `m${m}`,
      feet: [0, 1].map((f) => {
        const id = `m${m}.${f}`
        const found = limits[2 * m + f]
        if (found) facts.set(id, { limits: { down: found.down / 100, far: found.far / 100 } })
        return { id, x: 1000 * m + 200 + 500 * f, growth: { vertical: growth[2 * m + f]! / 100 } }
      }),
    }))
    const couplings = machines.slice(1).map((_, left) => {
      const [oy, sy, oz, sz] = offsets[left]!
      const x = 1000 * left + 950
      const at = (d: number) => ({ y: oy / 100 + (sy / 1e5) * d, z: oz / 100 + (sz / 1e5) * d })
      const head = (on: 'left' | 'right', d: number) => ({
        type: 'beam' as const,
        on,
        x: x + d,
        sd: 0.001,
        readings: [0, 90, 180, 270].map((angle) => {
          const { y, z } = at(d)
          const t = (angle * Math.PI) / 180
          const out = y * Math.sin(t) + z * Math.cos(t)
          return { angle, value: on === 'right' ? -out : out }
        }),
      })
      const probes = [head('right', 120), head('left', -100)]
      return { id: `c${left}`, left, x, diameter: 160, sets: [{ state: 'released' as const, probes }] }
    })
    return { facts, train: { machines, couplings, fixed: 0, rpm: 1480, tolerance: { offset: 0.06, slope: 0.0004 } } }
  })

/** Whether all moves of a plane keep to the limits. */
const fits = ({ feet }: Solution, facts: ReadonlyMap<string, FootFacts>, plane: 'vertical' | 'horizontal') =>
  feet.every((foot) => {
    const move = foot[plane]?.move
    const { down, far } = facts.get(foot.foot)?.limits ?? {}
    if (move === null || move === undefined) return false
    return plane === 'vertical' ? move >= -(down ?? Infinity) : move <= (far ?? Infinity)
  })

describe.each([0, 0.5])('a plan of the least moves for trains of up to five machines, margin %s', (margin) => {
  it('keeps to every limit and leaves no more at any coupling than the margin allows', () => {
    let feasible = 0
    let shown = 0
    fc.assert(
      fc.property(trains, ({ train, facts }) => {
        const solution = solveTrain(train)
        const least = planLeast(train, solution, facts, solve, { margin })
        // a machine or two stations that can be held within every limit show that there is a plan: it is never denied
        const stations = train.machines.flatMap(({ feet }) => feet.map(({ id }) => id))
        const ways = [
          solution,
          ...stations.flatMap((a, i) =>
            stations.slice(i + 1).map((b) => withStay(train, solution, { mode: 'hold', feet: [a, b] })),
          ),
        ]
        for (const plane of ['vertical', 'horizontal'] as const)
          if (ways.some((way) => fits(way, facts, plane))) {
            expect(least[plane].feasible).toBe(true)
            shown++
          }
        if (!least.vertical.feasible || !least.horizontal.feasible) return
        feasible++
        const plan = planMoves(train, withMoves(solution, least), facts)
        expect(plan.feasible).toBe(true)
        for (const { vertical, horizontal } of plan.left)
          for (const line of [vertical!, horizontal!]) {
            expect(Math.abs(line.offset)).toBeLessThanOrEqual(margin * 0.06 + 2e-6)
            expect(Math.abs(line.slope)).toBeLessThanOrEqual(margin * 0.0004 + 2e-8)
          }
        // holding any two feet, or the fixed machine, never touches fewer
        const touched = (moves: (number | null | undefined)[]) => moves.filter((m) => Math.abs(m ?? 0) > 1e-6).length
        const fixed = touched(solution.feet.map(({ vertical }) => vertical?.move))
        const fixedFits = planMoves(train, solution, facts).feasible
        if (fixedFits) expect(least.vertical.touched).toBeLessThanOrEqual(fixed)
      }),
      tries(40, Number(process.env.LONG) || 5000),
    )
    expect(feasible).toBeGreaterThan(5)
    expect(shown).toBeGreaterThan(10)
  })
})

it('touches nothing where all is within the margin already', () => {
  const near = exactProblem([
    station(0, 0, -1, 0, -1, 1),
    station(0, 1, -0.5, 0, -1, 1),
    station(1, 0, 0.5, 1, -1, 1),
    station(1, 1, 1, 2, -1, 1),
  ])
  const eased = { ...near, demands: near.demands.map((demand) => ({ ...demand, most: 3 })) }
  expect(leastInPlane(eased, solve)).toMatchObject({ feasible: true, touched: 0, largest: 0 })
})

it('a machine with one station of feet is not turned, one without feet not moved', () => {
  const problem = exactProblem([station(1, 0, 0.5, 10, -100, 100), station(1, 1, 1, 20, -100, 100)])
  const immovable = { machine: 0, axis: [3, 0] as const, stations: 0 }
  const found = leastInPlane(
    {
      ...problem,
      machines: [immovable, ...problem.machines],
      demands: [
        { left: 0, right: 1, u: 0, most: 0 },
        { left: 0, right: 1, u: 'slope', most: 0 },
      ],
    },
    solve,
  )
  expect(found.touched).toBe(2)
  expect(found.moves.get('1.0')! / unit).toBeCloseTo(-7, 5)
  expect(found.moves.get('1.1')! / unit).toBeCloseTo(-17, 5)
})

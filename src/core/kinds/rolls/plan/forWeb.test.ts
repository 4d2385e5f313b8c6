import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { loadSolver } from '../../../../planner/highs'
import { tries } from '../../../../testing/anything'
import type { SolveProgram } from '../../../least/program'
import type { RollOrientation } from '../solve/plans'
import type { Roll, Section } from '../solve/section'
import { spanBetween } from '../solve/web'
import { forWeb } from './forWeb'

let solve: SolveProgram
beforeAll(async () => {
  solve = await loadSolver()
})

const rollAt = (i: number, more: Partial<Roll> = {}): Roll => ({
  id: `r${i + 1}`,
  x: 600 * i,
  z: i % 2 ? 300 : 0,
  radius: 80,
  side: i % 2 ? 'under' : 'over',
  width: 1600,
  housings: [-900, 900],
  movable: true,
  incline: 0,
  limit: 0.0001,
  ...more,
})
const sectionOf = (rolls: readonly Roll[]): Section => ({ rolls, path: rolls.map(({ id }) => id) })

const bends = ({ rolls }: Section, lies: readonly RollOrientation[]): number[] =>
  rolls.slice(1).map((to, i) => {
    const way = spanBetween(rolls[i]!, to)!
    const [a, b] = [lies[i]!, lies[i + 1]!]
    return way.x * (b.square - a.square) + way.z * (b.level - a.level)
  })

/** The fewest rolls whose free turning brings all spans in: every subset tried, each by the same linear program with the others held. */
function fewestByForce(section: Section, lies: readonly RollOrientation[]): number {
  const n = section.rolls.length
  let best = Number.POSITIVE_INFINITY
  for (let mask = 0; mask < 2 ** n; mask++) {
    const count = [...mask.toString(2)].filter((bit) => bit === '1').length
    if (count >= best) continue
    const rolls = section.rolls.map((roll, i) => ({ ...roll, movable: Math.floor(mask / 2 ** i) % 2 === 1 }))
    const plan = forWeb({ ...section, rolls }, lies, solve)
    if (plan && plan.beyond.length === 0) best = count
  }
  return best
}

const small = fc.integer({ min: -40, max: 40 }).map((n) => n * 1e-5)
const someLies = (n: number) => fc.array(fc.record({ square: small, level: small }), { minLength: n, maxLength: n })

describe('for the web', () => {
  it('the moves, made at the near housings, leave every span within half its limit, and no fewer would do', () => {
    fc.assert(
      fc.property(someLies(5), fc.integer({ min: -40, max: 40 }), (lies, incline) => {
        const section = sectionOf(Array.from({ length: 5 }, (_, i) => rollAt(i, { incline })))
        const plan = forWeb(section, lies, solve)
        expect(plan).not.toBeNull()
        if (!plan) return
        // as the housings turn the rolls: Δx and Δz over the distance to the far one
        const after = lies.map((lie, i) => {
          const move = plan.moved.find(({ id }) => id === section.rolls[i]!.id)
          if (!move) return lie
          const at = (incline * Math.PI) / 180
          const x = move.slide * Math.cos(at) - move.shim * Math.sin(at)
          const z = move.slide * Math.sin(at) + move.shim * Math.cos(at)
          return { square: lie.square - x / 1800, level: lie.level - z / 1800 }
        })
        for (const bend of bends(section, after)) expect(Math.abs(bend)).toBeLessThanOrEqual(0.00005 + 1e-9)
        expect(plan.moved).toHaveLength(fewestByForce(section, lies))
      }),
      tries(12),
    )
  })
  it('a roll that can’t be moved stays; a span between two of them is named and left out', () => {
    const rolls = [rollAt(0, { movable: false }), rollAt(1, { movable: false }), rollAt(2), rollAt(3)]
    const lies = [
      { square: 0, level: 0 },
      { square: 0.0005, level: 0 },
      { square: 0, level: 0 },
      { square: 0, level: 0 },
    ]
    const plan = forWeb(sectionOf(rolls), lies, solve)
    expect(plan?.beyond).toEqual([0])
    // turned and raised, it can meet both of its spans: they do not run the same way
    expect(plan?.moved.map(({ id }) => id)).toEqual(['r3'])
    expect(Math.max(...(plan?.shares.slice(1) ?? [9]))).toBeLessThanOrEqual(0.5 + 1e-6)
  })
  it('what the housings can do is kept to: no plan is said, not a plan that breaks a limit', () => {
    const lies = [
      { square: 0, level: 0 },
      { square: 0.001, level: 0 },
      { square: 0, level: 0 },
    ]
    const bound = { slide: [-0.2, 0.2] as [number, number], shim: [0, 0] as [number, number] }
    const rolls = [0, 1, 2].map((i) => rollAt(i, { reach: bound }))
    expect(forWeb(sectionOf(rolls), lies, solve)).toBeNull()
    const free = forWeb(
      sectionOf([0, 1, 2].map((i) => rollAt(i, { reach: { slide: [-5, 5], shim: [0, 0] } }))),
      lies,
      solve,
    )
    expect(free?.moved).toHaveLength(1)
    expect(free?.moved[0]).toMatchObject({ id: 'r2', shim: 0 })
  })
})

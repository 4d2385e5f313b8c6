import fc from 'fast-check'
import { expect, it } from 'vitest'
import { type PlaneProblem, unit } from '../../../least/problem'
import { lineAt } from '../../../quantity/axis'
import { dragLine } from './drag'

const problem = (present: readonly number[], room: readonly number[]): PlaneProblem => ({
  plane: 'vertical',
  halfSpan: 1000,
  middle: 500,
  machines: [],
  demands: [],
  stations: [-1, -0.4, 0.3, 1].map((u, i) => ({
    feet: [`f${i}`],
    machine: i < 2 ? 0 : 1,
    u,
    present: present[i]! / unit,
    low: { at: -room[i]! / unit, foot: `f${i}`, way: 'down' },
    high: { at: room[i]! / unit, foot: `f${i}`, way: 'up' },
  })),
})
const four = (min: number, max: number) =>
  fc.array(fc.double({ min, max, noNaN: true }), { minLength: 4, maxLength: 4 })

it('a dragged line turns about its other end, goes where it is dragged, and stops where a foot is at its limit', () => {
  fc.assert(
    fc.property(
      four(-0.3, 0.3),
      four(0.31, 1),
      fc.double({ min: -4, max: 4, noNaN: true }),
      fc.constantFrom([-500, 1500], [1500, -500], [800, -500]),
      (present, room, value, [at, pivot]) => {
        const of = problem(present, room)
        const line = { offset: 0, slope: 0 }
        const dragged = dragLine(of, line, { at: at!, pivot: pivot!, value })
        expect(lineAt(dragged.line, pivot!)).toBeCloseTo(0, 9)
        for (const { u, present: now, low, high } of of.stations) {
          const move = lineAt(dragged.line, 500 + 1000 * u) / unit - now
          expect(move).toBeGreaterThanOrEqual(low.at - 1e-6)
          expect(move).toBeLessThanOrEqual(high.at + 1e-6)
        }
        const reached = lineAt(dragged.line, at!)
        if (dragged.stoppedBy) expect(Math.abs(reached)).toBeLessThan(Math.abs(value))
        else expect(reached).toBeCloseTo(value, 9)
      },
    ),
  )
})

it('a foot that is beyond its limit already holds nothing back', () => {
  const of = problem([2, 0, 0, 0], [0.5, 5, 5, 5])
  const { line, stoppedBy } = dragLine(of, { offset: 0, slope: 0 }, { at: -500, pivot: 1500, value: 1 })
  expect(lineAt(line, -500)).toBeCloseTo(1, 9)
  expect(stoppedBy).toBeUndefined()
})

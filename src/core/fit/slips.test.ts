import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contradicts } from './chiSquare'
import { leastSquares } from './leastSquares'
import { leftoverOf } from './leftover'
import type { Row } from './row'
import { writtenSuspects } from './slips'

type Unknown = 'a' | 'b'
const unknowns: readonly Unknown[] = ['a', 'b']

/** A line read at places along it, by two instruments with a zero of their own each. */
const rowsOf = (values: readonly number[]): Row<Unknown>[] =>
  values.map((observed, i) => ({
    observed,
    sd: 0.01 + 0.002 * (i % 3),
    coefficients: [i - 3, (i - 3) ** 2],
    constants: [{ key: i % 2 ? 'odd' : 'even', coefficient: 1 }],
  }))
const fitOf = (values: readonly number[]) => {
  const rows = rowsOf(values)
  return leftoverOf(unknowns, rows, leastSquares(unknowns, rows, unknowns)!)
}
const clean = Array.from({ length: 8 }, (_, i) => 0.3 * (i - 3) - 0.02 * (i - 3) ** 2 + (i % 2 ? 0.5 : -0.1))
const written = (values: readonly number[]) =>
  rowsOf(values).map(({ sd, observed }, row) => ({ at: row, value: observed, row, by: 1 / sd, list: 'all', turn: 1 }))

describe('what a fit would leave', () => {
  it('is what it leaves when it is made again with the numbers changed', () => {
    fc.assert(
      fc.property(fc.nat(7), fc.nat(7), fc.double({ min: -2, max: 2, noNaN: true }), (i, j, change) => {
        const left = fitOf(clean)
        const sds = rowsOf(clean).map(({ sd }) => sd)
        const changed = clean.map((value, k) => value + (k === i ? change : 0) - (k === j ? change : 0))
        const [d, e] = [change / sds[i]!, -change / sds[j]!]
        const told =
          left.squares +
          2 * (d * left.of(i) + e * left.of(j)) +
          d * d * left.shared(i, i) +
          e * e * left.shared(j, j) +
          2 * d * e * left.shared(i, j)
        const again = i === j ? left.squares : fitOf(changed).squares
        expect(i === j ? left.squares : told).toBeCloseTo(again, 4)
      }),
    )
  })
})

describe('a slip of the hand', () => {
  it.each([
    ['sign', (value: number) => -value],
    ['turn', (value: number) => value - 1],
    ['decimal', (value: number) => value / 10],
    ['unit', (value: number) => value * 25.4],
  ] as const)('%s is named where it was made', (fault, wrong) => {
    const values = clean.map((value, i) => (i === 6 ? wrong(value) : value))
    const left = fitOf(values)
    expect(contradicts(left)).toBe(true)
    const [first] = writtenSuspects(written(values), left)
    expect(first).toMatchObject({ at: 6, fault })
    expect(first!.would).toBeCloseTo(clean[6]!, 9)
  })
  it('swap names both', () => {
    const values = clean.map((value, i) => (i === 4 ? clean[5]! : i === 5 ? clean[4]! : value))
    expect(writtenSuspects(written(values), fitOf(values))[0]).toMatchObject({ at: 4, other: 5, fault: 'swap' })
  })
  it('is looked for only where the numbers contradict each other', () => {
    expect(writtenSuspects(written(clean), fitOf(clean))).toEqual([])
  })
})

describe('a round of readings taken the other way round', () => {
  it('is named as one slip, and its numbers change places', () => {
    // eight places of a circle, read twice: the second time counted the other way
    const place = (i: number) => (Math.PI * (i % 8)) / 4
    const true_ = Array.from({ length: 16 }, (_, i) => 0.4 * Math.sin(place(i)) + 0.1 * Math.cos(place(i)))
    const mirrored = true_.map((value, i) => (i < 8 ? value : true_[8 + ((16 - i) % 8)]!))
    const rows = (values: readonly number[]): Row<Unknown>[] =>
      values.map((observed, i) => ({
        observed,
        sd: 0.01,
        coefficients: [Math.sin(place(i)), Math.cos(place(i))],
        constants: [{ key: i < 8 ? 'first' : 'second', coefficient: 1 }],
      }))
    const left = leftoverOf(unknowns, rows(mirrored), leastSquares(unknowns, rows(mirrored), unknowns)!)
    const on = mirrored.map((value, row) => ({ at: row, value, row, by: 100, list: row < 8 ? 'first' : 'second' }))
    const told = writtenSuspects(on, left)
    expect(told.length).toBeGreaterThan(0)
    for (const one of told) expect(one.fault).toBe('other-way')
    expect(told.map(({ at, other }) => [at, other])).toContainEqual([9, 15])
    expect(told[0]!.exchanged).toHaveLength(3)
    expect(told[0]!.chi2).toBeCloseTo(0, 6)
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { choosePack } from './packs'

/** All packs there are, without any cleverness. */
function everyPack(stock: readonly number[], most: number): number[][] {
  if (most === 0) return [[]]
  const smaller = everyPack(stock, most - 1)
  return [...smaller, ...smaller.flatMap((pack) => stock.map((size) => [...pack, size]))]
}
const total = (pack: readonly number[]) => pack.reduce((sum, size) => sum + size, 0)

it('ends in bounded time, whatever the stock: sixty thicknesses, eight at a time, none of them right', () => {
  const stock = Array.from({ length: 60 }, (_, i) => 0.0501 + i * 0.0137 + (i % 7) * 0.00031)
  const begun = performance.now()
  const { shims, residual } = choosePack(stock, 3.2718, { most: 8, count: () => 3 })
  // two orders of magnitude from what it takes
  expect(performance.now() - begun).toBeLessThan(20_000)
  expect(Math.abs(residual)).toBeLessThan(0.01)
  expect(shims.reduce((sum, size) => sum + size, 0) - 3.2718).toBeCloseTo(residual, 9)
})

describe('a pack of shims', () => {
  const sizes = fc.uniqueArray(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 5 })
  it('is the nearest there is, of the fewest pieces, as trying every pack shows', () => {
    fc.assert(
      fc.property(
        sizes,
        fc.integer({ min: -20, max: 200 }),
        fc.integer({ min: 1, max: 4 }),
        (hundredths, wantedHundredths, most) => {
          const stock = hundredths.map((size) => size / 100)
          const wanted = wantedHundredths / 100
          const found = choosePack(stock, wanted, { most })
          const all = everyPack(stock, most)
          const nearest = Math.min(...all.map((pack) => Math.abs(total(pack) - wanted)))
          expect(Math.abs(found.residual)).toBeCloseTo(nearest, 9)
          expect(total(found.shims) - wanted).toBeCloseTo(found.residual, 9)
          const fewest = Math.min(
            ...all.filter((pack) => Math.abs(total(pack) - wanted) < nearest + 1e-9).map((pack) => pack.length),
          )
          expect(found.shims).toHaveLength(fewest)
        },
      ),
      { numRuns: 300 },
    )
  })
  it('uses what is under the foot where it is as near with as few', () => {
    const stock = [0.1, 0.2, 0.3, 0.4]
    expect(choosePack(stock, 0.5, { most: 2, present: [0.3, 0.2] }).shims).toEqual([0.3, 0.2])
    expect(choosePack(stock, 0.5, { most: 2, present: [0.4, 0.1] }).shims).toEqual([0.4, 0.1])
    // one shim that is there is not two
    expect(choosePack([0.2, 0.3, 0.4], 0.6, { most: 2, present: [0.3, 0.2] }).shims).toEqual([0.4, 0.2])
  })
  it('takes no more of a thickness than there is, and keeps to what the limits allow', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.record({ size: fc.integer({ min: 1, max: 40 }), count: fc.integer({ min: 0, max: 3 }) }), {
          minLength: 1,
          maxLength: 4,
          selector: ({ size }) => size,
        }),
        fc.integer({ min: 0, max: 120 }),
        fc.integer({ min: 1, max: 4 }),
        fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 40 })),
        (counted, wanted, most, [under, over]) => {
          const of = new Map(counted.map(({ size, count }) => [size, count]))
          const range = [wanted - under, wanted + over] as const
          const all = everyPack([...of.keys()], most).filter((pack) =>
            [...of].every(([size, count]) => pack.filter((one) => one === size).length <= count),
          )
          const inside = all.filter((pack) => total(pack) >= range[0] && total(pack) <= range[1])
          const found = choosePack([...of.keys()], wanted, { most, count: (size) => of.get(size) ?? 0, range })
          const nearest = Math.min(...(inside.length ? inside : all).map((pack) => Math.abs(total(pack) - wanted)))
          expect(Math.abs(found.residual)).toBe(nearest)
          for (const [size, count] of of)
            expect(found.shims.filter((one) => one === size).length).toBeLessThanOrEqual(count)
        },
      ),
      { numRuns: 400 },
    )
  })
  it('has its thin ones between the thick', () => {
    expect(choosePack([2, 1, 0.05, 0.1], 3.15).shims).toEqual([2, 0.1, 0.05, 1])
  })
  it('is none where nothing is wanted or less', () => {
    expect(choosePack([0.1], 0)).toEqual({ shims: [], residual: 0 })
    expect(choosePack([0.1], -0.3)).toEqual({ shims: [], residual: 0.3 })
    expect(choosePack([], 0.3)).toEqual({ shims: [], residual: -0.3 })
  })
  it('takes a stock of twenty and eight pieces without labor', () => {
    const stock = Array.from({ length: 20 }, (_, i) => 0.05 + 0.0317 * i)
    expect(Math.abs(choosePack(stock, 3.7, { most: 8 }).residual)).toBeLessThan(0.004)
  })
})

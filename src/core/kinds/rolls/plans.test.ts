import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../../testing/anything'
import { type RollOrientation, waysPast } from './solve/plans'
import type { Section } from './solve/section'

const section = (n: number, limit = 1e-4, fixed: readonly number[] = []): Section => ({
  rolls: Array.from({ length: n }, (_, k) => ({
    id: `r${k + 1}`,
    x: 700 * k,
    z: 0,
    radius: 100,
    side: 'over' as const,
    width: 1600,
    housings: [-900, 900] as const,
    movable: !fixed.includes(k),
    incline: 0,
    limit,
  })),
  path: Array.from({ length: n }, (_, k) => `r${k + 1}`),
})
const straight = (n: number): RollOrientation[] => Array.from({ length: n }, () => ({ square: 0, level: 0 }))
const out = (n: number, at: number, square: number): RollOrientation[] =>
  straight(n).map((lie, k) => (k === at ? { square, level: 0 } : lie))

describe('past a roll that can’t be moved', () => {
  it('left as it is its two spans bear all; split, four bear half; parallel, no span more than its limit', () => {
    const [leave, split, parallel] = waysPast(section(9), out(9, 4, 0.00025), 4)
    expect(leave?.spans.map(({ share }) => share.toFixed(2))).toEqual([
      '0.00',
      '0.00',
      '0.00',
      '2.50',
      '2.50',
      '0.00',
      '0.00',
      '0.00',
    ])
    expect(split?.spans.map(({ share }) => share.toFixed(2))).toEqual([
      '0.00',
      '0.00',
      '1.25',
      '1.25',
      '1.25',
      '1.25',
      '0.00',
      '0.00',
    ])
    expect(parallel?.spans.map(({ share }) => share.toFixed(2))).toEqual([
      '0.50',
      '1.00',
      '1.00',
      '0.00',
      '0.00',
      '1.00',
      '1.00',
      '0.50',
    ])
    expect([leave, split, parallel].map((way) => way?.moved.length)).toEqual([0, 2, 6])
    expect(parallel?.worst).toBeCloseTo(1, 9)
  })
  it('others that lie out go to the numbers, another that can’t be moved stays', () => {
    const lies = out(6, 2, 0.0003).map((lie, k) => (k === 0 || k === 5 ? { square: 0.0002, level: 0 } : lie))
    const [leave] = waysPast(section(6, 1e-4, [2, 5]), lies, 2)
    expect(leave?.moved).toEqual(['r1'])
    expect(leave?.lies[5]).toEqual({ square: 0.0002, level: 0 })
    expect(leave?.spans[4]?.share).toBeCloseTo(2, 9)
  })
  it('made parallel never bends a span more than its limit where there are rolls enough, and never more than left alone', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 12 }),
        fc.integer({ min: 3, max: 30 }),
        fc.double({ min: -0.001, max: 0.001, noNaN: true }),
        (side, share, square) => {
          const n = 2 * side + 1
          const limit = 0.001 / share
          const ways = waysPast(section(n, limit), out(n, side, square), side)
          const [leave, split, parallel] = ways
          const room = (side - 1) * limit
          if (Math.abs(square) <= room) expect(parallel?.worst).toBeLessThan(1 + 1e-9)
          expect(split!.worst).toBeLessThan(leave!.worst / 2 + 1e-9)
          for (const { lies } of ways) expect(lies[side]).toEqual({ square, level: 0 })
        },
      ),
      tries(100),
    )
  })
})

import { describe, expect, it } from 'vitest'
import { crownWithin, offTheCrown } from '../kinds/train/plan/order'
import { resolutionOf } from '../shafts/typed'
import { minutesFor } from './effort'

describe('minutes to expect', () => {
  const station = (machine: string, vertical: boolean, horizontal: boolean) => ({ machine, vertical, horizontal })
  it('are those of each machine loosened, each station lifted, each machine pushed', () => {
    expect(minutesFor([])).toBe(0)
    expect(minutesFor([station('m2', false, false)])).toBe(0)
    expect(minutesFor([station('m2', true, false), station('m2', true, false)])).toBe(12 + 2 * 8)
    expect(minutesFor([station('m2', false, true), station('m2', false, true)])).toBe(12 + 10)
    expect(minutesFor([station('m2', true, true), station('m3', true, false), station('m3', false, true)])).toBe(
      2 * 12 + 2 * 8 + 2 * 10,
    )
  })
})

describe('a rim dial off the crown of its hub', () => {
  it('reads low by the height of the arc, and by the whole radius where it misses the hub', () => {
    expect(offTheCrown(4, 80)).toBeCloseTo(80 - Math.sqrt(80 * 80 - 16), 12)
    expect(offTheCrown(-4, 80)).toBe(offTheCrown(4, 80))
    expect([offTheCrown(80, 80), offTheCrown(-120, 80)]).toEqual([80, 80])
    // as near as is enough it reads low by just what was allowed
    for (const low of [0.01, 0.002, 0.0127]) expect(offTheCrown(crownWithin(low, 80), 80)).toBeCloseTo(low, 9)
  })
})

it('shows moves to a hundredth where nothing was read', () => {
  expect(resolutionOf({ sets: [] })).toBe(0.01)
})

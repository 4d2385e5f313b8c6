import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import {
  beginHalving,
  type Halving,
  type HalvingAct,
  halved,
  hubDialShows,
  hubDials,
  judgeHalving,
  makeHalved,
} from './halving'
import { jacks, type SlideEnd, slideEnds } from './slide'

const seeds = fc.integer({ min: 1, max: 9999 })
const play = (now: Halving, acts: readonly HalvingAct[]): Halving => acts.reduce(halved, now)
const slips = (now: Halving) => judgeHalving(halved(now, { do: 'check' })).slips
const shows = (now: Halving) => hubDials.map((dial) => hubDialShows(makeHalved(now.seed), now.hands, dial))

/** Zeroed at the near side, the shafts turned by half, and every dial set to half of what it shows there: or left as it is. */
const set = (seed: number, half = true): Halving =>
  play(beginHalving(seed), [
    { do: 'lock' },
    { do: 'shafts', to: 'near' },
    ...hubDials.map((dial): HalvingAct => ({ do: 'zero', dial })),
    { do: 'shafts', to: 'far' },
    ...(half ? hubDials.map((dial): HalvingAct => ({ do: 'half', dial })) : []),
    ...slideEnds.map((end): HalvingAct => ({ do: 'loosen', end })),
  ])

/** How far an end still has to go by both dials: a straight line through what they show, drawn on to the feet. */
function toGo(now: Halving, end: SlideEnd): number {
  const { dial, feet } = makeHalved(now.seed)
  const [moved = 0, fixed = 0] = shows(now)
  // the dial on the hub that stays sees the other shaft go the other way
  const [a, b] = [moved, -fixed]
  const slope = (a - b) / (dial.moved - dial.fixed)
  return -(a + slope * (feet[end] - dial.moved))
}

function push(begun: Halving, end: SlideEnd): Halving {
  const [side, across] = toGo(begun, end) > 0 ? (['near', 'far'] as const) : (['far', 'near'] as const)
  const sign = side === 'near' ? 1 : -1
  let now = play(begun, [
    { do: 'touch', jack: `${end}-${across}` },
    { do: 'turn', jack: `${end}-${across}`, by: -1 },
    { do: 'turn', jack: `${end}-${across}`, by: -1 },
    { do: 'touch', jack: `${end}-${side}` },
  ])
  for (let turn = 0; turn < 300 && sign * toGo(now, end) > 0.01; turn++)
    now = halved(now, { do: 'turn', jack: `${end}-${side}`, by: sign * toGo(now, end) > 0.13 ? 0.1 : 0.02 })
  return now
}

const stops = jacks.map((jack): HalvingAct => ({ do: 'touch', jack }))
const bolted = slideEnds.map((end): HalvingAct => ({ do: 'tighten', end }))
const backOff = jacks.map((jack): HalvingAct => ({ do: 'turn', jack, by: -1 }))

function there(begun: Halving): Halving {
  let now = begun
  for (let time = 0; time < 7; time++) for (const end of slideEnds) now = push(now, end)
  return play(now, [...stops, ...bolted, ...backOff])
}

describe('halving', () => {
  it('a dial set to half over half a turn shows how far the shafts are apart at its side', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { slide, feet, dial } = makeHalved(seed)
        const slope = -(slide.wanted.back - slide.wanted.front) / (feet.back - feet.front)
        const apart = (x: number) => -slide.wanted.front + slope * (x - feet.front)
        const [moved = 0, fixed = 0] = shows(set(seed))
        expect(moved).toBeCloseTo(apart(dial.moved), 3)
        expect(fixed).toBeCloseTo(-apart(dial.fixed), 3)
      }),
      tries(60),
    )
  })

  it('pushed from end to end until both show nothing it is in line, on every machine', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const now = there(set(seed))
        expect({ seed, slips: slips(now) }).toEqual({ seed, slips: [] })
        expect(judgeHalving(now).passed).toBe(true)
      }),
      tries(40),
    )
  })

  it('pushed to nothing without halving it is as far over as it was short, and that is named', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        expect(slips(there(set(seed, false)))).toContain('not-halved')
      }),
      tries(20),
    )
  })

  it('left loose, creeping without stops, jack bolts left on: named as ever; touched before the lock it is lost', () => {
    const now = there(set(77))
    expect(slips(play(now, [{ do: 'loosen', end: 'front' }]))).toContain('still-loose')
    expect(slips(play(now, [{ do: 'touch', jack: 'front-far' }]))).toEqual(['jacks-left'])
    const rash = halved(beginHalving(77), { do: 'shafts', to: 'near' })
    expect(rash.unsafe).toBe(true)
    expect(now.seed).toBe(77)
    expect(now.lesson).toBe('halving')
  })
})

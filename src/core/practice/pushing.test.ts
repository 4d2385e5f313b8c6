import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import { beginPushing, judgePushing, missTolerance, type Pushing, type PushingAct, pushed } from './pushing'
import {
  bears,
  emptySlideHands,
  jacked,
  jacks,
  makeSlide,
  type SlideEnd,
  slideEnds,
  slideShows,
  tightened,
} from './slide'

const seeds = fc.integer({ min: 1, max: 9999 })
const play = (now: Pushing, acts: readonly PushingAct[]): Pushing => acts.reduce(pushed, now)

/** Locked, a dial on the far side at each end, all bolts loose. */
const ready = (seed: number): Pushing =>
  play(beginPushing(seed), [
    { do: 'lock' },
    ...slideEnds.map((end): PushingAct => ({ do: 'dial', end, side: 'far' })),
    ...slideEnds.map((end): PushingAct => ({ do: 'loosen', end })),
  ])

/** One end pushed until its dial shows what is wanted there; the jack bolt across is backed off first. Only what a person can see. */
function push(begun: Pushing, end: SlideEnd, wanted: number): Pushing {
  const left = (now: Pushing) => wanted - (slideShows(now.hands, end) ?? 0)
  const [side, across] = left(begun) > 0 ? (['near', 'far'] as const) : (['far', 'near'] as const)
  const sign = side === 'near' ? 1 : -1
  let now = play(begun, [
    { do: 'touch', jack: `${end}-${across}` },
    // out of the way of any push
    { do: 'turn', jack: `${end}-${across}`, by: -1 },
    { do: 'turn', jack: `${end}-${across}`, by: -1 },
    { do: 'touch', jack: `${end}-${side}` },
  ])
  for (let turn = 0; turn < 200 && sign * left(now) > 0.01; turn++)
    now = pushed(now, { do: 'turn', jack: `${end}-${side}`, by: sign * left(now) > 0.13 ? 0.1 : 0.02 })
  return now
}

const stops = jacks.map((jack): PushingAct => ({ do: 'touch', jack }))
const backOff = jacks.map((jack): PushingAct => ({ do: 'turn', jack, by: -1 }))
const bolted = slideEnds.map((end): PushingAct => ({ do: 'tighten', end }))
const check: PushingAct = { do: 'check' }

/** From end to end, each time less left. */
function there(seed: number, times = 7, order: readonly SlideEnd[] = slideEnds): Pushing {
  const { wanted } = makeSlide(seed)
  let now = ready(seed)
  for (let time = 0; time < times; time++) for (const end of order) now = push(now, end, wanted[end])
  return now
}

const slips = (now: Pushing) => judgePushing(pushed(now, check)).slips

describe('a machine pushed sideways', () => {
  it('is the same machine for the same number', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        expect(makeSlide(seed)).toEqual(makeSlide(seed))
      }),
      tries(40),
    )
  })

  it('goes where a loose end is pushed, less what the jack bolt winds up, and the other end swings back', () => {
    fc.assert(
      fc.property(seeds, fc.double({ min: 0.1, max: 0.9, noNaN: true }), (seed, by) => {
        const slide = makeSlide(seed)
        const loose = { ...emptySlideHands, loose: [...slideEnds] }
        const hands = jacked(slide, { ...loose, tips: { ...loose.tips, 'front-near': 0 } }, 'front-near', by)
        expect(hands.at.front).toBeCloseTo(by - slide.stick, 10)
        expect(hands.at.back).toBeCloseTo(-slide.swing * (by - slide.stick), 10)
        expect(hands.forced).toBe(0)
      }),
      tries(60),
    )
  })

  it('stays where it is bolted, whatever is turned against it, and that is forced', () => {
    fc.assert(
      fc.property(seeds, fc.constantFrom(...jacks), (seed, jack) => {
        const hands = jacked(makeSlide(seed), emptySlideHands, jack, 1.5)
        expect(hands.at).toEqual({ front: 0, back: 0 })
        expect(hands.forced).toBe(1)
      }),
      tries(40),
    )
  })

  it('never goes past the jack bolt across', () => {
    fc.assert(
      fc.property(seeds, fc.double({ min: 0.1, max: 0.5, noNaN: true }), (seed, stop) => {
        const loose = { ...emptySlideHands, loose: [...slideEnds] }
        const hands = jacked(
          makeSlide(seed),
          { ...loose, tips: { ...loose.tips, 'back-near': 0, 'back-far': stop } },
          'back-near',
          0.9,
        )
        expect(hands.at.back).toBeCloseTo(stop, 10)
        expect(hands.forced).toBe(1)
      }),
      tries(40),
    )
  })

  it('creeps as it is tightened, and no more than a stop gives between two that bear', () => {
    fc.assert(
      fc.property(seeds, fc.constantFrom(...slideEnds), (seed, end) => {
        const slide = makeSlide(seed)
        const loose = { ...emptySlideHands, loose: [...slideEnds] }
        expect(tightened(slide, loose, end).at[end]).toBeCloseTo(slide.creep[end], 10)
        const held = { ...loose, tips: { 'front-near': 0, 'front-far': 0, 'back-near': 0, 'back-far': 0 } }
        expect(Math.abs(tightened(slide, held, end).at[end])).toBeLessThanOrEqual(0.0100001)
      }),
      tries(40),
    )
  })

  it('is read with the sign of the side its dial stands on', () => {
    const hands = { ...emptySlideHands, at: { front: 0.3, back: -0.2 } }
    const dials = { front: { side: 'near', zero: 0.1 }, back: { side: 'far', zero: 0 } } as const
    expect(slideShows({ ...hands, dials }, 'front')).toBeCloseTo(-0.2, 10)
    expect(slideShows({ ...hands, dials }, 'back')).toBeCloseTo(-0.2, 10)
    expect(slideShows(hands, 'back')).toBeUndefined()
  })
})

describe('the lesson of the side moves', () => {
  it('is passed on every machine by going from end to end, stops before the bolts, and backing off after', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const done = play(there(seed), [...stops, ...bolted, ...backOff, check])
        const judged = judgePushing(done)
        expect(judged.slips).toEqual([])
        expect(judged.passed).toBe(true)
        for (const end of slideEnds) expect(Math.abs(judged.off[end])).toBeLessThanOrEqual(missTolerance)
        expect(jacks.some((jack) => bears(done.hands, jack))).toBe(false)
      }),
      tries(60),
    )
  })

  it('is lost by whoever touches the machine before it is locked out', () => {
    const [, ...rest] = [{ do: 'lock' } as const, ...bolted]
    const unlocked = play(beginPushing(7), [{ do: 'loosen', end: 'front' }, ...rest])
    expect(judgePushing(unlocked).passed).toBe(false)
    expect(unlocked.unsafe).toBe(true)
  })

  it('names the creep of bolts that were tightened without stops', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const done = play(there(seed), [...stops, ...backOff, ...bolted])
        expect(slips(done)).toContain('crept')
      }),
      tries(40),
    )
  })

  it('names the sign of a dial that was read from the wrong side', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { wanted } = makeSlide(seed)
        let now = ready(seed)
        for (let time = 0; time < 7; time++) for (const end of slideEnds) now = push(now, end, -wanted[end])
        expect(slips(play(now, [...stops, ...bolted, ...backOff]))).toEqual(['wrong-way'])
      }),
      tries(30),
    )
  })

  it('names the end that swung back where each was pushed once alone', () => {
    fc.assert(
      fc.property(seeds, fc.constantFrom(slideEnds, ['back', 'front'] as const), (seed, order) => {
        const done = play(there(seed, 1, order), [...stops, ...bolted, ...backOff])
        const { off } = judgePushing(done)
        fc.pre(Math.abs(off[order[0]]) > missTolerance)
        expect(slips(done)).toContain('swung')
      }),
      tries(40),
    )
  })

  it('names what was left loose, bearing or forced, and an end without a dial', () => {
    const done = there(41)
    expect(slips(play(done, [...stops, ...bolted]))).toEqual(['jacks-left'])
    expect(slips(play(done, [...stops, ...backOff]))).toEqual(['still-loose'])
    const forced = play(done, [...stops, ...bolted, { do: 'turn', jack: 'back-far', by: 0.5 }, ...backOff])
    expect(slips(forced)).toEqual(['forced'])
    expect(slips(beginPushing(41))).toEqual(['no-dial', 'not-there'])
  })

  it('costs minutes for what is done, and none for what is looked at', () => {
    const begun = play(ready(3), [{ do: 'hint' }, check])
    expect(begun.minutes).toBe(4 + 2 * 3 + 2 * 3)
    expect(push(begun, 'front', makeSlide(3).wanted.front).turns).toBeGreaterThan(3)
  })
})

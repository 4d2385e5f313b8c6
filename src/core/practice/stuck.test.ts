import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import {
  beginEasing,
  type Easing,
  type EasingAct,
  easingLessonReducer,
  housingRoom,
  judgeEasing,
  makeSection,
  type RollNumber,
  rollNow,
  rollNumbers,
  spansOf,
  spanTolerance,
} from './stuck'

const seeds = fc.integer({ min: 1, max: 9999 })
const play = (now: Easing, acts: readonly EasingAct[]): Easing => acts.reduce(easingLessonReducer, now)
const slips = (now: Easing) => judgeEasing(easingLessonReducer(now, { do: 'check' })).slips
const by = (roll: RollNumber, mm: number): EasingAct[] =>
  Math.abs(mm) < 0.005
    ? []
    : [
        { do: 'loosen', roll },
        { do: 'type', text: mm.toFixed(2) },
        { do: 'move', roll },
        { do: 'tighten', roll },
      ]

/** Rolls brought to where a rule wants them; of those not named, none is touched. */
const to = (seed: number, where: Partial<Record<RollNumber, number>>): Easing => {
  const section = makeSection(seed)
  const begun = play(beginEasing(seed), [{ do: 'lock' }])
  return play(
    begun,
    rollNumbers.flatMap((roll) => by(roll, (where[roll] ?? section.off[roll]) - section.off[roll])),
  )
}
/** What the stuck roll is out by shared over three spans either way. */
const fanned = (seed: number) => {
  const stuck = makeSection(seed).off[4]
  return { 2: stuck / 3, 3: (2 * stuck) / 3, 5: (2 * stuck) / 3, 6: stuck / 3 }
}

describe('a section with a roll that won’t go', () => {
  it('is the same for the same number; its spans add up to what the ends differ by', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const section = makeSection(seed)
        expect(makeSection(seed)).toEqual(section)
        const spans = spansOf(section, beginEasing(seed).hands)
        expect(spans.reduce((sum, { mm }) => sum + mm, 0)).toBeCloseTo(section.off[7] - section.off[1], 9)
        expect(judgeEasing(beginEasing(seed)).passed).toBe(false)
      }),
      tries(60),
    )
  })

  it('shared out over the rolls either side every span is within, on every machine', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const now = to(seed, fanned(seed))
        expect({ seed, slips: slips(now) }).toEqual({ seed, slips: [] })
        expect(judgeEasing(now).passed).toBe(true)
        for (const { mm } of judgeEasing(now).spans) expect(Math.abs(mm)).toBeLessThanOrEqual(spanTolerance + 1e-9)
      }),
      tries(200),
    )
  })

  it('fanned to the wrong side is that, also where both neighbors already stood there', () => {
    const { off } = makeSection(3902)
    expect([off[3], off[4], off[5]]).toEqual([0.21, -0.31, 0.21])
    const fan = fanned(3902)
    expect(slips(to(3902, { 2: -fan[2], 3: -fan[3], 5: -fan[5], 6: -fan[6] }))).toEqual(['other-way'])
    expect(slips(beginEasing(3902))).toEqual(['spans'])
  })

  it('each slip by its name', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const fan = fanned(seed)
        expect(slips(to(seed, { 2: 0, 3: 0, 5: 0, 6: 0 }))).toEqual(['to-the-numbers'])
        expect(slips(to(seed, { 2: -fan[2], 3: -fan[3], 5: -fan[5], 6: -fan[6] }))).toEqual(['other-way'])
        expect(slips(to(seed, { ...fan, 5: 0, 6: 0 }))).toEqual(['one-side'])
        const { stuck } = makeSection(seed)
        expect(slips(play(to(seed, fan), by(stuck, -0.2)))).toEqual(['forced'])
        expect(slips(play(to(seed, fan), by(7, 0.01)))).toContain('reference-moved')
        expect(slips(play(to(seed, fan), [{ do: 'loosen', roll: 3 }]))).toEqual(['still-loose'])
        expect(
          slips(
            play(to(seed, fan), [
              { do: 'type', text: '0.2' },
              { do: 'move', roll: 3 },
            ]),
          ),
        ).toEqual(['strained'])
      }),
      tries(60),
    )
  })

  it('the seized one never moves, no housing past its room, and what is touched before the lock is lost', () => {
    const { hands } = play(to(9, {}), [...by(4, 0.3), ...by(2, 1.6), ...by(2, 1.6)])
    expect(hands.moved[4]).toBe(0)
    expect(hands.moved[2]).toBe(housingRoom)
    expect(rollNow(makeSection(9), hands, 4)).toBe(makeSection(9).off[4])
    expect(easingLessonReducer(beginEasing(9), { do: 'loosen', roll: 2 }).unsafe).toBe(true)
  })
})

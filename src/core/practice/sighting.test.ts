import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import {
  beginSighting,
  judgeSighting,
  type Sighting,
  type SightingAct,
  sightAllows,
  sightLessonReducer,
} from './sighting'
import { looksAway, makeSight, referenceShows, rollShows, type Sight } from './stand'

const seeds = fc.integer({ min: 1, max: 9999 })
const play = (now: Sighting, acts: readonly SightingAct[]): Sighting => acts.reduce(sightLessonReducer, now)
const slips = (now: Sighting) => judgeSighting(sightLessonReducer(now, { do: 'check' })).slips
const turn = (mm: number): SightingAct[] => [{ do: 'type', what: 'turn', text: mm.toFixed(2) }, { do: 'turn' }]
const level: SightingAct = { do: 'level' }
const zero: SightingAct = { do: 'zero' }

/** By the set point: the far target to what it shows, turned about, by the ratio of the lengths; leveled and zeroed again. */
function ontoTheRoll(seed: number, times = 4, levels = true): Sighting {
  const sight = makeSight(seed)
  let now = play(beginSighting(seed), [{ do: 'lock' }, level, zero])
  for (let time = 0; time < times; time++)
    now = play(now, [
      ...turn((-rollShows(sight, now.hands, 'far') * sight.toNear) / sight.face),
      ...(levels ? [level] : []),
      zero,
    ])
  return now
}

/** At the second stand: turned until both references show the same number. */
function fromReferences(begun: Sighting, facing = true): Sighting {
  const sight = makeSight(begun.seed)
  let now = play(begun, [
    ...(facing && looksAway(sight, begun.hands) ? [{ do: 'face' } as const] : []),
    { do: 'references' },
    { do: 'stand', at: 2 },
    level,
  ])
  for (let time = 0; time < 10; time++) now = play(now, [...turn(referenceShows(sight, now.hands, 'b') ?? 0), level])
  return now
}

/** What the far end shows on the roll beside the stand, against its near end. */
const overFace = (sight: Sight, hands: Sighting['hands']): number =>
  rollShows(sight, hands, 'far') - rollShows(sight, hands, 'near')

/** Roll 2 moved at its near housing by what its far end shows against its near one. */
function moved(now: Sighting, sign = 1): Sighting {
  const sight = makeSight(now.seed)
  return play(now, [
    { do: 'loosen' },
    { do: 'type', what: 'move', text: (sign * overFace(sight, now.hands)).toFixed(2) },
    { do: 'move' },
    { do: 'tighten' },
  ])
}

describe('a plane along a roll', () => {
  it('is the same for the same number', () => {
    expect(makeSight(4)).toEqual(makeSight(4))
    expect(makeSight(4)).not.toEqual(makeSight(5))
  })

  it('the worked case: heading 0.0021, roll 0.0003, 400 to the near target, face 1500: −2.70, set point +0.72, then nothing', () => {
    const base = makeSight(1)
    const sight: Sight = {
      ...base,
      face: 1500,
      toNear: 400,
      heading: [0.0021, 0],
      square: { reference: 0.0003, second: 0 },
    }
    const shows = (turned: number) => {
      const hands = { ...beginSighting(1).hands, level: [true, true] as const, turned: [turned, 0] as const }
      return rollShows(sight, hands, 'far') - rollShows(sight, hands, 'near')
    }
    expect(shows(0)).toBeCloseTo(-2.7, 9)
    // turned about the pivot until the far target, zeroed at the near one before, shows 0.72
    const turned = -(0.72 + 2.7) / (400 + 1500)
    expect(shows(turned)).toBeCloseTo(0, 2)
  })

  it('one reference reversed, both showing 2.5, 3000 apart: 1.67 thousandths wrong', () => {
    const base = makeSight(1)
    const sight: Sight = {
      ...base,
      at: { a: 0, b: 3000 },
      secondAt: 0,
      reversed: true,
      heading: [0, (2 * 2.5) / -3000],
      across: 2.5,
    }
    const hands = {
      ...beginSighting(1).hands,
      stand: 2 as const,
      level: [true, true] as const,
      references: { a: 0, b: 0 },
    }
    expect(referenceShows(sight, hands, 'a')).toBe(2.5)
    expect(referenceShows(sight, hands, 'b')).toBe(2.5)
    expect(Math.abs(sight.heading[1])).toBeCloseTo(0.00167, 5)
  })
})

describe('the lesson of the rolls', () => {
  it('a player who makes no mistake passes on every machine', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const now = moved(fromReferences(ontoTheRoll(seed)))
        expect({ seed, slips: slips(now) }).toEqual({ seed, slips: [] })
        expect(judgeSighting(now).passed).toBe(true)
        expect(Math.abs(judgeSighting(now).left)).toBeLessThan(sightAllows)
      }),
      tries(150),
    )
  })

  it('each slip by its name', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const sight = makeSight(seed)
        expect(slips(moved(fromReferences(ontoTheRoll(seed)), -1))).toEqual(['wrong-way'])
        // the instrument never brought to the roll
        const plain = play(beginSighting(seed), [{ do: 'lock' }, level, zero])
        expect(slips(moved(fromReferences(plain)))).toEqual(['not-on-the-roll'])
        // a reference that looks away, left so
        if (sight.reversed) {
          const away = fromReferences(ontoTheRoll(seed), false)
          const a = referenceShows(sight, away.hands, 'a') ?? 0
          if (Math.abs(a) > 0.5) expect(slips(moved(away))).toEqual(['reversed'])
        }
        // set up at the second stand and read at once
        const asSet = play(ontoTheRoll(seed), [
          ...(sight.reversed ? [{ do: 'face' } as const] : []),
          { do: 'references' },
          { do: 'stand', at: 2 },
          level,
        ])
        const { a, b } = {
          a: referenceShows(sight, asSet.hands, 'a') ?? 0,
          b: referenceShows(sight, asSet.hands, 'b') ?? 0,
        }
        if (Math.abs(a - b) > 1) expect(slips(moved(asSet))).toEqual(['references-differ'])
        expect(slips(moved(play(ontoTheRoll(seed), [{ do: 'stand', at: 2 }, level])))).toContain('no-references')
      }),
      tries(60),
    )
  })

  it('not leveled after it was turned it is out of plumb, and that is told; so are a loose and a bolted housing, and the lock', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const sight = makeSight(seed)
        const never = play(ontoTheRoll(seed, 4, false), [
          ...(sight.reversed ? [{ do: 'face' } as const] : []),
          { do: 'references' },
          { do: 'stand', at: 2 },
        ])
        const judged = judgeSighting(moved(never))
        if (!judged.passed) expect(judged.slips).toContain('out-of-plumb')
        const done = moved(fromReferences(ontoTheRoll(seed)))
        expect(slips(play(done, [{ do: 'loosen' }]))).toEqual(['still-loose'])
        expect(slips(play(done, [{ do: 'type', what: 'move', text: '0.3' }, { do: 'move' }]))).toEqual(['strained'])
        expect(play(beginSighting(seed), [level]).unsafe).toBe(true)
      }),
      tries(40),
    )
  })
})

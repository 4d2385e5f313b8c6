import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import { droopAt, emptyBoreHands, makeBores, movedPockets, type Pocket, wallAt, wallPlaces } from './bores'
import { type Boring, type BoringAct, beginBoring, boreLessonReducer, judgeBoring } from './boring'

const seeds = fc.integer({ min: 1, max: 9999 })
const play = (now: Boring, acts: readonly BoringAct[]): Boring => acts.reduce(boreLessonReducer, now)
const slips = (now: Boring) => judgeBoring(boreLessonReducer(now, { do: 'check' })).slips

/** Where a pocket's middle stands from the wire, as the micrometer tells. */
function fromWire(seed: number, pocket: Pocket) {
  const bores = makeBores(seed)
  const [top, far, bottom, near] = wallPlaces.map((place) => wallAt(bores, emptyBoreHands, pocket, place))
  return { up: ((top ?? 0) - (bottom ?? 0)) / 2, far: ((far ?? 0) - (near ?? 0)) / 2 }
}

/** Every inner pocket moved by what a rule makes of it. */
const moved = (seed: number, rule: (pocket: Pocket) => { up: number; far: number }): Boring =>
  play(beginBoring(seed), [
    { do: 'lock' },
    ...movedPockets.flatMap((pocket): BoringAct[] => [
      { do: 'loosen', pocket },
      ...(['up', 'far'] as const).flatMap((move): BoringAct[] => [
        { do: 'type', move, text: rule(pocket)[move].toFixed(2) },
        { do: 'move', move, pocket },
      ]),
      { do: 'tighten', pocket },
    ]),
  ])

/** The micrometer tells where the pocket is from the wire, and the wire hangs below the line. */
const rightly = (seed: number) => (pocket: Pocket) => {
  const { up, far } = fromWire(seed, pocket)
  return { up: -(up - droopAt(makeBores(seed), pocket)), far: -far }
}

describe('pockets along a wire', () => {
  it('are the same for the same number', () => {
    expect(makeBores(31)).toEqual(makeBores(31))
    expect(makeBores(31)).not.toEqual(makeBores(32))
  })

  it('the wall is where a circle is about the pocket’s middle, seen from the wire', () => {
    fc.assert(
      fc.property(seeds, fc.constantFrom(...movedPockets), fc.constantFrom(...wallPlaces), (seed, pocket, place) => {
        const bores = makeBores(seed)
        const distance = wallAt(bores, emptyBoreHands, pocket, place)
        const angle = (place * Math.PI) / 180
        const point = { y: distance * Math.sin(angle), z: distance * Math.cos(angle) - droopAt(bores, pocket) }
        const radius = Math.hypot(point.y - bores.far[pocket], point.z - bores.up[pocket])
        expect(Math.abs(radius - bores.radius)).toBeLessThan(0.0051)
      }),
      tries(80),
    )
  })

  it('the wire’s droop is that of the worked case: 0.246 in the middle of 4000 at 180 N', () => {
    const bores = { ...makeBores(1), at: { 1: 0, 2: 2000, 3: 3000, 4: 4000 }, length: 4000, tension: 180 }
    expect(droopAt(bores, 2)).toBeCloseTo(0.246, 3)
  })
})

describe('the lesson of the bores', () => {
  it('a player who makes no mistake passes on every machine', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const now = moved(seed, rightly(seed))
        expect({ seed, slips: slips(now) }).toEqual({ seed, slips: [] })
        expect(judgeBoring(now).passed).toBe(true)
      }),
      tries(200),
    )
  })

  it('each slip by its name', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const right = rightly(seed)
        const droop = (pocket: Pocket) => droopAt(makeBores(seed), pocket)
        const change = (of: (move: { up: number; far: number }, pocket: Pocket) => { up: number; far: number }) =>
          slips(moved(seed, (pocket) => of(right(pocket), pocket)))
        expect(change((by, pocket) => ({ ...by, up: by.up - droop(pocket) }))).toEqual(['droop-left-in'])
        expect(change((by, pocket) => ({ ...by, up: by.up + droop(pocket) }))).toEqual(['droop-twice'])
        expect(change(({ up, far }) => ({ up, far: -far }))).toEqual(['wrong-way'])
        expect(change(({ up, far }) => ({ up, far: 2 * far }))).toEqual(['not-halved'])
      }),
      tries(80),
    )
  })

  it('the reference moved, left loose, moved while bolted, touched before the lock', () => {
    const now = moved(5, rightly(5))
    const push: BoringAct[] = [
      { do: 'type', move: 'up', text: '0.2' },
      { do: 'move', move: 'up', pocket: 4 },
    ]
    expect(slips(play(now, [{ do: 'loosen', pocket: 4 }, ...push, { do: 'tighten', pocket: 4 }]))).toEqual([
      'reference-moved',
    ])
    expect(slips(play(now, [{ do: 'loosen', pocket: 2 }]))).toEqual(['still-loose'])
    expect(slips(play(now, push))).toEqual(['strained'])
    const rash = play(beginBoring(5), [{ do: 'loosen', pocket: 2 }])
    expect(judgeBoring(rash).passed).toBe(false)
    expect(rash.unsafe).toBe(true)
    // nothing done: off, and said to be so
    expect(slips(beginBoring(5))).toEqual(['off'])
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import {
  type Aligning,
  type AligningAct,
  aligned,
  beginAligning,
  judgeAligning,
  type PairMove,
  packAt,
  roomAt,
} from './aligning'
import {
  emptyPairHands,
  feltAt,
  makePair,
  misaligned,
  type Pair,
  type PairFoot,
  type PairLesson,
  type PerFoot,
  pairAllows,
  pairFeet,
  pairLessons,
  perFoot,
  shaftOver,
} from './pair'

const seeds = fc.integer({ min: 1, max: 9999 })
const play = (now: Aligning, acts: readonly AligningAct[]): Aligning => acts.reduce(aligned, now)
const check: AligningAct = { do: 'check' }
const move = (move: PairMove, foot: PairFoot, mm: number): AligningAct[] =>
  Math.abs(mm) < 0.005
    ? []
    : [
        { do: 'type', move, text: mm.toFixed(2) },
        { do: 'move', move, foot },
      ]
const loosened: readonly AligningAct[] = [
  { do: 'loosen', side: 'left' },
  { do: 'loosen', side: 'right' },
]
const bolted: readonly AligningAct[] = [
  { do: 'tighten', side: 'left' },
  { do: 'tighten', side: 'right' },
]
const ready = (lesson: PairLesson, seed: number): Aligning =>
  play(beginAligning(lesson)(seed), [{ do: 'lock' }, ...loosened])
const slips = (now: Aligning) => judgeAligning(aligned(now, check)).slips

/** A line through two feet, at a third. */
const drawnOn = (pair: Pair, over: PerFoot, foot: PairFoot): number => {
  const [a, b]: [PairFoot, PairFoot] = ['left-back', 'left-front']
  return over[b] + ((over[b] - over[a]) * (pair.at[foot] - pair.at[b])) / (pair.at[b] - pair.at[a])
}

/** By straightedge and blade alone, adding only: angle first, then offset, felt again each time. */
function roughly(seed: number): Aligning {
  let now = ready('rough', seed)
  const { at, hub } = makePair('rough', seed)
  const spread = at['right-back'] - at['right-front']
  const felt = (degrees: number) => feltAt(makePair('rough', seed), now.hands, degrees)
  for (let time = 0; time < 4; time++) {
    for (const [move_, top, bottom] of [
      ['up', 0, 180],
      ['far', 90, 270],
    ] as const) {
      const open = ((felt(bottom).gap - felt(top).gap) / (2 * hub.radius)) * spread
      // open at the bottom: the front feet go up, or toward far; open at the top: the back feet
      now = play(now, move(move_, open > 0 ? 'right-front' : 'right-back', Math.abs(open)))
      const proud = (felt(top).step - felt(bottom).step) / 2
      now = play(now, [...move(move_, 'right-front', -proud), ...move(move_, 'right-back', -proud)])
    }
  }
  return play(now, bolted)
}

/** By the table of the feet: the left shaft comes up or over by what the right one can't do, as much at both its feet. */
function withinReach(seed: number): Aligning {
  let now = ready('bound', seed)
  const pair = makePair('bound', seed)
  for (const plane of ['up', 'far'] as const) {
    const over = shaftOver(pair, now.hands)[plane]
    const most = (foot: PairFoot) => {
      const { down, near } = roomAt(pair, now.hands, foot)
      return over[foot] - (plane === 'up' ? down : near)
    }
    const least = (foot: PairFoot) =>
      plane === 'up' ? Number.POSITIVE_INFINITY : over[foot] + roomAt(pair, now.hands, foot).far
    const right: PairFoot[] = ['right-front', 'right-back']
    const lift = Math.min(Math.max(0, ...right.map(most)), ...right.map(least))
    const shift = plane === 'far' && Math.min(...right.map(least)) < 0 ? Math.min(...right.map(least)) : lift
    now = play(
      now,
      pairFeet.flatMap((foot) => move(plane, foot, shift - over[foot])),
    )
  }
  return play(now, bolted)
}

/** Run, cooled, locked again; each right foot set where the running left shaft will be, less what the foot will grow. */
function forRunning(seed: number, target: (pair: Pair, foot: PairFoot) => number = rightTarget): Aligning {
  const pair = makePair('growth', seed)
  const now = play(beginAligning('growth')(seed), [
    { do: 'lock' },
    { do: 'run' },
    { do: 'stop' },
    { do: 'lock' },
    ...loosened,
  ])
  return play(now, [
    ...(['right-front', 'right-back'] as const).flatMap((foot) => move('up', foot, target(pair, foot) - pair.up[foot])),
    ...bolted,
  ])
}
// what somebody works out from the table: height, kelvins, 11.7 millionths
const grows = ({ height, warmer }: Pair, foot: PairFoot) => height[foot] * warmer[foot] * 11.7e-6
const rightTarget = (pair: Pair, foot: PairFoot) =>
  drawnOn(
    pair,
    perFoot((one) => grows(pair, one)),
    foot,
  ) - grows(pair, foot)

describe('a pair to be brought in line', () => {
  it('is the same for the same number, and is out at the start', () => {
    for (const lesson of pairLessons)
      fc.assert(
        fc.property(seeds, (seed) => {
          expect(makePair(lesson, seed)).toEqual(makePair(lesson, seed))
          expect(judgeAligning(beginAligning(lesson)(seed)).passed).toBe(false)
          expect(slips(play(ready(lesson, seed), bolted)).length).toBeGreaterThan(0)
        }),
        tries(60),
      )
  })

  it('a straightedge and a blade tell what two lines in space say, turned by hand', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const pair = makePair('rough', seed)
        const { up, far } = misaligned(pair, emptyPairHands)
        const felt = (degrees: number) => feltAt(pair, emptyPairHands, degrees)
        const { radius, apart } = pair.hub
        const half = { up: up.offset + (up.slope * apart) / 2, far: far.offset + (far.slope * apart) / 2 }
        expect(Math.abs((felt(0).step - felt(180).step) / 2 - half.up)).toBeLessThan(0.06)
        expect(Math.abs((felt(90).step - felt(270).step) / 2 - half.far)).toBeLessThan(0.06)
        // a shaft that rises away from the coupling leans its face over at the top: open at the bottom
        expect(Math.abs(felt(180).gap - felt(0).gap - 2 * radius * up.slope)).toBeLessThan(0.03)
        expect(Math.abs(felt(270).gap - felt(90).gap - 2 * radius * far.slope)).toBeLessThan(0.03)
      }),
      tries(100),
    )
  })
})

describe('lessons that end with a pair in line', () => {
  const players: Readonly<Record<PairLesson, (seed: number) => Aligning>> = {
    rough: roughly,
    bound: withinReach,
    growth: (seed) => forRunning(seed),
  }
  it('a player who makes no mistake passes each, whatever the number', () => {
    for (const lesson of pairLessons)
      fc.assert(
        fc.property(seeds, (seed) => {
          const judged = judgeAligning(aligned(players[lesson](seed), check))
          expect({ lesson, seed, slips: judged.slips }).toEqual({ lesson, seed, slips: [] })
          expect(judged.passed).toBe(true)
        }),
        tries(100),
      )
  })

  it('touched before the lock, and after a run without locking again, it is lost', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const rash = aligned(beginAligning('rough')(seed), { do: 'loosen', side: 'right' })
        expect(rash.unsafe).toBe(true)
        const begun = play(beginAligning('growth')(seed), [{ do: 'lock' }, { do: 'run' }])
        expect(begun.unsafe).toBe(false)
        expect(aligned(begun, { do: 'loosen', side: 'right' }).unsafe).toBe(true)
        expect(play(begun, [{ do: 'stop' }, { do: 'loosen', side: 'right' }]).unsafe).toBe(true)
        expect(play(begun, [{ do: 'stop' }, { do: 'lock' }, { do: 'loosen', side: 'right' }]).unsafe).toBe(false)
        // with loose feet it is not started
        expect(play(ready('growth', seed), [{ do: 'run' }]).hands.running).toBe(false)
      }),
      tries(40),
    )
  })

  it('nothing goes below its pad, past its bolts, or while it is bolted down', () => {
    fc.assert(
      fc.property(seeds, fc.double({ min: -9, max: 9, noNaN: true }), (seed, mm) => {
        fc.pre(Math.abs(mm) > 0.01)
        const pair = makePair('bound', seed)
        for (const foot of pairFeet) {
          const tight = play(beginAligning('bound')(seed), [{ do: 'lock' }, ...move('up', foot, mm)])
          expect(tight.hands.up[foot]).toBe(0)
          expect(slips(tight)).toContain('strained')
          const { hands } = play(ready('bound', seed), [...move('up', foot, mm), ...move('far', foot, mm)])
          expect(packAt(pair, hands, foot)).toBeGreaterThanOrEqual(-1e-9)
          expect(Math.abs(hands.far[foot])).toBeLessThanOrEqual(pair.hole[foot] + 1e-9)
        }
      }),
      tries(60),
    )
  })

  describe('each slip by its name', () => {
    const named = (
      what: string,
      of: (seed: number) => Aligning,
      slip: string,
      tells: (seed: number) => boolean = () => true,
    ) =>
      it(what, () => {
        fc.assert(
          fc.property(seeds, (seed) => {
            fc.pre(tells(seed))
            const now = of(seed)
            expect({ seed, slips: slips(now) }).toEqual({ seed, slips: expect.arrayContaining([slip]) })
          }),
          tries(60),
        )
      })
    named('left loose', (seed) => play(players.bound(seed), [{ do: 'loosen', side: 'right' }]), 'still-loose')
    named(
      'the right machine alone, down on its pads',
      (seed) => {
        const { up } = makePair('bound', seed)
        return play(ready('bound', seed), [...move('up', 'right-front', -up['right-front']), ...bolted])
      },
      'base-bound',
    )
    named(
      'the right machine alone, against its bolts',
      (seed) => {
        const { far } = makePair('bound', seed)
        return play(ready('bound', seed), [...move('far', 'right-back', -far['right-back']), ...bolted])
      },
      'bolt-bound',
    )
    named(
      'that push itself',
      (seed) => {
        const { far } = makePair('bound', seed)
        return play(ready('bound', seed), move('far', 'right-back', -far['right-back']))
      },
      'against-bolt',
    )
    // where one machine grows about twice as much as the other, one left out is the whole turned about
    const apartFromBackwards = (seed: number) => {
      const pair = makePair('growth', seed)
      const about = -rightTarget(pair, 'right-front')
      const own = grows(pair, 'right-front')
      return [-own, rightTarget(pair, 'right-front') + own].every((one) => Math.abs(one - about) > 0.15)
    }
    named('in line cold', (seed) => forRunning(seed, () => 0), 'cold-in-line')
    named(
      'the growth turned about',
      (seed) => forRunning(seed, (pair, foot) => -rightTarget(pair, foot)),
      'growth-backwards',
    )
    named(
      'the motor’s own growth alone',
      (seed) => forRunning(seed, (pair, foot) => -grows(pair, foot)),
      'one-only',
      apartFromBackwards,
    )
    named(
      'the pump’s growth alone',
      (seed) => forRunning(seed, (pair, foot) => rightTarget(pair, foot) + grows(pair, foot)),
      'one-only',
      apartFromBackwards,
    )
    named(
      'never run',
      (seed) => {
        const now = forRunning(seed)
        return { ...now, hands: { ...now.hands, ran: false } }
      },
      'never-run',
    )
    named(
      'moved the wrong way',
      (seed) => {
        const { far } = makePair('rough', seed)
        return play(ready('rough', seed), [
          ...move('far', 'right-front', far['right-front']),
          ...move('far', 'right-back', far['right-back']),
          ...bolted,
        ])
      },
      'wrong-way',
    )
  })

  it('an angle taken out at the wrong feet is larger than it was', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const pair = makePair('rough', seed)
        const { slope } = misaligned(pair, emptyPairHands).up
        const lift = Math.abs(slope) * (pair.at['right-back'] - pair.at['right-front'])
        fc.pre(Math.abs(slope) > 2 * pairAllows.rough.slope)
        // a shaft that rises away wants its front feet up; here the back feet go, twice too far to be taken for a sign
        const wrong: PairFoot = slope > 0 ? 'right-back' : 'right-front'
        expect(slips(play(ready('rough', seed), [...move('up', wrong, 2 * lift), ...bolted]))).toContain('wrong-feet')
      }),
      tries(60),
    )
  })
})

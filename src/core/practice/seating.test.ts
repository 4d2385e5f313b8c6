import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import { diagnose } from '../seat/diagnose'
import { beginSeating, judgeSeating, type Seating, type SeatingAct, seated } from './seating'
import {
  diagonalOf,
  dialShows,
  emptyFrameHands,
  type FrameFoot,
  frameFaults,
  frameFeet,
  gapsAt,
  makeFrame,
  riseOf,
} from './softFootRig'

const seeds = fc.integer({ min: 1, max: 9999 })
const play = (seed: number, acts: readonly SeatingAct[]) => acts.reduce(seated, beginSeating(seed))
const seedWith = (fault: string) =>
  Array.from({ length: 99 }, (_, i) => i + 1).find((s) => makeFrame(s).fault === fault) ?? 0

/** Every foot checked as the trade does: dial on, bolt loosened, blades in, bolt tightened. Only what a person can see. */
function looked(seed: number) {
  let now = seated(beginSeating(seed), { do: 'lock' })
  const seen = new Map<FrameFoot, { rise: number; gaps: ReturnType<typeof gapsAt> }>()
  for (const foot of frameFeet) {
    now = [{ do: 'dial', foot } as const, { do: 'loosen', foot } as const].reduce<Seating>(seated, now)
    const frame = makeFrame(seed)
    seen.set(foot, { rise: dialShows(frame, now.hands) ?? 0, gaps: gapsAt(frame, now.hands, foot) })
    now = seated(now, { do: 'tighten', foot })
  }
  return { now, seen }
}

/** A player who makes no mistake: tells the fault from what is seen, and cures it by that alone. */
function perfect(seed: number): Seating {
  const { now, seen } = looked(seed)
  const over = frameFeet.filter((foot) => (seen.get(foot)?.rise ?? 0) > 0.05)
  const [first = 'near-left', second] = over
  const gaps = Object.values(seen.get(first)?.gaps ?? {})
  const [least, most] = [Math.min(...gaps), Math.max(...gaps)]
  const opened = (acts: readonly SeatingAct[]) =>
    [{ do: 'loosen', foot: first } as const, ...acts, { do: 'tighten', foot: first } as const].reduce(seated, now)
  const told = (state: Seating, fault: (typeof frameFaults)[number]) =>
    [{ do: 'tell', fault } as const, { do: 'check' } as const].reduce<Seating>(seated, state)
  if (second && second === diagonalOf(first)) {
    const mm = gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length
    return told(
      opened([
        { do: 'thickness', text: mm.toFixed(2) },
        { do: 'shim', foot: first },
      ]),
      'rocking',
    )
  }
  if (second) return told(seated(now, { do: 'pipe', off: true }), 'strain')
  if (most < 0.02) return told(opened([{ do: 'clean', foot: first }]), 'springy')
  return told(
    opened([
      { do: 'thickness', text: (most - least).toFixed(2) },
      { do: 'step', foot: first },
    ]),
    'angled',
  )
}

describe('a frame on four feet', () => {
  it('is the same frame for the same number, and has every fault among its numbers', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        expect(makeFrame(seed)).toEqual(makeFrame(seed))
      }),
      tries(50),
    )
    expect(new Set(Array.from({ length: 40 }, (_, i) => makeFrame(i + 1).fault))).toEqual(new Set(frameFaults))
  })

  it('rocks as a stiff plate does: either foot of a diagonal rises by the twist, less what its weight bends it', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const frame = makeFrame(seed)
        fc.pre(frame.fault === 'rocking')
        const rises = new Map(frameFeet.map((foot) => [foot, riseOf(frame, emptyFrameHands, foot)]))
        // the twist of the four undersides, over the diagonals
        const heights = frameFeet.map((foot) => (foot === frame.foot ? frame.size : 0))
        const twist = Math.abs((heights[0] ?? 0) + (heights[2] ?? 0) - (heights[1] ?? 0) - (heights[3] ?? 0))
        for (const foot of frameFeet) {
          const due = foot === frame.foot || foot === diagonalOf(frame.foot) ? twist : 0
          expect(Math.abs((rises.get(foot) ?? 0) - due)).toBeLessThan(0.03)
        }
      }),
      tries(100),
    )
  })

  it('with no fault left, no foot rises and no blade goes in', () => {
    fc.assert(
      fc.property(seeds, fc.constantFrom(...frameFeet), (seed, foot) => {
        const frame = { ...makeFrame(seed), size: 0 }
        expect(Math.abs(riseOf(frame, emptyFrameHands, foot))).toBeLessThan(0.01)
        expect(Object.values(gapsAt(frame, { ...emptyFrameHands, loose: [foot] }, foot))).toEqual([0, 0, 0, 0])
      }),
      tries(60),
    )
  })

  it('shows what Seat would call by the same name', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const frame = makeFrame(seed)
        const { seen } = looked(seed)
        const checks = frameFeet.map((foot) => ({
          id: foot,
          x: foot.endsWith('left') ? -200 : 200,
          y: foot.startsWith('near') ? -150 : 150,
          rise: seen.get(foot)?.rise,
          gaps: {
            lowNear: seen.get(foot)?.gaps['near-left'],
            lowFar: seen.get(foot)?.gaps['far-left'],
            highFar: seen.get(foot)?.gaps['far-right'],
            highNear: seen.get(foot)?.gaps['near-right'],
          },
        }))
        expect(diagnose(checks)[0]?.kind).toBe(frame.fault)
      }),
      tries(100),
    )
  })
})

describe('the lesson of the frame', () => {
  it('is passed by whoever makes no mistake', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { slips, passed } = judgeSeating(perfect(seed))
        expect(slips).toEqual([])
        expect(passed).toBe(true)
      }),
      tries(200),
    )
  })

  it('tells each slip by its name', () => {
    const slipsOf = (state: Seating) => judgeSeating(state).slips
    const under = (foot: FrameFoot, mm: string, how: 'shim' | 'step' = 'shim'): SeatingAct[] => [
      { do: 'loosen', foot },
      { do: 'thickness', text: mm },
      { do: how, foot },
      { do: 'tighten', foot },
    ]
    const lock: SeatingAct = { do: 'lock' }
    const rocking = seedWith('rocking')
    const { foot, size } = makeFrame(rocking)
    const tell: SeatingAct = { do: 'tell', fault: 'rocking' }
    expect(slipsOf(play(rocking, [lock]))).toEqual(['untold', 'not-cured'])
    expect(slipsOf(play(rocking, [lock, { do: 'tell', fault: 'strain' }]))).toContain('mistaken')
    const mm = size.toFixed(2)
    expect(slipsOf(play(rocking, [lock, tell, ...under(foot, mm)]))).toEqual([])
    expect(slipsOf(play(rocking, [lock, tell, ...under(diagonalOf(foot), mm)]))).toEqual([])
    const both = [...under(foot, mm), ...under(diagonalOf(foot), mm)]
    expect(slipsOf(play(rocking, [lock, tell, ...both]))).toEqual(['both-shimmed'])
    expect(slipsOf(play(rocking, [lock, tell, ...under(foot, (size / 2).toFixed(2))]))).toEqual(['thickness'])
    expect(slipsOf(play(rocking, [lock, tell, ...under(foot, mm).slice(0, 3)]))).toEqual(['still-loose'])
    const strain = seedWith('strain')
    const end = makeFrame(strain).foot
    const away: SeatingAct[] = [lock, { do: 'tell', fault: 'strain' }, { do: 'pipe', off: true }]
    expect(slipsOf(play(strain, away))).toEqual([])
    expect(slipsOf(play(strain, [...away, ...under(end, '0.03')]))).toEqual(['strain-shimmed'])
    const bent = seedWith('angled')
    const angled = makeFrame(bent)
    const even = under(angled.foot, (angled.size / 2).toFixed(2))
    expect(slipsOf(play(bent, [lock, { do: 'tell', fault: 'angled' }, ...even]))).toEqual(['even-under-bent'])
    const step = under(angled.foot, (angled.size / 3).toFixed(2), 'step')
    expect(slipsOf(play(bent, [lock, { do: 'tell', fault: 'angled' }, ...step]))).toEqual(['thickness'])
    const soft = seedWith('springy')
    const dirt = under(makeFrame(soft).foot, '0.1')
    expect(slipsOf(play(soft, [lock, { do: 'tell', fault: 'springy' }, ...dirt]))).toEqual(['shim-on-dirt'])
  })

  it('is lost where a bolt was touched before it was locked, however well it ends', () => {
    const seed = seedWith('springy')
    const end = perfect(seed)
    const first: SeatingAct = { do: 'loosen', foot: 'near-left' }
    const unsafe = [first, { do: 'tighten', foot: 'near-left' } as const].reduce<Seating>(seated, beginSeating(seed))
    expect(judgeSeating({ ...end, unsafe: unsafe.unsafe })).toMatchObject({ slips: [], passed: false })
  })

  it('lets nothing be done to a tight foot, and takes no shim that is no number', () => {
    const now = play(3, [{ do: 'lock' }, { do: 'thickness', text: '0.2' }])
    for (const what of ['shim', 'step', 'clean', 'tighten'] as const)
      expect(seated(now, { do: what, foot: 'far-left' })).toBe(now)
    const open = seated(now, { do: 'loosen', foot: 'far-left' })
    for (const text of ['', 'two', '-0.1', '9']) {
      const held = seated(open, { do: 'thickness', text })
      expect(seated(held, { do: 'shim', foot: 'far-left' })).toBe(held)
    }
  })
})

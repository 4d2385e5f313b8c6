import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import { exactRimReading, shaftPair } from '../rig/geometry'
import { type LessonName, lessonNames, lessons, sheetOf, shownOnMachine } from './dialLessons'
import { dialFaults, handsOf, knownStep, leverFactor, makeDialRig, plungerAt, swing } from './dialRig'
import { judge } from './judged'
import { type Act, acted, begin, benchOf } from './lesson'
import { typedMm } from './typed'

const seeds = fc.integer({ min: 1, max: 2 ** 31 - 1 })
const play = (lesson: LessonName, seed: number, acts: readonly Act[]) => acts.reduce(acted, begin(lesson, seed))
const toLine = (mm: number) => mm.toFixed(2)

/** Locked, half the travel, zero at the top. */
const set: readonly Act[] = [{ do: 'lock' }, { do: 'push', by: 4.6 }, { do: 'turn', to: 0 }, { do: 'zero' }]

/** What somebody reads off the two hands at an angle: whole turns by the small hand, the rest by the needle, from the zero. */
function read(attempt: ReturnType<typeof play>, degrees: number, asItStands = false): number {
  const bench = benchOf(attempt)
  const { hands } = asItStands ? attempt : acted(attempt, { do: 'turn', to: degrees })
  const [now, zero] = [handsOf(bench, hands), hands.zero]
  const turns = Math.round(now.turns * bench.gauge.turn - zero - now.needle)
  return turns + now.needle
}

/** Come to an angle from a side, by a quarter turn, and read what the hands show. */
function come(attempt: ReturnType<typeof play>, degrees: number, way: 1 | -1) {
  const now = [{ do: 'turn', to: degrees - 90 * way } as const, { do: 'turn', to: degrees } as const].reduce(
    acted,
    attempt,
  )
  return { now, mm: read(now, degrees, true) }
}

/** Zeroed at the top, then read, both from the same side. */
function over(attempt: ReturnType<typeof play>, degrees: number): number {
  const top = acted(come(attempt, 0, 1).now, { do: 'zero' })
  return come(top, degrees, 1).mm
}

/** Which fault it is, found as a person would, and the bottom read so that it goes out. */
function doubted(begun: ReturnType<typeof play>, answer: (ask: string, mm: number) => Act): readonly Act[] {
  const found = (fault: (typeof dialFaults)[number], bottom: number) => [
    { do: 'answer' as const, ask: 'fault', text: String(dialFaults.indexOf(fault)) },
    answer('bottom', bottom),
  ]
  let now = begun
  const same = Array.from({ length: 5 }, () => {
    const one = come(now, 90, 1)
    now = one.now
    return one.mm
  })
  if (Math.max(...same) - Math.min(...same) > 0.012)
    return found('loose-tip', over(acted(begun, { do: 'tighten-tip' }), 180))
  for (const at of [90, 180, 270, 0]) {
    const arrived = acted(now, { do: 'turn', to: at })
    const tapped = acted(arrived, { do: 'tap' })
    if (Math.abs(read(arrived, at, true) - read(tapped, at, true)) > 0.01) {
      const top = [{ do: 'turn', to: 0 } as const, { do: 'tap' } as const, { do: 'zero' } as const].reduce(
        acted,
        tapped,
      )
      const bottom = [{ do: 'turn', to: 180 } as const, { do: 'tap' } as const].reduce(acted, top)
      return found('sticking', read(bottom, 180, true))
    }
    now = tapped
  }
  if (Math.abs(come(begun, 90, 1).mm - come(begun, 90, -1).mm) > 0.02) return found('backlash', over(begun, 180))
  const turned = acted(begun, { do: 'turn-hub' })
  if ([90, 180].some((at) => Math.abs(over(begun, at) - over(turned, at)) > 0.02))
    return found('run-out', (over(begun, 180) + over(turned, 180)) / 2)
  return found('none', over(begun, 180))
}

/** A player who makes no mistake. */
function perfect(lesson: LessonName, seed: number) {
  const begun = play(lesson, seed, set)
  const answer = (ask: string, mm: number): Act => ({ do: 'answer', ask, text: toLine(mm) })
  const answers: Record<LessonName, () => readonly Act[]> = {
    'read-a-dial': () => [90, 180, 270].map((at) => answer(String(at), read(begun, at))),
    'sag-bench': () => {
      const sag = read(begun, 180)
      return [answer('sag', sag), answer('aligned', sag), answer('left', shownOnMachine(seed) - sag)]
    },
    engaged: () => {
      const bolted = read(begun, 180)
      const open = [
        { do: 'couple', bolted: false } as const,
        { do: 'turn', to: 0 } as const,
        { do: 'zero' } as const,
      ].reduce(acted, begun)
      const free = read(open, 180)
      return [answer('bolted', bolted), answer('open', free), answer('hidden', Math.abs(free - bolted) / 2)]
    },
    lever: () => {
      const half = [
        { do: 'push', by: 1 - begun.hands.preset } as const,
        { do: 'turn', to: 0 } as const,
        { do: 'zero' } as const,
      ].reduce(acted, begun)
      const step = acted(half, { do: 'step', in: true })
      const factor = knownStep / read(step, 0, true)
      return [
        { do: 'push', by: 1 - begun.hands.preset },
        { do: 'zero' },
        { do: 'answer', ask: 'factor', text: factor.toFixed(3) },
        answer('bottom', read(half, 180) * factor),
      ]
    },
    trust: () => doubted(begun, answer),
    'part-turn': () => {
      const { near = 0, far = 0 } = benchOf(begun).stops ?? {}
      const at = Math.min(near, far)
      const angle = (at * Math.PI) / 180
      const [onFar, onNear] = [read(begun, at), read(begun, 360 - at)]
      const bottom = (onFar + onNear) / (1 - Math.cos(angle))
      return [answer('bottom', bottom), answer('far', bottom / 2 + (onFar - onNear) / (2 * Math.sin(angle)))]
    },
    closure: () => {
      const { written } = sheetOf(benchOf(begun), seed)
      const wrong = [90, 180, 270].find((at) => Math.abs(read(begun, at) - (written[at] ?? 0)) > 0.02) ?? 0
      return [{ do: 'answer', ask: 'which', text: String(wrong) }, answer('value', read(begun, wrong))]
    },
  }
  return [...answers[lesson](), { do: 'check' as const }].reduce(acted, begun)
}

describe('the practice bench', () => {
  it('is the same for the same seed, and another for another', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        expect(makeDialRig(seed, 'coupling')).toEqual(makeDialRig(seed, 'coupling'))
        expect(makeDialRig(seed, 'coupling')).not.toEqual(makeDialRig(seed + 1, 'coupling'))
      }),
      tries(50),
    )
  })
  it('shows what exact geometry says, within its travel', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 0, max: 359 }), (seed, degrees) => {
        const bench = makeDialRig(seed, 'coupling')
        const dial = { on: 'right' as const, x: bench.x, radius: bench.radius, sag: bench.sag }
        const exact = (at: number) => exactRimReading(shaftPair(bench.truth, 0), dial, at)
        expect(swing(bench, degrees)).toBeCloseTo(exact(degrees) - exact(0), 12)
        const hands = { locked: true, turned: degrees, preset: 5, zero: 5 }
        expect(plungerAt(bench, hands)).toBeCloseTo(5 + swing(bench, degrees), 12)
        // pushed to either end it goes no farther
        expect(plungerAt(bench, { ...hands, preset: 0 })).toBeGreaterThanOrEqual(0)
        expect(plungerAt(bench, { ...hands, preset: 10 })).toBeLessThanOrEqual(10)
      }),
      tries(100),
    )
  })
  it('on a straight pipe it shows the bracket alone', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const bench = makeDialRig(seed, 'pipe')
        expect(swing(bench, 180)).toBeCloseTo(bench.sag, 9)
        expect(bench.sag).toBeLessThan(0)
      }),
      tries(50),
    )
  })
})

describe('lessons', () => {
  it('a player who makes no mistake passes each, whatever the seed', () => {
    for (const lesson of lessonNames)
      fc.assert(
        fc.property(seeds, (seed) => {
          const { passed, answers } = judge(perfect(lesson, seed))
          expect({ lesson, seed, wrong: answers.filter(({ right }) => !right) }).toEqual({ lesson, seed, wrong: [] })
          expect(passed).toBe(true)
        }),
        tries(60),
      )
  })
  it('nothing answered is nothing passed, and what is missing is said', () => {
    for (const lesson of lessonNames) {
      const { passed, answers } = judge(begin(lesson, 7))
      expect(passed).toBe(false)
      expect(answers.map(({ slip }) => slip)).toEqual(lessons[lesson].asks.map(() => 'missing'))
    }
  })
  it('a wrong sign and a whole turn lost fail, each by its name', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const right = swing(benchOf({ lesson: 'read-a-dial', seed }), 180)
        fc.pre(Math.abs(right) > 0.05 && Math.abs(Math.abs(right) - 0.5) > 0.05)
        const told = (mm: number) =>
          judge(play('read-a-dial', seed, [...set, { do: 'answer', ask: '180', text: mm.toFixed(2) }])).answers[1]
        expect(told(right)).toMatchObject({ right: true })
        expect(told(-right)).toMatchObject({ right: false, slip: 'sign' })
        expect(told(right - Math.sign(right))).toMatchObject({ right: false, slip: 'turn' })
      }),
      tries(60),
    )
  })
  it('a plunger that ran out of its travel is named, and half the travel mends it', () => {
    const seed = [...Array(200).keys()].find((n) => n > 0 && swing(makeDialRig(n, 'coupling'), 180) < -0.9) ?? 1
    const zeroed: readonly Act[] = [{ do: 'lock' }, { do: 'turn', to: 0 }, { do: 'zero' }]
    const out = play('read-a-dial', seed, zeroed)
    // at 0.4 mm in, the bottom is out of reach: the needle stops at the end of its way
    expect(read(out, 180)).toBeCloseTo(-0.4, 9)
    const text = read(out, 180).toFixed(2)
    expect(judge(acted(out, { do: 'answer', ask: '180', text })).answers[1]).toMatchObject({ slip: 'ran-out' })
    expect(judge(perfect('read-a-dial', seed)).passed).toBe(true)
  })
  it('touched before it was locked and tried, a lesson is lost, however right', () => {
    const right = perfect('sag-bench', 11)
    expect(judge(right).passed).toBe(true)
    const hasty = play('sag-bench', 11, [{ do: 'turn', to: 180 }, { do: 'lock' }])
    expect(hasty.unsafe).toBe(true)
    expect(judge({ ...hasty, answers: right.answers }).passed).toBe(false)
  })
  it('what is wrong on the sheet is plainly wrong, and the sheet does not close by as much, on every machine there is', () => {
    for (let seed = 1; seed < 10_000; seed++) {
      const bench = benchOf({ lesson: 'closure', seed })
      const { wrong, written } = sheetOf(bench, seed)
      const by = (at: number) => (written[at] ?? 0) - swing(bench, at)
      expect(Math.abs(by(wrong)), String(seed)).toBeGreaterThan(0.15)
      const closure = (written[0] ?? 0) + (written[180] ?? 0) - (written[90] ?? 0) - (written[270] ?? 0)
      expect(Math.abs(Math.abs(closure) - Math.abs(by(wrong))), String(seed)).toBeLessThan(0.04)
    }
  })
  it('the sag taken the wrong way round is told from other mistakes', () => {
    const seed = 5
    const sag = swing(benchOf({ lesson: 'sag-bench', seed }), 180)
    const wrong = play('sag-bench', seed, [
      ...set,
      { do: 'answer', ask: 'left', text: toLine(shownOnMachine(seed) + sag) },
    ])
    expect(judge(wrong).answers[2]).toMatchObject({ slip: 'sag-twice' })
  })
  it('a bolted coupling hides a part of the offset, which a move planned from it would leave', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const bench = benchOf({ lesson: 'engaged', seed })
        const [bolted, open] = [swing(bench, 180, true), swing(bench, 180)]
        // by exact geometry: half of what the dial goes over, the sag taken off, is the offset in the plane of the dial
        const offset = (reading: number) => (reading - bench.sag) / 2
        const left = Math.abs(offset(open) - offset(bolted))
        const told = (ask: string, mm: number) =>
          judge(play('engaged', seed, [...set, { do: 'answer', ask, text: mm.toFixed(3) }])).answers.find(
            (one) => one.ask.id === ask,
          )
        expect(told('hidden', left)).toMatchObject({ right: true })
        fc.pre(left > 0.05)
        expect(told('open', bolted)).toMatchObject({ right: false, slip: expect.stringMatching(/bolted|sign/) })
        expect(told('hidden', 2 * left)).toMatchObject({ right: false, slip: 'not-halved' })
        // opened and bolted up again it is what it was
        const again = play('engaged', seed, [...set, { do: 'couple', bolted: false }, { do: 'couple', bolted: true }])
        expect(plungerAt(bench, again.hands, 180)).toBeCloseTo(5 + bolted, 9)
      }),
      tries(60),
    )
  })
  it('every act costs its minutes, and looking at the other quarters costs little', () => {
    expect(play('closure', 3, [{ do: 'lock' }]).minutes).toBe(4)
    expect(play('closure', 3, [{ do: 'lock' }, { do: 'turn', to: 90 }, { do: 'turn', to: 270 }]).minutes).toBe(
      4 + 0.5 + 1,
    )
    // the short way round
    expect(play('closure', 3, [{ do: 'lock' }, { do: 'turn', to: 270 }]).minutes).toBe(4.5)
  })
})

describe('the lever dial', () => {
  it('shows a small step by the cosine of its angle and the length of its tip, exactly by the arc it swings', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const bench = makeDialRig(seed, 'coupling', { lever: true })
        const { angle = 0, made = 1, used = 1 } = bench.lever ?? {}
        const half = { locked: true, turned: 0, preset: 1, zero: 1 }
        expect(plungerAt(bench, half)).toBeCloseTo(1, 12)
        // the tip is lifted by a step: the lever turns until its tip, so long and so steep, is there
        const shown = plungerAt(bench, { ...half, preset: 1.01 }) - 1
        const steep = (angle * Math.PI) / 180
        expect(used * (Math.sin(steep + shown / made) - Math.sin(steep))).toBeCloseTo(0.01, 12)
        expect(0.01 / shown).toBeCloseTo(leverFactor(bench), 2)
        expect(leverFactor(bench)).toBeLessThan(0.87)
      }),
      tries(60),
    )
  })
  it('each slip by its name: the factor upside down, the number as it is shown, divided instead of multiplied', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const attempt = perfect('lever', seed)
        const bench = benchOf(attempt)
        const [factor, bottom] = [leverFactor(bench), swing(bench, 180)]
        const slip = (ask: string, number: number) =>
          judge(acted(attempt, { do: 'answer', ask, text: number.toFixed(3) })).answers.find(
            (one) => one.ask.id === ask,
          )?.slip
        expect(slip('factor', 1 / factor)).toBe('upside-down')
        expect(slip('bottom', bottom / factor)).toBe('as-shown')
        expect(slip('bottom', bottom / factor ** 2)).toBe('divided')
        expect(slip('bottom', -bottom)).toBe('sign')
      }),
      tries(60),
    )
  })
})

describe('part of a turn', () => {
  it('the bracket stops where the pipe is, and never goes through it', () => {
    fc.assert(
      fc.property(seeds, fc.array(fc.integer({ min: 0, max: 359 }), { maxLength: 20 }), (seed, turns) => {
        const acts = turns.map((to): Act => ({ do: 'turn', to }))
        const { near = 0, far = 0 } = benchOf(begin('part-turn', seed)).stops ?? {}
        for (const { hands } of acts.map((_, i) => play('part-turn', seed, acts.slice(0, i + 1)))) {
          const signed = ((hands.turned + 180) % 360) - 180
          expect(signed).toBeGreaterThanOrEqual(-near)
          expect(signed).toBeLessThanOrEqual(far)
        }
        // past the pipe it is held on the side it came from
        expect(
          play('part-turn', seed, [
            { do: 'turn', to: far },
            { do: 'turn', to: 181 },
          ]).hands.turned,
        ).toBe(far)
      }),
      tries(40),
    )
  })
  it('what is read where it ends, taken for a quarter, is named', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const attempt = perfect('part-turn', seed)
        const bench = benchOf(attempt)
        const { near = 0, far = 0 } = bench.stops ?? {}
        const truth = swing(bench, 180)
        const sum = swing(bench, -near) + swing(bench, far)
        fc.pre(Math.abs(sum - truth) > 0.1 && Math.abs(sum + truth) > 0.1)
        const judged = judge(acted(attempt, { do: 'answer', ask: 'bottom', text: sum.toFixed(3) }))
        expect(judged.answers[0]?.slip).toBe('part-as-quarter')
        expect(judged.passed).toBe(false)
      }),
      tries(60),
    )
  })
})

describe('a dial that may lie', () => {
  it('every fault comes, and each shows where it is looked for and nowhere else', () => {
    const seen = new Map<string, number>()
    for (let seed = 1; seed <= 200; seed++) {
      const fault = benchOf(begin('trust', seed)).lies?.fault ?? 'none'
      seen.set(fault, (seen.get(fault) ?? 0) + 1)
      const begun = play('trust', seed, set)
      const truth = swing(benchOf(begun), 180)
      const plain = read(acted(begun, { do: 'turn', to: 180 }), 180, true)
      if (fault === 'none') expect(plain).toBeCloseTo(truth, 6)
      // slack goes out where top and bottom are come to from one side, and only there
      if (fault === 'backlash') {
        expect(over(begun, 180)).toBeCloseTo(truth, 6)
        expect(Math.abs(come(begun, 180, 1).mm - come(begun, 180, -1).mm)).toBeGreaterThan(0.04)
      }
    }
    expect([...seen.keys()].sort()).toEqual([...dialFaults].sort())
    for (const count of seen.values()) expect(count).toBeGreaterThan(15)
  })
  it('the wrong fault, and a bottom read with the fault still in it, are named', () => {
    const seed = [...Array(300).keys()].find((n) => benchOf(begin('trust', n + 1)).lies?.fault === 'backlash') ?? 0
    const attempt = perfect('trust', seed + 1)
    const bench = benchOf(attempt)
    const told = (ask: string, text: string) =>
      judge(acted(attempt, { do: 'answer', ask, text })).answers.find((one) => one.ask.id === ask)?.slip
    expect(told('fault', '0')).toBe('other-fault')
    expect(told('bottom', (swing(bench, 180) + (bench.lies?.by ?? 0)).toFixed(3))).toBe('as-it-lied')
  })
})

describe('what is typed in a lesson', () => {
  it('is mm, and says so where it is something else', () => {
    expect([typedMm('0.5'), typedMm('20 mil'), typedMm('1/64 in'), typedMm('−0.2'), typedMm('half')]).toEqual([
      0.5,
      expect.closeTo(0.508, 9),
      expect.closeTo(0.396875, 9),
      -0.2,
      undefined,
    ])
    const bench = benchOf(begin('read-a-dial', 12))
    const inMil = acted(begin('read-a-dial', 12), {
      do: 'answer',
      ask: '180',
      text: `${(swing(bench, 180) / 0.0254).toFixed(2)} mil`,
    })
    expect(judge(inMil).answers[1]).toMatchObject({ right: true })
  })
})

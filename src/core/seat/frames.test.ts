import { describe, expect, it } from 'vitest'
import { runs as runsOf } from '../../testing/anything'
import { checkFrame, cleaned, type RiggedFoot, type RiggedFrame, withCure } from '../rig/frame'
import { chance } from '../rig/random'
import { cureFor } from './cure'
import { diagnose, type SeatFinding } from './diagnose'
import { usualThreshold } from './foot'

const source = chance(4242)
const between = (low: number, high: number) => low + (high - low) * source.uniform()
const sign = () => (source.uniform() < 0.5 ? -1 : 1)
const pick = (n: number) => Math.floor(source.uniform() * n)

/** Feet two and two at stations along the shaft, lying true to a few microns, on soles of up to 220 mm. */
function trueFrame(frame: number, stations: number): RiggedFrame {
  const pitch = between(280, 520)
  const half = between(150, 240)
  return {
    frame,
    pad: { x: between(25, 110), y: between(25, 110) },
    feet: Array.from({ length: stations }, (_, i) => i).flatMap((i): RiggedFoot[] =>
      [-1, 1].map((side) => ({
        id: `${i}${side < 0 ? 'n' : 'f'}`,
        x: 240 + pitch * i,
        y: side * half,
        off: between(-0.005, 0.005),
      })),
    ),
  }
}

const change = (rigged: RiggedFrame, at: readonly number[], by: (foot: RiggedFoot) => Partial<RiggedFoot>) => ({
  ...rigged,
  feet: rigged.feet.map((foot, i) => (at.includes(i) ? { ...foot, ...by(foot) } : foot)),
})
const short = (rigged: RiggedFrame, ...at: readonly number[]) => change(rigged, at, () => ({ off: between(0.12, 0.6) }))

/** Two different feet that aren't both of one end. */
function two(feet: number): [number, number] {
  const a = pick(feet)
  const b = pick(feet)
  return a === b || Math.floor(a / 2) === Math.floor(b / 2) ? two(feet) : [a, b]
}

const frames: Readonly<Record<string, () => RiggedFrame>> = {
  'four feet, rocking evenly': () => short(trueFrame(1, 2), pick(4)),
  'four feet, rocking unevenly': () => short(trueFrame(between(0.3, 0.7), 2), pick(4)),
  'four feet, one short': () => short(trueFrame(0, 2), pick(4)),
  'six feet, one short': () => short(trueFrame(between(0, 1), 3), pick(6)),
  'six feet, two short': () => short(trueFrame(between(0, 1), 3), ...two(6)),
  'eight feet, one short': () => short(trueFrame(between(0, 1), 4), pick(8)),
  'eight feet, two short': () => short(trueFrame(between(0, 1), 4), ...two(8)),
  ...Object.fromEntries(
    [2, 3, 4].flatMap((stations) => [
      [
        `${2 * stations} feet, one bent`,
        () => {
          const rigged = trueFrame(0, stations)
          const along = source.uniform() < 0.5 ? 'x' : 'y'
          const rest = between(0.12, 0.5) / 2
          return change(rigged, [pick(2 * stations)], () => ({
            off: rest,
            tilt: { x: 0, y: 0, [along]: (sign() * rest) / rigged.pad[along] },
          }))
        },
      ],
      [
        `${2 * stations} feet, one springy`,
        () => change(trueFrame(0, stations), [pick(2 * stations)], () => ({ spring: between(0.1, 0.2) })),
      ],
    ]),
  ),
}

/** What a person does who is told this: shims go in, dirt comes out. */
function acted(rigged: RiggedFrame, [first]: readonly SeatFinding[], cure: ReturnType<typeof cureFor>): RiggedFrame {
  return first?.kind === 'springy' ? cleaned(rigged, first.feet) : withCure(rigged, cure)
}

/** Whether a foot rises by more than it may, or stands open at a corner, measured without error. */
const soft = (rigged: RiggedFrame): boolean =>
  checkFrame(rigged, 0).some((foot) => (foot.rise ?? 0) > usualThreshold + 0.006)

describe.each(Object.keys(frames))('%s', (name) => {
  const runs = runsOf(40, 1000)
  it(`is cured in two rounds, ${runs} times over, and never called clean when it is not`, () => {
    let cured = 0
    for (let run = 0; run < runs; run++) {
      let now = frames[name]!()
      for (let round = 0; round < 2; round++) {
        const checks = checkFrame(now)
        const findings = diagnose(checks)
        if (findings[0]!.kind === 'clean') break
        now = acted(now, findings, cureFor(findings, checks))
      }
      const clean = diagnose(checkFrame(now))[0]!.kind === 'clean'
      expect(clean && soft(now)).toBe(false)
      if (clean) cured++
    }
    expect(cured / runs).toBeGreaterThanOrEqual(0.98)
  })
})

/** Feet as somebody typed them: rises in mil, four of a pump 18 by 12 in. */
const mil = 0.0254
const typed = (...rises: readonly number[]) =>
  rises.map((rise, i) => ({ id: 'abcd'[i]!, x: i > 1 ? 690 : 240, y: i % 2 ? 150 : -150, rise: rise * mil }))

describe('told apart by a millwright', () => {
  it.each([
    [2.5, 7.5],
    [3.5, 7.5],
    [7.5, 2.5],
  ])('a diagonal of %s and %s mil rocks, and the foot that rises more is shimmed', (front, back) => {
    const feet = typed(front, 0.5, 0, back)
    const findings = diagnose(feet, { threshold: 2 * mil })
    expect(findings[0]).toMatchObject({ kind: 'rocking', because: 'unlike', feet: ['a', 'd'] })
    expect(cureFor(findings, feet, { step: mil / 2 })).toEqual([
      { foot: front > back ? 'a' : 'd', shim: expect.closeTo(7.5 * mil, 6) },
    ])
  })
  it('of a rocking pair the short foot is shimmed, whose gap is even, unless the alignment wants the other up by as much', () => {
    for (let run = 0; run < 200; run++) {
      const at = pick(4)
      const rigged = short(trueFrame(1, 2), at)
      const checks = checkFrame(rigged)
      const findings = diagnose(checks)
      const [own, opposite] = [rigged.feet[at]!.id, rigged.feet[3 - at]!.id]
      expect(cureFor(findings, checks)[0]?.foot).toBe(own)
      expect(cureFor(findings, checks, { wanted: new Map([[opposite, 0.01]]) })[0]?.foot).toBe(own)
      expect(cureFor(findings, checks, { wanted: new Map([[opposite, 2]]) })[0]?.foot).toBe(opposite)
    }
  })
  it('nothing is said of a feeler nobody used, nor of a rise nobody read', () => {
    const told = (feet: Parameters<typeof diagnose>[0]) => diagnose(feet)[0]!.because
    const none = { lowNear: 0, lowFar: 0, highNear: 0, highFar: 0 }
    const even = { lowNear: 0.2, lowFar: 0.2, highNear: 0.2, highFar: 0.2 }
    const [a, ...rest] = typed(8, 0, 0, 0)
    expect(told([a!, ...rest])).toBe('alone')
    expect(told([{ ...a!, gaps: even }, ...rest])).toBe('even-gap')
    expect(told([{ ...a!, gaps: none }, ...rest])).toBe('no-gap-felt')
    expect(told(typed(8, 8, 8, 8))).toBe('all-alike')
    expect(told(typed(0, 1, 0, 0))).toBe('none-rises')
    expect(told(typed(0, 0, 0, 0).map(({ rise: _, ...foot }) => ({ ...foot, gaps: none })))).toBe('none-open')
    expect(told(typed(9, 5, 3.5, 0))).toBe('stands-off-most')
  })
  it('a blade that goes under nowhere says that nothing is open, and what rises all the same is springy', () => {
    const blade = { nothingOver: 0.05 }
    const bare = typed(0, 0, 0, 0).map(({ rise: _, ...foot }) => ({ ...foot, ...blade }))
    expect(diagnose(bare)[0]!.kind).toBe('clean')
    const risen = typed(8, 0, 0, 0).map((foot) => ({ ...foot, ...blade }))
    expect(diagnose(risen)[0]).toMatchObject({ kind: 'springy', because: 'no-gap-felt', feet: ['a'], unsettled: [] })
  })
  it('is strain while pipes are on, and short feet once they were off', () => {
    const feet = typed(8, 8, 0, 0)
    expect(diagnose(feet)[0]!.kind).toBe('strain')
    expect(diagnose(feet, { pipesOff: true }).some(({ kind }) => kind === 'strain')).toBe(false)
    expect(cureFor(diagnose(feet, { pipesOff: true }), feet)).toHaveLength(1)
  })
})

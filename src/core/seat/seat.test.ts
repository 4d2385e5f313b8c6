import { describe, expect, it } from 'vitest'
import { checkFrame, type RiggedFoot, type RiggedFrame, withCure } from '../rig/frame'
import { chance } from '../rig/random'
import { footPerShaft } from './apparent'
import { cureFor } from './cure'
import { diagnose, type SeatKind } from './diagnose'
import { gapOf } from './foot'
import { tighteningOrder } from './layout'

const source = chance(31)
const between = (low: number, high: number) => low + (high - low) * source.uniform()
const sign = () => (source.uniform() < 0.5 ? -1 : 1)
const pick = (n: number) => Math.floor(source.uniform() * n)

/** Four feet of a random frame, lying true. */
function trueFrame(frame: RiggedFrame['frame']): RiggedFrame {
  const [length, front, back] = [between(250, 700), between(180, 420), between(180, 420)]
  const foot = (id: string, x: number, y: number): RiggedFoot => ({ id, x, y, off: between(-0.008, 0.008) })
  return {
    frame,
    pad: { x: between(25, 45), y: between(25, 45) },
    feet: [
      foot('a', 240, -front / 2),
      foot('b', 240, front / 2),
      foot('c', 240 + length, back / 2),
      foot('d', 240 + length, -back / 2),
    ],
  }
}

const edit = (
  rigged: RiggedFrame,
  at: readonly number[],
  change: (foot: RiggedFoot, n: number) => RiggedFoot,
): RiggedFrame => ({
  ...rigged,
  feet: rigged.feet.map((foot, i) => (at.includes(i) ? change(foot, at.indexOf(i)) : foot)),
})

const makers: Record<SeatKind, () => RiggedFrame> = {
  clean: () => trueFrame('limber'),
  rocking: () => edit(trueFrame('rigid'), [pick(4)], (foot) => ({ ...foot, off: between(0.1, 0.6) })),
  short: () => edit(trueFrame('limber'), [pick(4)], (foot) => ({ ...foot, off: between(0.09, 0.8) })),
  angled: () => {
    const rigged = trueFrame('limber')
    return edit(rigged, [pick(4)], (foot) => {
      const along = source.uniform() < 0.5 ? 'x' : 'y'
      const rest = between(0.12, 0.6) / 2
      const tilt = { x: 0, y: 0, [along]: (sign() * rest) / rigged.pad[along] }
      return { ...foot, off: rest, tilt }
    })
  },
  springy: () =>
    edit(trueFrame('limber'), source.uniform() < 0.5 ? [0, 1, 2, 3] : [pick(4)], (foot) => ({
      ...foot,
      spring: between(0.1, 0.15),
    })),
  strain: () => {
    const pulled = between(0.1, 0.5)
    const group = [
      [0, 3],
      [1, 2],
      [0, 1],
      [2, 3],
    ][pick(4)]!
    return edit(trueFrame('limber'), group, (foot) => ({ ...foot, pulled: pulled * between(0.85, 1) }))
  },
}

const runs = 400
const share = (count: number) => count / runs

describe('random frames, felt in hundredths of a millimeter', () => {
  for (const kind of Object.keys(makers) as SeatKind[])
    it(`${kind} is told right`, () => {
      let right = 0
      for (let run = 0; run < runs; run++) if (diagnose(checkFrame(makers[kind]()))[0]!.kind === kind) right++
      expect(share(right)).toBeGreaterThanOrEqual(0.95)
    })
  for (const kind of ['rocking', 'short', 'angled'] as const)
    it(`${kind} is cured in one round`, () => {
      let cured = 0
      for (let run = 0; run < runs; run++) {
        const rigged = makers[kind]()
        const feet = checkFrame(rigged)
        const after = checkFrame(withCure(rigged, cureFor(diagnose(feet), feet)))
        if (after.every((foot) => foot.rise! <= 0.05 + 1e-9)) cured++
      }
      expect(share(cured)).toBeGreaterThanOrEqual(0.95)
    })
  it('strain and springy feet are never shimmed', () => {
    for (let run = 0; run < runs; run++)
      for (const kind of ['strain', 'springy', 'clean'] as const) {
        const feet = checkFrame(makers[kind]())
        const findings = diagnose(feet)
        if (findings[0]!.kind === kind) expect(cureFor(findings, feet)).toEqual([])
      }
  })
})

describe('feet of one machine that rise', () => {
  it('are told apart: the one a feeler finds nothing under is springy, though another has a gap', () => {
    const none = { lowNear: 0, lowFar: 0, highNear: 0, highFar: 0 }
    const gap = { lowNear: 0.2, lowFar: 0.2, highNear: 0.2, highFar: 0.2 }
    const feet = [
      { id: 'a', x: 100, y: -150, rise: 0.2, gaps: gap },
      { id: 'b', x: 100, y: 150, rise: 0.01, gaps: none },
      { id: 'c', x: 500, y: 150, rise: 0.14, gaps: none },
      { id: 'd', x: 500, y: -150, rise: 0.01, gaps: none },
    ]
    expect(diagnose(feet).find(({ kind }) => kind === 'springy')?.feet).toEqual(['c'])
  })
})

it('is springy where all feet rise alike, and not where one of them rises far more', () => {
  const fits = (...rises: number[]) =>
    diagnose(rises.map((rise, i) => ({ id: `f${i}`, x: i % 2 ? 100 : 500, y: i < 2 ? -150 : 150, rise })))
      .filter(({ kind, feet }) => kind === 'springy' && feet.length === 4)
      .map(({ fit }) => Math.round(fit * 100) / 100)
  expect([fits(0.12, 0.12, 0.12, 0.12), fits(0.1, 0.1, 0.1, 0.15), fits(0.12, 0.12, 0.13, 0.6)]).toEqual([
    [0.95],
    [0.79],
    [],
  ])
})

describe('a rocking frame', () => {
  const rigged: RiggedFrame = {
    frame: 'rigid',
    pad: { x: 35, y: 35 },
    feet: [
      { id: 'a', x: 240, y: -150, off: 0.2 },
      { id: 'b', x: 240, y: 150, off: 0 },
      { id: 'c', x: 690, y: 150, off: 0 },
      { id: 'd', x: 690, y: -150, off: 0 },
    ],
  }
  const feet = checkFrame(rigged)
  it('lifts the two feet across from each other by its twist, more toward the outside', () => {
    expect(feet.map((foot) => foot.rise)).toEqual([0.2, 0, 0.2, 0])
    expect(gapOf(feet[2]!).plane!.alongX).toBeGreaterThan(0)
    expect(gapOf(feet[2]!).plane!.alongY).toBeGreaterThan(0)
  })
  it('is shimmed under one foot, the one the alignment wants raised', () => {
    const findings = diagnose(feet)
    expect(findings[0]).toMatchObject({ kind: 'rocking', feet: ['a', 'c'], unsettled: [] })
    expect(cureFor(findings, feet, { wanted: new Map([['c', 0.3]]) })).toEqual([{ foot: 'c', shim: 0.2 }])
    expect(cureFor(findings, feet)).toHaveLength(1)
  })
  it('asks for a feeler where only a dial was used', () => {
    const [first] = diagnose(feet.map(({ gaps: _, ...foot }) => foot))
    expect(first).toMatchObject({ kind: 'rocking', unsettled: ['a', 'c'] })
  })
})

describe('a bent foot', () => {
  it('gets strips of the thinnest stock, each as long as the gap is that high', () => {
    const feet = [
      { id: 'a', x: 0, y: 0, rise: 0.1, gaps: { lowNear: 0, lowFar: 0, highNear: 0.2, highFar: 0.2 } },
      { id: 'b', x: 0, y: 300, rise: 0.01 },
      { id: 'c', x: 400, y: 300, rise: 0 },
      { id: 'd', x: 400, y: 0, rise: 0.02 },
    ]
    const findings = diagnose(feet)
    expect(findings[0]).toMatchObject({ kind: 'angled', feet: ['a'] })
    const [cure] = cureFor(findings, feet)
    expect(cure).toEqual({
      foot: 'a',
      steps: [
        { thickness: 0.05, edge: 'high', cover: 0.75 },
        { thickness: 0.05, edge: 'high', cover: 0.5 },
        { thickness: 0.05, edge: 'high', cover: 0.25 },
      ],
    })
  })
  it('has its fourth corner from the other three', () => {
    expect(gapOf({ id: 'a', x: 0, y: 0, gaps: { lowNear: 0, lowFar: 0.1, highNear: 0.2 } }).plane).toEqual({
      middle: expect.closeTo(0.15, 9),
      alongX: expect.closeTo(0.2, 9),
      alongY: expect.closeTo(0.1, 9),
    })
  })
})

it('tightens in a cross', () => {
  const four = [
    { id: 'a', x: 0, y: -1 },
    { id: 'b', x: 0, y: 1 },
    { id: 'c', x: 4, y: 1 },
    { id: 'd', x: 4, y: -1 },
  ]
  expect(tighteningOrder(four)).toEqual(['a', 'c', 'b', 'd'])
  const six = [...four, { id: 'e', x: 2, y: -1 }, { id: 'f', x: 2, y: 1 }]
  expect(new Set(tighteningOrder(six)).size).toBe(6)
})

describe('movement seen at the shaft', () => {
  const four = [
    { id: 'a', x: 240, y: -150 },
    { id: 'b', x: 240, y: 150 },
    { id: 'c', x: 690, y: 150 },
    { id: 'd', x: 690, y: -150 },
  ]
  it('is scaled to the loosened foot about the line through the two beside it', () => {
    // the plane that is 0 at b and d and 1 at a, looked at over the coupling
    const plane = (x: number, y: number) => 1 - (x - 240) / 450 - (y + 150) / 300
    expect(plane(240, 150)).toBeCloseTo(0, 12)
    expect(plane(690, -150)).toBeCloseTo(0, 12)
    expect(footPerShaft(four, 'a', 0)).toBeCloseTo(1 / plane(0, 0), 9)
  })
  it('stays as read where geometry cannot tell', () => {
    expect(footPerShaft(four, 'a', 465)).toBe(1)
    expect(footPerShaft(four.slice(0, 3), 'a', 0)).toBe(1)
  })
})

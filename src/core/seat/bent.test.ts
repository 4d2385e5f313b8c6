import { describe, expect, it } from 'vitest'
import { checkFrame, leftOver, type RiggedFoot, type RiggedFrame, withCure } from '../rig/frame'
import { chance } from '../rig/random'
import { cureFor } from './cure'
import { diagnose } from './diagnose'

const source = chance(907)
const between = (low: number, high: number) => low + (high - low) * source.uniform()
const sign = () => (source.uniform() < 0.5 ? -1 : 1)
const pick = (n: number) => Math.floor(source.uniform() * n)

/** A frame of feet two and two at stations along the shaft, lying true. */
function trueFrame(frame: RiggedFrame['frame'], stations = 2): RiggedFrame {
  const pitch = between(250, 500)
  const half = between(120, 220)
  return {
    frame,
    pad: { x: between(25, 45), y: between(25, 45) },
    feet: Array.from({ length: stations }, (_, i) => i).flatMap((i): RiggedFoot[] =>
      [-1, 1].map((side) => ({ id: `${i}${side < 0 ? 'n' : 'f'}`, x: 240 + pitch * i, y: side * half, off: 0 })),
    ),
  }
}

const bend = (rigged: RiggedFrame, at: number, tilt: { x: number; y: number }): RiggedFrame => {
  const rest = Math.abs(tilt.x) * rigged.pad.x + Math.abs(tilt.y) * rigged.pad.y
  return { ...rigged, feet: rigged.feet.map((foot, i) => (i === at ? { ...foot, off: rest, tilt } : foot)) }
}

/** Whether nothing is found any more after one round of what the program says, and after two. */
function curedIn(rigged: RiggedFrame): [once: boolean, twice: boolean] {
  const next = (now: RiggedFrame): RiggedFrame => {
    const checks = checkFrame(now)
    return withCure(now, cureFor(diagnose(checks), checks))
  }
  const clean = (now: RiggedFrame) => diagnose(checkFrame(now))[0]!.kind === 'clean'
  const first = next(rigged)
  const second = next(first)
  return [clean(first), clean(first) || clean(second)]
}

describe('a sole that leans both ways', () => {
  it.each([0.05, 0.1, 0.0508])(
    'is filled to two strips of %s mm along two edges, and nowhere by more than its gap, 200 of 200',
    (thinnest) => {
      let filled = 0
      for (let run = 0; run < 200; run++) {
        const rigged = trueFrame('limber')
        const at = pick(4)
        const lean = (pad: number) => (sign() * between(0.12, 0.4)) / (2 * pad)
        const bent = bend(rigged, at, { x: lean(rigged.pad.x), y: lean(rigged.pad.y) })
        const checks = checkFrame(bent, 0)
        const [cure] = cureFor(diagnose(checks), checks, { thinnest })
        if (!cure || !('steps' in cure)) continue
        expect(new Set(cure.steps.map(({ edge }) => edge)).size).toBe(2)
        const off = [-1, -0.5, 0, 0.5, 1].flatMap((u) =>
          [-1, -0.5, 0, 0.5, 1].map((v) => leftOver(bent.feet[at]!, bent.pad, cure.steps, u, v)),
        )
        if (off.every((gap) => gap >= -1e-9 && gap <= 2 * thinnest + 0.008)) filled++
      }
      expect(filled).toBe(200)
    },
  )
  it('and is clean after two rounds, every third after one', () => {
    const clean = [0, 0]
    for (let run = 0; run < 100; run++) {
      const rigged = trueFrame('limber')
      const lean = (pad: number) => (sign() * between(0.1, 0.4)) / (2 * pad)
      const [once, twice] = curedIn(bend(rigged, pick(4), { x: lean(rigged.pad.x), y: lean(rigged.pad.y) }))
      if (once) clean[0]!++
      if (twice) clean[1]!++
    }
    expect(clean[1]).toBeGreaterThanOrEqual(98)
    expect(clean[0]).toBeGreaterThanOrEqual(33)
  })
})

describe('a bent foot on a rigid frame', () => {
  it('never gets an even shim, though its opposite rocks', () => {
    for (let run = 0; run < 400; run++) {
      const rigged = trueFrame('rigid')
      const at = pick(4)
      const tilt =
        run % 3 === 0
          ? { x: (sign() * between(0.12, 0.5)) / (2 * rigged.pad.x), y: 0 }
          : run % 3 === 1
            ? { x: 0, y: (sign() * between(0.12, 0.5)) / (2 * rigged.pad.y) }
            : {
                x: (sign() * between(0.1, 0.4)) / (2 * rigged.pad.x),
                y: (sign() * between(0.1, 0.4)) / (2 * rigged.pad.y),
              }
      const bent = bend(rigged, at, tilt)
      const checks = checkFrame(bent)
      const id = bent.feet[at]!.id
      const cure = cureFor(diagnose(checks), checks)
      expect(cure.filter((one) => one.foot === id && 'shim' in one)).toEqual([])
    }
  })
  it('and a frame that only rocks still gets one, under the foot the alignment wants raised', () => {
    let right = 0
    const runs = 300
    for (let run = 0; run < runs; run++) {
      const rigged = trueFrame('rigid')
      const at = pick(4)
      const feet = rigged.feet.map((foot, i) => (i === at ? { ...foot, off: between(0.08, 0.2) } : foot))
      const checks = checkFrame({ ...rigged, feet })
      const findings = diagnose(checks)
      const pair = findings[0]!.feet
      const raise = pair[run % 2]
      const cure = cureFor(findings, checks, { wanted: new Map(raise ? [[raise, 0.3]] : []) })
      const after = withCure({ ...rigged, feet }, cure)
      if (
        findings[0]!.kind === 'rocking' &&
        cure[0]?.foot === raise &&
        diagnose(checkFrame(after))[0]!.kind === 'clean'
      )
        right++
    }
    expect(right / runs).toBeGreaterThanOrEqual(0.95)
  })
})

describe('six and eight feet', () => {
  for (const stations of [3, 4])
    for (const frame of ['rigid', 'limber'] as const)
      it(`${2 * stations}, ${frame}: one short foot is named and cured in one round`, () => {
        let cured = 0
        const runs = 200
        for (let run = 0; run < runs; run++) {
          const rigged = trueFrame(frame, stations)
          const at = pick(rigged.feet.length)
          const feet = rigged.feet.map((foot, i) => (i === at ? { ...foot, off: between(0.1, 0.8) } : foot))
          const checks = checkFrame({ ...rigged, feet })
          const findings = diagnose(checks)
          const cure = cureFor(findings, checks)
          const named = findings[0]!.kind === 'short' && findings[0]!.feet.join() === feet[at]!.id
          if (named && diagnose(checkFrame(withCure({ ...rigged, feet }, cure)))[0]!.kind === 'clean') cured++
        }
        expect(cured / runs).toBeGreaterThanOrEqual(0.95)
      })
})

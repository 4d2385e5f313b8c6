import { describe, expect, it } from 'vitest'
import { exactRimReading, shaftPair } from '../../../rig/geometry'
import type { ProbeSetUp, ReadSet } from '../../../shafts/schema'
import { withMachineAt } from '../document/alter'
import { makeSet } from '../document/make'
import type { Line, Round } from '../document/schema'
import { counted, mm, pumpAndMotor, readOnRig } from '../rig'
import { solveRound } from '../solve/round'
import { movesDoubted } from './doubt'
import type { Finding } from './finding'
import { findingsFor } from './findings'
import { readPeg } from './summary'

/** Every finding with a job that brings it about, and a neighbor that does not. */

const truth = { offsetZ: 0.21, slopeZ: 0.0005, offsetY: -0.09, slopeY: 0.0002 }
const straight = { offsetZ: 0, slopeZ: 0, offsetY: 0, slopeY: 0 }
const line = pumpAndMotor()
const read = readOnRig(line, truth)

type Change = (probe: ProbeSetUp, at: number) => ProbeSetUp
const withProbes = (change: Change, round = read): Round => ({
  ...round,
  sets: round.sets.map((set) => ({ ...set, probes: set.probes.map(change) })),
})
const withSets = (change: (set: ReadSet) => ReadSet, round = read): Round => ({
  ...round,
  sets: round.sets.map(change),
})
const first =
  (change: (probe: ProbeSetUp) => ProbeSetUp): Change =>
  (probe, at) =>
    at === 0 ? change(probe) : probe
const reading = (probe: ProbeSetUp, angle: string, text: string): ProbeSetUp => ({
  ...probe,
  readings: { ...probe.readings, [angle]: { value: { text, unit: 'mm' }, turns: 0 } },
})
const without = (probe: ProbeSetUp, ...angles: string[]): ProbeSetUp => ({
  ...probe,
  readings: Object.fromEntries(Object.entries(probe.readings).filter(([angle]) => !angles.includes(angle))),
})
/** The same shafts read at other angles. */
const overAngles = (degrees: readonly number[]): Round => {
  const pair = shaftPair(truth, 0)
  return withSets((set) => ({
    ...set,
    angles: degrees.map((at) => ({ id: `a${at}`, degrees: at })),
    probes: set.probes.map((probe, i) => {
      const dial = i === 0 ? { on: 'right' as const, x: 90 } : { on: 'left' as const, x: -70 }
      const at = (angle: number) => exactRimReading(pair, { ...dial, radius: 80, sag: -0.1 }, angle)
      return degrees.reduce((p, angle) => reading(p, `a${angle}`, (at(angle) - at(0)).toFixed(4)), {
        ...probe,
        readings: {},
      })
    }),
  }))
}
const told = (round: Round, at: Line = line): Finding[] => findingsFor(solveRound({ line: at }, round), 'read')
const kinds = (round: Round, at?: Line) => new Set(told(round, at).map(({ kind }) => kind))

const cases: readonly (readonly [Finding['kind'], does: () => Set<string>, doesNot: () => Set<string>])[] = [
  [
    'not-a-number',
    () => kinds(withProbes(first((p) => reading(p, 'a90', 'o.12')))),
    () => kinds(withProbes(first((p) => reading(p, 'a90', '0.12')))),
  ],
  ['not-closed', () => kinds(withProbes(first((p) => reading(p, 'a180', '0.5')))), () => kinds(read)],
  [
    'not-returned',
    () => kinds(withProbes(first((p) => reading(p, 'a360', '0.05')))),
    () => kinds(withProbes(first((p) => reading(p, 'a360', '0.01')))),
  ],
  ['sag-upward', () => kinds(withProbes(first((p) => ({ ...p, sag: mm(0.1) })))), () => kinds(read)],
  [
    'sag-missing',
    () => kinds(withProbes(first((p) => ({ ...p, sag: { text: '', unit: 'mm' } })))),
    () => kinds(withProbes(first((p) => ({ ...p, sag: mm(0) })))),
  ],
  [
    'range',
    () => kinds(withProbes(first((p) => ({ ...p, travel: mm(0.2) })))),
    () => kinds(withProbes(first((p) => ({ ...p, travel: mm(5) })))),
  ],
  [
    'one-shaft',
    () => kinds(withSets((set) => ({ ...set, turned: 'one' }))),
    () => kinds(withSets((set) => ({ ...set, turned: 'both' }))),
  ],
  [
    'preset-as-zero',
    () => kinds(withSets((set) => ({ ...set, zeroed: 'sag' }))),
    () => kinds(withSets((set) => ({ ...set, zeroed: 'any' }))),
  ],
  [
    'out-of-proportion',
    () => kinds(withProbes(first((p) => ({ ...p, sag: mm(-3) })))),
    () => kinds(withProbes(first((p) => ({ ...p, sag: mm(-0.9) })))),
  ],
  ['next-reading', () => kinds(withProbes(first((p) => without(p, 'a90')))), () => kinds(read)],
  ['ready-to-move', () => kinds(read), () => kinds(readOnRig(line, straight))],
  ['no-move', () => kinds(readOnRig(line, straight)), () => kinds(read)],
  [
    'one-plane',
    () => kinds(withProbes((p) => without(p, 'a90', 'a270'))),
    () => kinds(withProbes(first((p) => without(p, 'a90')))),
  ],
  [
    'unsolved',
    () => kinds(withProbes((p, at) => (at === 0 ? { ...p, readings: {} } : without(p, 'a90', 'a180', 'a270')))),
    () => kinds(read),
  ],
  ['short-arc', () => kinds(overAngles([0, 40, 80, 120])), () => kinds(overAngles([0, 60, 120, 200]))],
  ['engaged', () => kinds(withSets((set) => ({ ...set, state: 'engaged' }))), () => kinds(read)],
  ['as-coupled', () => kinds(withSets((set) => ({ ...set, state: 'engaged', purpose: 'running' }))), () => kinds(read)],
  ['no-limits', () => kinds(read, { ...line, speed: '' }), () => kinds(read, { ...line, speed: '1480' })],
  [
    'dimension-fault',
    () => kinds(withProbes(first((p) => ({ ...p, station: { ...p.station, distance: { text: 'x', unit: 'mm' } } })))),
    () => kinds(read),
  ],
  [
    'dimension-doubt',
    () => kinds(withProbes(first((p) => ({ ...p, station: { ...p.station, distance: mm(-90) } })))),
    () => kinds(read),
  ],
  [
    'span-differs',
    () =>
      kinds(
        withProbes(
          first(
            (p) =>
              ({ ...p, span: mm(300), kit: { bracket: { id: 'b', name: 'B', span: mm(200), dial: '' } } }) as never,
          ),
        ),
      ),
    () =>
      kinds(
        withProbes(
          first(
            (p) =>
              ({ ...p, span: mm(205), kit: { bracket: { id: 'b', name: 'B', span: mm(200), dial: '' } } }) as never,
          ),
        ),
      ),
  ],
  ['closed', () => kinds(read), () => kinds(withProbes((p) => reading(p, 'a180', '0.5')))],
]

describe('advice', () => {
  it.each(cases)('%s: said where it is so, and not beside it', (kind, does, doesNot) => {
    expect(does()).toContain(kind)
    expect(doesNot()).not.toContain(kind)
  })
  it('says one verdict a coupling, and none where a dial does not close is sure', () => {
    const verdicts = (round: Round) => told(round).filter(({ kind }) => kind === 'verdict')
    expect(verdicts(read)).toMatchObject([{ peg: 'outside' }])
    expect(verdicts(readOnRig(line, straight))).toMatchObject([{ peg: 'within' }])
    expect(
      verdicts(
        withProbes(
          first((p) => reading(p, 'a180', '0.5')),
          readOnRig(line, straight),
        ),
      ),
    ).toMatchObject([{ peg: 'unsure' }])
  })
  it.each([
    ['sag', { sag: mm(-3) }, -3],
    ['radius', { radius: mm(1e6) }, 1e6],
    ['graduation', { graduation: mm(1) }, 1],
    ['turn', { turn: mm(100) }, 100],
    ['travel', { travel: mm(500) }, 500],
    ['sd', { sd: mm(2) }, 2],
  ] as const)('names a %s that is off by far, and what it usually is', (of, change, value) => {
    const odd = told(withProbes(first((p) => ({ ...p, ...change })))).flatMap((finding) =>
      finding.kind === 'out-of-proportion' ? [finding.odd] : [],
    )
    expect(odd).toMatchObject([{ of, value }])
    expect(value < odd[0]!.least || value > odd[0]!.most).toBe(true)
  })
})

describe('what was read, and what hangs on it', () => {
  const solve = (round: Round, at: Line = line) => solveRound({ line: at }, round)
  const empty = withProbes((probe) => ({ ...probe, readings: {} }))
  it('is nothing, begun, at fault or complete', () => {
    expect(readPeg(solve(empty))).toBe('nothing')
    expect(
      readPeg(
        solve(
          withProbes(
            first((p) => reading(p, 'a0', 'o.1')),
            empty,
          ),
        ),
      ),
    ).toBe('outside')
    expect(
      readPeg(
        solve(
          withProbes(
            first((p) => reading(p, 'a0', '0')),
            empty,
          ),
        ),
      ),
    ).toBe('unsure')
    expect(readPeg(solve(read))).toBe('within')
  })
  it('has the fourth quarter from the other three, and no two from two', () => {
    const computed = (...gone: string[]) =>
      solve(withProbes((p) => without(p, ...gone))).dials.map((dial) => dial.computed)
    expect(computed('a90', 'a360').map((one) => one?.angleId)).toEqual(['a90', 'a90'])
    expect(computed('a90', 'a270', 'a360')).toEqual([undefined, undefined])
    expect(computed('a90', 'a180', 'a360')).toEqual([undefined, undefined])
  })
  it('does not move a machine on sets that contradict each other, though every dial closes', () => {
    const [set] = read.sets
    const zeros = {
      ...set!,
      id: 'again',
      purpose: 'repeat' as const,
      probes: set!.probes.map((p) => ({
        ...['a0', 'a90', 'a180', 'a270', 'a360'].reduce((q, angle) => reading(q, angle, '0'), p),
        id: `${p.id}-again`,
        sag: mm(0),
      })),
    }
    const solved = solve({ ...read, sets: [set!, zeros] })
    expect(solved.solution.couplings[0]!.doubts).toContain('contradiction')
    expect(movesDoubted(solved, 'c1')).toBe(true)
    expect(movesDoubted(solve(read), 'c1')).toBe(false)
  })
  it('says that it cannot be worked out of the coupling that was begun, not of the one nobody touched', () => {
    const longer = withMachineAt(line, 2, 'blower', 'mm', counted())
    const [, c2] = longer.couplings
    const begun = withProbes((p) => without(p, 'a90', 'a180', 'a270', 'a360'))
    const round: Round = { ...begun, sets: [...begun.sets, makeSet(longer, c2!.id, 's2', 'mm')] }
    const unsolved = told(round, longer).flatMap((one) => (one.kind === 'unsolved' ? [one.coupling] : []))
    expect(unsolved).toEqual(['c1'])
  })
  it('tells a sweep over part of a turn for what it is, however many points it has', () => {
    const pair = shaftPair(truth, 0)
    const swept = (points: number) =>
      withSets((set) => ({
        ...set,
        probes: set.probes.map((probe, i) => {
          const dial = i === 0 ? { on: 'right' as const, x: 90 } : { on: 'left' as const, x: -70 }
          const degrees = Array.from({ length: points }, (_, k) => (k * 100) / points)
          const values = degrees.map((at) => exactRimReading(pair, { ...dial, radius: 80, sag: -0.1 }, at))
          return { ...probe, readings: {}, sweep: { unit: 'mm' as const, degrees, values: [values] } }
        }),
      }))
    for (const points of [200, 2500]) {
      const short = told(swept(points)).find(({ kind }) => kind === 'short-arc')
      expect(short?.kind === 'short-arc' && Math.abs(short.arc - 100)).toBeLessThan(1.1)
    }
  })
  it('doubts a run-out of millimeters, not one of hundredths', () => {
    const odd = (swing: number) =>
      told(withProbes(first((p) => ({ ...p, runout: { swing: mm(swing), at: '90' } })))).flatMap((one) =>
        one.kind === 'out-of-proportion' ? [one.odd.of] : [],
      )
    expect([odd(0.04), odd(2.5)]).toEqual([[], ['runout']])
  })
})

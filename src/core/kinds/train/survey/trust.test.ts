import { describe, expect, it } from 'vitest'
import { exactRimReading, shaftPair } from '../../../rig/geometry'
import { type Chance, chance } from '../../../rig/random'
import type { SurveyMeasurement } from '../../../shafts/survey/schema'
import { caseA } from './caseA'
import type { Result } from './result'
import type { Survey } from './schema'
import { solveSurvey } from './solve'

/** What a result may say, and how surely: readings that are in doubt, sets read in other states, feet that are held. */

function solved(document: unknown): Result {
  const result = solveSurvey(document)
  if (!result.ok) throw new Error(`${result.fault.path}: ${result.fault.message}`)
  return result.value
}

type Truth = Parameters<typeof shaftPair>[0]
const between = (source: Chance, low: number, high: number) => low + (high - low) * source.uniform()
const randomTruth = (source: Chance, size = 1): Truth => ({
  offsetY: size * between(source, -0.3, 0.3),
  slopeY: size * between(source, -0.0006, 0.0006),
  offsetZ: size * between(source, -0.3, 0.3),
  slopeZ: size * between(source, -0.0006, 0.0006),
})

/** Reverse dials at a coupling, read on the rig with noise. */
function measurement(
  coupling: string,
  [left, right]: readonly [string, string],
  x: number,
  truth: Truth,
  source: Chance | undefined,
  sd: number,
  more: Partial<SurveyMeasurement> = {},
): SurveyMeasurement {
  const pair = shaftPair(truth, x)
  const probe = (on: 'left' | 'right', at: number): SurveyMeasurement['probes'][number] => ({
    type: 'rim',
    on: on === 'left' ? left : right,
    x: at,
    sd,
    graduation: 0.01,
    readings: [0, 90, 180, 270].map((angle): [number, number] => [
      angle,
      exactRimReading(pair, { on, x: at, radius: 80, sag: 0 }, angle) + (source ? sd * source.normal() : 0),
    ]),
  })
  return { coupling, probes: [probe('right', x + 90), probe('left', x - 80)], ...more }
}

const codes = (result: Result) => result.warnings.map(({ code }) => code)

/** Readings of a dial of the first measurement. */
const readingsIn = ({ measurements }: Survey, probe: number): [number, number][] => {
  const found = measurements[0]?.probes[probe]
  if (!found || !('readings' in found)) throw new Error('no dial there')
  return found.readings as [number, number][]
}

describe('readings in doubt', () => {
  it('never give a sure verdict: none of 200 trains whose dial does not close is within', () => {
    const source = chance(41)
    let within = 0
    for (let run = 0; run < 200; run++) {
      const survey: Survey = {
        ...caseA(),
        measurements: [measurement('C1', ['pump', 'motor'], 0, randomTruth(source, 0.1), source, 0.002)],
      }
      const readings = readingsIn(survey, run % 2)
      readings[1 + (run % 3)]![1] += (run % 4 < 2 ? 1 : -1) * between(source, 0.03, 0.2)
      const result = solved(survey)
      expect(codes(result)).toContain('not-closed')
      expect(result.couplings[0]!.verdict!.state).toBe('unsure')
      expect(result.couplings[0]!.verdict!.probability).toBeLessThanOrEqual(1)
      if (result.couplings[0]!.verdict!.state === 'within') within++
    }
    expect(within).toBe(0)
  })
  it('nor do sets that contradict each other', () => {
    const survey = caseA()
    const [first] = survey.measurements
    const off = measurement(
      'C1',
      ['pump', 'motor'],
      0,
      { offsetY: 0, slopeY: 0, offsetZ: 0, slopeZ: 0 },
      undefined,
      0.005,
    )
    const result = solved({ ...survey, measurements: [first!, off] })
    expect(codes(result)).toContain('not-fitting')
    expect(result.couplings[0]!.verdict!.state).toBe('unsure')
  })
})

describe('sets read in different states', () => {
  const still = { offsetY: 0, slopeY: 0, offsetZ: 0, slopeZ: 0 }
  const closed = (more: Partial<SurveyMeasurement> = {}) =>
    measurement('C1', ['pump', 'motor'], 0, still, undefined, 0.005, more)

  it('zeros all round with the coupling connected are within, coupled, and plan nothing', () => {
    const result = solved({ ...caseA(), measurements: [closed({ state: 'engaged' })] })
    const [coupling] = result.couplings
    expect(coupling).toMatchObject({ vertical: null, horizontal: null, verdict: { state: 'unsure' } })
    expect(coupling!.asCoupled).toMatchObject([
      { measurement: 0, purpose: 'closed', vertical: { offset: expect.closeTo(0, 6) }, verdict: { state: 'within' } },
    ])
    expect(result.feet.every(({ vertical, horizontal }) => vertical === null && horizontal === null)).toBe(true)
    expect(codes(result)).toEqual(['engaged'])
  })
  it('are never averaged: what was read closed changes no move', () => {
    const survey = caseA()
    const alone = solved(survey)
    for (const purpose of ['closed', 'running'] as const) {
      const both = solved({ ...survey, measurements: [...survey.measurements, closed({ purpose })] })
      expect(both.feet).toEqual(alone.feet)
      expect(both.couplings[0]!.verdict).toEqual(alone.couplings[0]!.verdict)
      expect(both.couplings[0]!.asCoupled).toMatchObject([{ measurement: 1, purpose, verdict: { state: 'within' } }])
      expect(both.probes.map((probe) => probe.measurement)).toEqual([0, 0, 1, 1])
    }
  })
  it('a repeat is solved with the set it repeats', () => {
    const source = chance(5)
    const truth = randomTruth(source)
    const set = (purpose: 'plan' | 'repeat') =>
      measurement('C1', ['pump', 'motor'], 0, truth, source, 0.005, { purpose })
    const one = solved({ ...caseA(), measurements: [set('plan')] })
    const two = solved({ ...caseA(), measurements: [set('plan'), set('repeat')] })
    expect(two.couplings[0]!.asCoupled).toBeUndefined()
    expect(two.couplings[0]!.vertical!.offsetSd).toBeCloseTo(one.couplings[0]!.vertical!.offsetSd / Math.SQRT2, 9)
  })
  it('read closed and planned from all the same gives moves, and a verdict that cannot be told', () => {
    const survey = caseA()
    survey.measurements[0]!.state = 'engaged'
    survey.measurements[0]!.purpose = 'plan'
    const result = solved(survey)
    expect(result.feet[0]!.vertical!.move).toBeCloseTo(-0.216, 9)
    expect(result.couplings[0]!.verdict!.state).toBe('unsure')
    const released = solved({ ...survey, measurements: [...survey.measurements, caseA().measurements[0]!] })
    expect(released.couplings[0]!.verdict!.state).toBe('outside')
    expect(released.couplings[0]!.asCoupled).toHaveLength(1)
  })
  it('what was read running has grown already', () => {
    const survey = { ...caseA(), measurements: [closed({ purpose: 'running' }), closed({ purpose: 'closed' })] }
    for (const foot of survey.train.machines[1]!.feet) foot.growth = { vertical: 0.3 }
    expect(solved(survey).couplings[0]!.asCoupled!.map(({ verdict }) => verdict!.state)).toEqual(['within', 'outside'])
  })
})

describe('two feet held', () => {
  const machines = [
    {
      id: 'a',
      feet: [
        { id: 'a1', x: -700 },
        { id: 'a2', x: -240 },
      ],
    },
    {
      id: 'b',
      feet: [
        { id: 'b1', x: 240 },
        { id: 'b2', x: 700 },
      ],
    },
    {
      id: 'c',
      feet: [
        { id: 'c1', x: 1240 },
        { id: 'c2', x: 1800 },
      ],
    },
  ]
  const train = {
    machines,
    couplings: [
      { id: 'C1', left: 'a', right: 'b', x: 0 },
      { id: 'C2', left: 'b', right: 'c', x: 1000 },
    ],
    fixed: 'a',
    tolerance: { offset: 0.05, slope: 0.0005 },
  }
  const survey = (hold: string[], measurements: SurveyMeasurement[]): Survey => ({
    format: 'vane-peg.survey',
    version: 1,
    units: { length: 'mm', reading: 'mm' },
    train,
    measurements,
    plan: { mode: 'hold', hold },
  })
  const pairs = [
    ['a1', 'c2'],
    ['a2', 'b2'],
    ['b1', 'c1'],
    ['b1', 'b2'],
    ['c1', 'c2'],
    ['a1', 'a2'],
  ]

  it('the told deviation is that of the move: scaled errors spread by 0.85 to 1.15, and a held foot has none', () => {
    const source = chance(77)
    const squares: number[] = []
    for (let run = 0; run < 240; run++) {
      const hold = pairs[run % pairs.length]!
      const truths = [randomTruth(source), randomTruth(source)] as const
      const read = (noise: Chance | undefined) =>
        solved(
          survey(hold, [
            measurement('C1', ['a', 'b'], 0, truths[0], noise, 0.005),
            measurement('C2', ['b', 'c'], 1000, truths[1], noise, 0.005),
          ]),
        )
      const [told, truth] = [read(source), read(undefined)]
      told.feet.forEach(({ foot, vertical, horizontal }, i) => {
        for (const [plane, true_] of [
          [vertical!, truth.feet[i]!.vertical!],
          [horizontal!, truth.feet[i]!.horizontal!],
        ] as const) {
          if (hold.includes(foot)) {
            expect(plane).toMatchObject({ move: 0, moveSd: 0 })
            continue
          }
          // a foot between two held ones of its own machine hangs on nothing that is read
          if (plane.moveSd! < 1e-9) expect(plane.move).toBeCloseTo(true_.move!, 6)
          else squares.push(((plane.move! - true_.move!) / plane.moveSd!) ** 2)
        }
      })
    }
    const spread = Math.sqrt(squares.reduce((sum, value) => sum + value, 0) / squares.length)
    expect(squares.length).toBeGreaterThan(1500)
    expect(spread).toBeGreaterThan(0.85)
    expect(spread).toBeLessThan(1.15)
  })
  it('one that no reading reaches leaves no line: no moves there, and a warning that names it', () => {
    const source = chance(8)
    const only = solved(survey(['a1', 'c2'], [measurement('C1', ['a', 'b'], 0, randomTruth(source), source, 0.005)]))
    expect(only.warnings.filter(({ code }) => code === 'held-not-reached').map(({ message }) => message)).toEqual([
      expect.stringContaining('foot c2'),
      expect.stringContaining('foot c2'),
    ])
    for (const { machine, vertical, horizontal } of only.feet)
      for (const plane of [vertical, horizontal])
        if (machine === 'c') expect(plane).toBeNull()
        else expect(plane).toMatchObject({ move: null, moveSd: null })
    // top and bottom alone: the vertical plane has its line, the other has none
    const upright = measurement('C1', ['a', 'b'], 0, randomTruth(source), source, 0.005)
    for (const probe of upright.probes)
      if ('readings' in probe) probe.readings = probe.readings.filter(([angle]) => angle % 180 === 0) as never
    const half = solved(
      survey(['a1', 'b2'], [upright, measurement('C2', ['b', 'c'], 1000, randomTruth(source), source, 0.005)]),
    )
    expect(half.feet.find(({ foot }) => foot === 'b1')!.vertical!.move).not.toBeNull()
    expect(half.feet.find(({ foot }) => foot === 'a2')!.horizontal!.move).toBeNull()
    expect(codes(half)).toContain('held-not-reached')
  })
})

describe('a sag with sign reversed', () => {
  /** Four dials, so that one wrong sag contradicts the others; every reading closes. */
  const survey = (sag: number): Survey => {
    const pair = shaftPair({ offsetY: -0.05, slopeY: -0.0003, offsetZ: 0.12, slopeZ: 0.0004 }, 0)
    const dial = (on: 'left' | 'right', x: number, written: number): SurveyMeasurement['probes'][number] => ({
      type: 'rim',
      on: on === 'left' ? 'pump' : 'motor',
      x,
      sd: 0.003,
      graduation: 0.01,
      sag: written,
      readings: [0, 90, 180, 270].map((angle): [number, number] => [
        angle,
        exactRimReading(pair, { on, x, radius: 80, sag: -0.1 }, angle),
      ]),
    })
    return {
      ...caseA(),
      measurements: [
        {
          coupling: 'C1',
          probes: [dial('right', 60, sag), dial('right', 120, -0.1), dial('left', -70, -0.1), dial('left', -140, -0.1)],
        },
      ],
    }
  }
  it('is named where it would explain what does not fit, and the verdict is not sure', () => {
    const wrong = solved(survey(0.1))
    expect(codes(wrong)).toEqual(expect.arrayContaining(['not-fitting', 'sag']))
    expect(wrong.couplings[0]!.verdict!.state).toBe('unsure')
    const right = solved(survey(-0.1))
    expect(codes(right)).not.toContain('sag')
    expect(codes(right)).not.toContain('not-fitting')
  })
})

import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { findingsFor } from '../../core/kinds/train/advice/findings'
import { readPeg } from '../../core/kinds/train/advice/summary'
import { probeAsIf, roundAsIf } from '../../core/kinds/train/document/asIf'
import { makeJob, makeLine, makeSet, repeatRound } from '../../core/kinds/train/document/make'
import { expectedDoubt } from '../../core/kinds/train/document/preview'
import { type Job, jobSchema, type Round } from '../../core/kinds/train/document/schema'
import { solveRound } from '../../core/kinds/train/solve/round'
import { surveyOf } from '../../core/kinds/train/survey/ofJob'
import type { Result } from '../../core/kinds/train/survey/result'
import { solveSurvey } from '../../core/kinds/train/survey/solve'
import { jobOfSurvey } from '../../core/kinds/train/survey/toJob'
import { methods, type ReadSet } from '../../core/shafts/schema'
import { correctionOf, knownStep } from '../../core/shafts/typed'
import { solveDocument } from '../../planner/solveDocument'
import { plannedFor } from '../../planner/train/plannedFor'
import { methodJobs } from './methods'
import { moveJobs } from './moves'

const { jobs } = methodJobs(new Date('2026-11-23T08:00:00Z'))
const titled = (title: string): Job => jobs.find(({ document }) => document.title === title)!.document
const only = (job: Job): Round => job.rounds[0]!
const solve = (job: Job) => solveRound(job, only(job))
const kinds = (job: Job) => findingsFor(solve(job), 'read').map(({ kind }) => kind)
const withSet = (job: Job, change: (set: ReadSet) => ReadSet): Job => ({
  ...job,
  rounds: [{ ...only(job), sets: only(job).sets.map((set, i) => (i === 0 ? change(set) : set)) }],
})

/** The truths the demo's readings were made from: offset and slope, vertical and horizontal. */
const truths: Record<string, readonly [number, number, number, number]> = {
  'After overhaul': [0.18, 0.0006, -0.12, 0.0003],
  'Plain bearings': [-0.11, 0.0004, 0.15, -0.0005],
  'Part of a turn': [0.07, -0.0003, 0.05, 0.0002],
  Swept: [0.09, 0.0002, -0.03, -0.0003],
  'New bearing': [-0.08, 0.0002, 0.06, 0.0004],
}

describe.each(Object.keys(truths))('a job read by its method: %s', (title) => {
  const job = titled(title)
  it('is a document that can be stored', () => {
    expect(v.safeParse(jobSchema, job).success).toBe(true)
  })
  it('gives the truth back within four of its deviations', () => {
    const [coupling] = solve(job).solution.couplings
    if (!coupling?.result.ok) throw new Error('not solved')
    const { misalignment: m, covariance: c } = coupling.result.fit
    const [offsetZ, slopeZ, offsetY, slopeY] = truths[title]!
    const off = [m.offsetY - offsetY, m.slopeY - slopeY, m.offsetZ - offsetZ, m.slopeZ - slopeZ]
    off.forEach((error, i) => {
      expect(Math.abs(error)).toBeLessThan(4 * Math.sqrt(c[i]![i]!) + 1e-6)
    })
    expect(readPeg(solve(job))).toBe('within')
  })
  it('goes out as a survey that solves to the same, and comes in again as the same', () => {
    const survey = surveyOf(job, only(job))
    const solved = solveSurvey(survey)
    if (!solved.ok) throw new Error(solved.fault.message)
    const own = solve(job).solution
    for (const foot of solved.value.feet) {
      const here = own.feet.find((one) => one.foot === foot.foot)!
      expect(foot.vertical!.move!).toBeCloseTo(here.vertical!.move!, 6)
      expect(foot.horizontal!.move!).toBeCloseTo(here.horizontal!.move!, 6)
    }
    const back = jobOfSurvey(survey, 'Back again', '2026-11-23T08:00:00Z')
    if (!back.ok) throw new Error(back.fault.message)
    expect(v.safeParse(jobSchema, back.value).success).toBe(true)
    for (const foot of solve(back.value).solution.feet) {
      const here = own.feet.find((one) => one.foot === foot.foot)!
      expect(foot.vertical!.move!).toBeCloseTo(here.vertical!.move!, 6)
      expect(foot.horizontal!.move!).toBeCloseTo(here.horizontal!.move!, 6)
    }
  })
})

describe('a survey that cannot become a job', () => {
  it('comes in by the method its probes are of, and as confirmed as it was', () => {
    for (const job of methodJobs(new Date('2026-11-23T12:00:00Z')).jobs.map(({ document }) => document)) {
      const [set] = only(job).sets
      const plain = { ...job, rounds: [{ ...only(job), sets: [{ ...set!, sweep: undefined }] }] }
      const back = jobOfSurvey(JSON.parse(JSON.stringify(surveyOf(plain, only(plain)))), 'x', '')
      if (back.ok && set!.method !== 'own') expect(back.value.rounds[0]!.sets[0]!.method).toBe(set!.method)
    }
    const survey = JSON.parse(JSON.stringify(surveyOf(titled('After overhaul'), only(titled('After overhaul')))))
    const { purpose: _purpose, state: _state, ...bare } = survey.measurements[0]
    const as = (how: object) => {
      const made = jobOfSurvey({ ...survey, measurements: [{ ...bare, ...how }] }, 'x', '')
      const set = made.ok ? made.value.rounds[0]!.sets[0]! : undefined
      return [set?.state, set?.purpose, set?.engagedAccepted !== undefined]
    }
    expect(as({ state: 'engaged', purpose: 'plan' })).toEqual(['engaged', 'closed', true])
    expect(as({ state: 'engaged', purpose: 'repeat' })).toEqual(['engaged', 'closed', true])
    expect(as({ state: 'engaged' })).toEqual(['engaged', 'closed', false])
    expect(as({ purpose: 'running' })).toEqual(['engaged', 'running', false])
    expect(as({ purpose: 'repeat' })).toEqual(['released', 'repeat', false])
    // no stock in the survey: none on the shelf
    const bareOfStock = jobOfSurvey({ ...survey, plan: { mode: 'fixed' } }, 'x', '')
    expect(bareOfStock.ok && Object.keys(bareOfStock.value.rounds[0]!.plan!.stock)).toEqual([])
  })
  it.each([
    ['no format', {}, 'format'],
    [
      'one machine',
      {
        ...surveyOf(titled('After overhaul'), only(titled('After overhaul'))),
        measurements: [],
        train: { machines: [{ id: 'm1', feet: [] }], couplings: [], fixed: 'm1' },
      },
      'measurements',
    ],
  ])('is refused by its path: %s', (_, document, path) => {
    const made = jobOfSurvey(document, 'x', '')
    expect(made).toMatchObject({ ok: false, fault: { path } })
  })
})

describe('two sets at a coupling', () => {
  const job = titled('Two sets that disagree')
  it('whose readings contradict each other are said, with the sag that would explain it', () => {
    const found = findingsFor(solve(job), 'read').find(({ kind }) => kind === 'not-fitting')
    if (found?.kind !== 'not-fitting') throw new Error('nothing said')
    expect(found.suspects[0]?.suspect).toMatchObject({ fault: 'sag-sign', set: 1, probe: 0 })
    expect(kinds(job)).toContain('sets-disagree')
    expect(readPeg(solve(job))).toBe('outside')
  })
  it('agree once it is tried on, and nothing else is changed', () => {
    const found = findingsFor(solve(job), 'read').find(({ kind }) => kind === 'not-fitting')
    if (found?.kind !== 'not-fitting') throw new Error('nothing said')
    const { dial, suspect } = found.suspects[0]!
    const mended = { ...job, rounds: [roundAsIf(only(job), dial.dial.id, suspect)] }
    expect(kinds(mended)).not.toContain('not-fitting')
    expect(kinds(mended)).not.toContain('sets-disagree')
    expect(only(mended).sets[0]).toEqual(only(job).sets[0])
    expect(only(mended).sets[1]!.probes[0]!.sag.text).toBe('-0.28')
  })
})

describe('as if', () => {
  const set = only(titled('After overhaul')).sets[0]!
  const [probe] = set.probes
  const slip = (fault: 'sign' | 'swap' | 'turn' | 'decimal' | 'unit', reading: number, would: number, other?: number) =>
    probeAsIf(set, probe!, {
      set: 0,
      probe: 0,
      channel: 0,
      fault,
      reading,
      would,
      closure: 0,
      score: 0,
      ...(other === undefined ? {} : { other }),
    })
  const typed = (id: string) => probe!.readings[id]!.value.text
  it('turns a sign, exchanges two readings, adds a turn, moves the point', () => {
    const value = Number(typed('a90'))
    expect(slip('sign', 1, -value).readings.a90!.value.text).toBe(typed('a90').replace('-', ''))
    const swapped = slip('swap', 1, Number(typed('a270')), 3).readings
    expect([swapped.a90!.value.text, swapped.a270!.value.text]).toEqual([typed('a270'), typed('a90')])
    expect(slip('turn', 1, value + 1).readings.a90).toEqual({ value: probe!.readings.a90!.value, turns: 1 })
    expect(slip('turn', 1, value - 1).readings.a90!.turns).toBe(-1)
    expect(Number(slip('decimal', 1, value / 10).readings.a90!.value.text)).toBeCloseTo(value / 10, 9)
    expect(Number(slip('unit', 1, value / 2.54).readings.a90!.value.text)).toBeCloseTo(value / 2.54, 2)
  })
})

describe('how it was read', () => {
  const overhaul = titled('After overhaul')
  it('zeroed at a side and set back by half: the sides alone are enough', () => {
    const job = withSet(titled('Two sets that disagree'), (set) => ({
      ...set,
      zeroed: 'halved',
      probes: set.probes.map((probe) => {
        const at = (id: string) => Number(probe.readings[id]!.value.text)
        const half = (at('a90') - at('a270')) / 2
        return { ...probe, readings: { a90: { value: { text: String(half), unit: 'mm' as const }, turns: 0 } } }
      }),
    }))
    const one = { ...job, rounds: [{ ...only(job), sets: only(job).sets.slice(0, 1) }] }
    const [coupling] = solve(one).solution.couplings
    if (!coupling?.result.ok) throw new Error('not solved')
    expect(coupling.result.fit.measured).toEqual(['horizontal'])
    expect(coupling.result.fit.misalignment.offsetY).toBeCloseTo(-0.06, 1.5)
  })
  it('set to sag at the top: the top may stay empty, and a zero typed there is asked about', () => {
    const preset = (top: string | undefined) =>
      withSet(overhaul, (set) => ({
        ...set,
        zeroed: 'sag',
        probes: set.probes.map((probe) => {
          const sag = Number(probe.sag.text)
          const lifted = Object.fromEntries(
            Object.entries(probe.readings).map(([id, { value }]) => [
              id,
              { value: { text: (Number(value.text) - sag).toFixed(3), unit: 'mm' as const }, turns: 0 },
            ]),
          )
          const { a0: _, a360: __, ...others } = lifted
          return {
            ...probe,
            readings:
              top === undefined ? others : { ...others, a0: { value: { text: top, unit: 'mm' as const }, turns: 0 } },
          }
        }),
      }))
    const feet = (job: Job) => solve(job).solution.feet.map((foot) => foot.vertical!.move!)
    feet(preset(undefined)).forEach((move, i) => {
      expect(move).toBeCloseTo(feet(overhaul)[i]!, 2)
    })
    expect(kinds(preset('0'))).toContain('preset-as-zero')
  })
  it('one shaft turned: the run-out is asked for, and taken off once given', () => {
    const still = withSet(overhaul, (set) => ({ ...set, turned: 'one' }))
    expect(kinds(still).filter((kind) => kind === 'one-shaft')).toHaveLength(2)
    const ran = withSet(still, (set) => ({
      ...set,
      probes: set.probes.map((probe, i) =>
        i === 0
          ? {
              ...probe,
              runout: { swing: { text: '0.20', unit: 'mm' as const }, at: '90' },
              readings: Object.fromEntries(
                Object.entries(probe.readings).map(([id, { value }]) => {
                  const degrees = Number(id.slice(1))
                  const more = 0.1 * (Math.cos(((degrees - 90) * Math.PI) / 180) - 0)
                  return [
                    id,
                    { value: { text: (Number(value.text) + more).toFixed(4), unit: 'mm' as const }, turns: 0 },
                  ]
                }),
              ),
            }
          : probe,
      ),
    }))
    solve(ran).solution.feet.forEach((foot, i) => {
      expect(foot.horizontal!.move!).toBeCloseTo(solve(overhaul).solution.feet[i]!.horizontal!.move!, 3)
    })
  })
  it('a lever reads too much, a leaning plunger too little, a nulled dial right', () => {
    const with_ = (kind: 'lever' | 'plunger' | 'nulling', angle: string, madeFor = '') =>
      correctionOf({ correction: { kind, angle, madeFor } })
    expect(with_('lever', '60')).toBeCloseTo(0.5, 9)
    expect(with_('lever', '30', '12')).toBeCloseTo(Math.cos(Math.PI / 6) / Math.cos(Math.PI / 15), 9)
    expect(with_('plunger', '60')).toBeCloseTo(2, 9)
    expect(with_('nulling', '60')).toBe(1)
    expect(with_('lever', 'abc')).toBe(1)
    // a tip a quarter longer turns a fifth less
    const mm = (text: string) => ({ text, unit: 'mm' as const })
    const tipped = (made: string, used: string) =>
      correctionOf({ correction: { kind: 'lever', angle: '0', madeFor: '0', tip: { made: mm(made), used: mm(used) } } })
    expect(tipped('20', '25')).toBeCloseTo(1.25, 12)
    expect(tipped('', '25')).toBe(1)
  })
  it('a dial with a known step: whatever it shows too much goes out again, and is less sure', () => {
    const shows = 1.25
    const stretched = (correction?: Job['rounds'][number]['sets'][number]['probes'][number]['correction']) =>
      withSet(overhaul, (set) => ({
        ...set,
        probes: set.probes.map((probe, i) =>
          i > 0
            ? probe
            : {
                ...probe,
                ...(correction ? { correction } : {}),
                sag: { ...probe.sag, text: '0' },
                readings: Object.fromEntries(
                  Object.entries(probe.readings).map(([id, { value, turns }]) => [
                    id,
                    { value: { ...value, text: String(shows ** (correction ? 1 : 0) * Number(value.text)) }, turns },
                  ]),
                ),
              },
        ),
      }))
    const mm = (text: string) => ({ text, unit: 'mm' as const })
    const [bare, known, none] = [
      solve(stretched()),
      solve(stretched({ kind: 'step', step: mm('0.5'), shown: mm('0.625') })),
      solve(stretched({ kind: 'step', step: mm('0.5'), shown: mm('') })),
    ]
    bare.solution.feet.forEach(({ vertical }, i) => {
      expect(known.solution.feet[i]!.vertical!.move!).toBeCloseTo(vertical!.move!, 1)
      expect(known.solution.feet[i]!.vertical!.moveSd).toBeGreaterThanOrEqual(vertical!.moveSd - 1e-12)
    })
    const most = (solved: ReturnType<typeof solve>) =>
      Math.max(...solved.solution.feet.map(({ vertical }) => vertical!.moveSd))
    expect(most(known)).toBeGreaterThan(most(bare))
    // a step nobody read changes nothing
    expect(none.dials[0]!.readings[2]!.raw).toBeCloseTo(1.25 * bare.dials[0]!.readings[2]!.raw, 9)
    expect(known.dials[0]!.readings[2]!.raw).toBeCloseTo(bare.dials[0]!.readings[2]!.raw, 9)
  })
  it('the factor of a known step and its doubt; worlds apart it is a slip and no factor', () => {
    const dial = (step: string, shown: string) => ({
      correction: {
        kind: 'step' as const,
        step: { text: step, unit: 'mm' as const },
        shown: { text: shown, unit: 'mil' as const },
      },
      graduation: { text: '0.01', unit: 'mm' as const },
    })
    // 0.50 mm shown as 25 mil, read twice to half a hundredth
    const known = knownStep(dial('0.5', '25'))!
    expect(known.factor).toBeCloseTo(0.5 / 0.635, 12)
    expect(known.sd).toBeCloseTo((known.factor * Math.SQRT2 * 0.005) / 0.635, 12)
    for (const [step, shown] of [
      ['', '25'],
      ['0.5', ''],
      ['0.5', '0.5'],
      ['-0.5', '25'],
      ['0', '25'],
    ] as const)
      expect(knownStep(dial(step, shown))).toBeUndefined()
  })
  it('one quarter missing is worked out from the other three, and not used', () => {
    const job = withSet(overhaul, (set) => ({
      ...set,
      probes: set.probes.map((probe) => {
        const { a180: _, a360: __, ...readings } = probe.readings
        return { ...probe, readings }
      }),
    }))
    const [dial] = solve(job).dials
    expect(dial!.computed?.angleId).toBe('a180')
    const [full] = solve(overhaul).dials
    expect(dial!.computed?.value).toBeCloseTo(full!.readings.find(({ angleId }) => angleId === 'a180')!.raw, 1.5)
    const sd = (j: Job) => solve(j).solution.feet[2]!.vertical!.moveSd
    expect(sd(job)).toBeGreaterThan(sd(overhaul))
  })
})

describe('doubt', () => {
  it('says a short arc, what a whole turn would give, and which reading would help most', () => {
    const found = findingsFor(solve(titled('Part of a turn')), 'read')
    const arc = found.find(({ kind }) => kind === 'short-arc')
    const next = found.find(({ kind }) => kind === 'improve')
    expect(arc).toMatchObject({ arc: 70 })
    expect(arc?.kind === 'short-arc' && arc.sd / arc.whole).toBeGreaterThan(3)
    expect(next?.kind === 'improve' && next.after).toBeLessThan(next?.kind === 'improve' ? next.before : 0)
  })
  it('says before anything is read what a choice of angles costs', () => {
    const { line } = titled('Part of a turn')
    const set = only(titled('Part of a turn')).sets[0]!
    const whole = expectedDoubt(line, set, [0, 90, 180, 270])
    const part = expectedDoubt(line, set, [0, 30, 60])
    expect(part.sd! / whole.sd!).toBeGreaterThan(5)
    expect(expectedDoubt(line, set, [0]).sd).toBeUndefined()
  })
  it('tells a float that was canceled', () => {
    expect(kinds(titled('Plain bearings'))).toContain('floated')
  })
  it('warns of travel, span, dial and a face without radius', () => {
    const job = withSet(titled('After overhaul'), (set) => ({
      ...set,
      probes: set.probes.map((probe, i) => ({
        ...probe,
        travel: { text: i ? '0.2' : '0.3', unit: 'mm' as const },
        span: { text: '200', unit: 'mm' as const },
        radius: i ? { text: '', unit: 'mm' as const } : probe.radius,
        kit: {
          dial: { id: 'k1', name: 'Dial K1' },
          bracket: { id: 'k5', name: 'B', span: { text: '180', unit: 'mm' as const }, dial: 'Dial K2', takenOn: '' },
        },
      })),
    }))
    const found = kinds(job)
    for (const kind of ['range', 'span-differs', 'dial-differs', 'no-radius']) expect(found).toContain(kind)
  })
})

describe('new sets', () => {
  it.each(methods)('%s is a set that can be stored, with every probe under a name of its own', (method) => {
    for (const unit of ['mm', 'mil'] as const) {
      const line = makeLine('x', 'pump', 'motor', unit)
      const set = makeSet(line, 'c1', 's', unit, method)
      const job = makeJob(line, 'x', '', unit)
      const made = { ...job, rounds: [{ ...only(job), sets: [set] }] }
      expect(v.safeParse(jobSchema, made).success).toBe(true)
      expect(new Set(set.probes.map(({ id }) => id)).size).toBe(set.probes.length)
      const again = repeatRound(only(made), 'r2', '')
      expect(again.sets[0]!.method).toBe(method)
      expect(again.sets[0]!.probes.every(({ plane2, id }) => !plane2 || plane2.from === id)).toBe(true)
    }
  })
})

describe.each(
  moveJobs(new Date('2026-11-23T08:00:00Z')).jobs.map(({ document }) => [document.title, document] as const),
)('a job with something limits in the way: %s', (_, job) => {
  it('is a document that can be stored, and goes out and in again with its plan', async () => {
    expect(v.safeParse(jobSchema, job).success).toBe(true)
    const survey = surveyOf(job, only(job))
    expect(survey.plan?.mode).toBe(only(job).plan?.stays ?? 'fixed')
    const solved = await solveDocument(survey)
    if (!solved.ok) throw new Error(solved.fault.message)
    const back = jobOfSurvey(survey, 'Back again', '2026-11-23T08:00:00Z')
    if (!back.ok) throw new Error(back.fault.message)
    const [there, here] = await Promise.all(
      [job, back.value].map(async (one) => plannedFor(one, only(one), solveRound(one, only(one)))),
    )
    expect(here!.feasible).toBe(there!.feasible)
    for (const station of there!.stations) {
      const same = here!.stations.find(({ foot }) => foot === station.foot)!
      expect(same.vertical!).toBeCloseTo(station.vertical!, 5)
      expect(same.horizontal!).toBeCloseTo(station.horizontal!, 5)
      const told = (solved.value as Result).plan!.feet.find(({ foot }) => foot === station.foot)
      if (told) expect(told.vertical!).toBeCloseTo(station.wanted.vertical!, 5)
    }
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../../../testing/anything'
import { makeSet } from '../document/make'
import { solveRound } from '../solve/round'
import { caseA } from './caseA'
import { surveyOf } from './ofJob'
import type { Survey } from './schema'
import { solveSurvey } from './solve'
import { jobOfSurvey } from './toJob'

const told = (survey: Survey) => {
  const result = solveSurvey(survey)
  if (!result.ok) throw new Error(`${result.fault.path}: ${result.fault.message}`)
  return result.value
}

const withResult = (result: object, keep = false): Survey => {
  const survey = caseA()
  const own = { coupling: survey.measurements[0]!.coupling, probes: [{ type: 'result', ...result }] }
  return { ...survey, measurements: [...(keep ? survey.measurements : []), own] as Survey['measurements'] }
}

const number = fc.double({ min: -0.5, max: 0.5, noNaN: true })
const slope = fc.double({ min: -0.002, max: 0.002, noNaN: true })

describe('an instrument that works out its result by itself', () => {
  it('is told back as it was read, with its own doubt and no closure', () => {
    fc.assert(
      fc.property(number, slope, number, slope, (v, sv, h, sh) => {
        const result = told(
          withResult({
            vertical: { offset: v, slope: sv },
            horizontal: { offset: h, slope: sh },
            sd: { offset: 0.01, slope: 0.00005 },
          }),
        )
        const [coupling] = result.couplings
        expect(coupling!.vertical).toMatchObject({ offset: expect.closeTo(v, 9), slope: expect.closeTo(sv, 12) })
        expect(coupling!.horizontal).toMatchObject({ offset: expect.closeTo(h, 9), slope: expect.closeTo(sh, 12) })
        expect(coupling!.vertical).toMatchObject({
          offsetSd: expect.closeTo(0.01, 9),
          slopeSd: expect.closeTo(0.00005, 12),
        })
        expect(result.probes[0]).toMatchObject({ closure: null })
        expect(result.warnings.map(({ code }) => code)).not.toContain('short-arc')
      }),
      tries(40),
    )
  })
  it('told elsewhere along the line, its offset is carried to the coupling by its slope', () => {
    const survey = withResult({ x: 140, vertical: { offset: 0.1, slope: 0.0005 } })
    const x = survey.train.couplings[0]!.x
    const [coupling] = told(survey).couplings
    expect(coupling!.vertical!.offset).toBeCloseTo(0.1 - 0.0005 * (140 - x), 9)
    expect(coupling!.horizontal).toBeNull()
  })
  it('gives the moves that the dials it agrees with give, and makes them surer', () => {
    const dials = told(caseA())
    const [read] = dials.couplings
    const same = { vertical: read!.vertical, horizontal: read!.horizontal }
    const line = ({ offset, slope }: { offset: number; slope: number }) => ({ offset, slope })
    const own = { vertical: line(same.vertical!), horizontal: line(same.horizontal!) }
    const alone = told(withResult(own))
    for (const [i, foot] of dials.feet.entries())
      for (const plane of ['vertical', 'horizontal'] as const)
        expect(alone.feet[i]![plane]!.move).toBeCloseTo(foot[plane]!.move!, 6)
    const both = told(withResult(own, true))
    expect(both.couplings[0]!.vertical!.offsetSd).toBeLessThan(read!.vertical!.offsetSd)
    expect(both.warnings.map(({ code }) => code)).not.toContain('not-fitting')
  })
  it('that contradicts the dials by a sign is told, and the verdict cannot be', () => {
    const [read] = told(caseA()).couplings
    const { offset, slope } = read!.vertical!
    const wrong = told(withResult({ vertical: { offset: -offset, slope }, sd: { offset: 0.01, slope: 0.00005 } }, true))
    expect(wrong.warnings.map(({ code }) => code)).toContain('not-fitting')
    expect(wrong.couplings[0]!.verdict?.state ?? 'unsure').toBe('unsure')
    expect(wrong.suspects).toContainEqual(
      expect.objectContaining({
        measurement: 1,
        probe: 0,
        fault: 'sign',
        number: 'offset',
        would: expect.closeTo(offset, 9),
      }),
    )
  })
  it('without a plane is refused, and so is a deviation of nothing', () => {
    const refused = (result: object) => {
      const found = solveSurvey(withResult(result))
      return found.ok ? undefined : found.fault.path
    }
    expect(refused({})).toBe('measurements.0.probes.0')
    expect(refused({ vertical: { offset: 0.1 } })).toBe('measurements.0.probes.0.vertical.slope')
    expect(refused({ vertical: { offset: 0.1, slope: 0 }, sd: { offset: 0 } })).toBe(
      'measurements.0.probes.0.sd.offset',
    )
  })
  it('goes into a job and back without losing a digit', () => {
    const told = { vertical: { offset: 0.123, slope: 0.00045 }, horizontal: { offset: -0.04, slope: -0.0002 } }
    const job = jobOfSurvey(withResult({ ...told, sd: { offset: 0.02, slope: 0.0001 } }), 'x', '2026-12-01T08:00:00Z')
    if (!job.ok) throw new Error(job.fault.message)
    const back = surveyOf(job.value, job.value.rounds[0]!)
    expect(back.measurements[0]!.probes[0]).toMatchObject({
      type: 'result',
      vertical: { offset: expect.closeTo(0.123, 9), slope: expect.closeTo(0.00045, 12) },
      horizontal: { offset: expect.closeTo(-0.04, 9), slope: expect.closeTo(-0.0002, 12) },
      sd: { offset: expect.closeTo(0.02, 9), slope: expect.closeTo(0.0001, 12) },
    })
  })
})

describe('what its plus means', () => {
  const job = (() => {
    const made = jobOfSurvey(caseA(), 'x', '2026-12-01T08:00:00Z')
    if (!made.ok) throw new Error(made.fault.message)
    return made.value
  })()
  const mm = (text: string) => ({ value: { text, unit: 'mm' as const }, turns: 0 })
  const solved = (on: 0 | 1, plus: { offset?: 'up' | 'down'; gap?: 'top' | 'bottom' }) => {
    const { line } = job
    const machine = line.machines[on]!.id
    const set = makeSet(line, line.couplings[0]!.id, 's', 'mm', 'result', machine)
    const [probe] = set.probes
    const round = {
      ...job.rounds[0]!,
      sets: [
        {
          ...set,
          probes: [
            {
              ...probe!,
              plus: { vertical: plus, horizontal: {} },
              readings: { 'a0:offset': mm('0.12'), 'a0:gap': mm('0.05') },
            },
          ],
        },
      ],
    }
    const { result } = solveRound(job, round).solution.couplings[0]!
    return result.ok ? [result.fit.misalignment.offsetZ, result.fit.misalignment.slopeZ] : result.lack
  }
  it('is asked in words, and turns over what it says, with either machine told of', () => {
    const near = (offset: number, gap: number) => [expect.closeTo(offset, 9), expect.closeTo(gap, 9)]
    expect(solved(1, { offset: 'up', gap: 'bottom' })).toEqual(near(0.12, 0.0005))
    expect(solved(1, { offset: 'down', gap: 'bottom' })).toEqual(near(-0.12, 0.0005))
    expect(solved(1, { offset: 'up', gap: 'top' })).toEqual(near(0.12, -0.0005))
    expect(solved(0, { offset: 'up', gap: 'bottom' })).toEqual(near(-0.12, 0.0005))
  })
  it('is never guessed', () => {
    expect(solved(1, {})).toBe('nothing-read')
    expect(solved(1, { offset: 'up' })).toBe('nothing-read')
  })
})

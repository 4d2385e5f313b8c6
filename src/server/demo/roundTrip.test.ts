import { describe, expect, it } from 'vitest'
import type { Job } from '../../core/kinds/train/document/schema'
import { solveRound } from '../../core/kinds/train/solve/round'
import { caseA } from '../../core/kinds/train/survey/caseA'
import { surveyOf } from '../../core/kinds/train/survey/ofJob'
import type { Survey } from '../../core/kinds/train/survey/schema'
import { solveSurvey } from '../../core/kinds/train/survey/solve'
import { jobOfSurvey } from '../../core/kinds/train/survey/toJob'
import { quantityMm } from '../../core/quantity/quantity'
import { purposeOf } from '../../core/shafts/together'
import { methodJobs } from './methods'
import { moveJobs } from './moves'
import { demoPlant } from './plant'

const today = new Date('2026-11-23T08:00:00Z')
const jobs = [demoPlant(today), methodJobs(today), moveJobs(today)].flatMap((plant) => plant.jobs)
const named = jobs.map(({ line, document }, i) => [`${i + 1}: ${line}, ${document.title}`, document] as const)

function back(survey: unknown): Job {
  // through text, as a file goes
  const made = jobOfSurvey(JSON.parse(JSON.stringify(survey)), 'Back again', today.toISOString())
  if (!made.ok) throw new Error(`${made.fault.path}: ${made.fault.message}`)
  return made.value
}

describe.each(named)('a job taken out and brought in again: %s', (_, job) => {
  const round = job.rounds.at(-1)!
  const survey = surveyOf(job, round)
  if (survey.measurements.length === 0) {
    it('has nothing read to take out', () =>
      expect(solveRound(job, round).dials.every(({ readings }) => readings.length === 0)).toBe(true))
    return
  }
  const again = back(survey)
  it('solves to the same feet, verdicts and doubts', () => {
    const [here, there] = [solveRound(job, round).solution, solveRound(again, again.rounds[0]!).solution]
    expect(there.feet.map(({ foot }) => foot)).toEqual(here.feet.map(({ foot }) => foot))
    for (const [i, foot] of here.feet.entries())
      for (const plane of ['vertical', 'horizontal'] as const) {
        const other = there.feet[i]![plane]
        expect(other === null).toBe(foot[plane] === null)
        if (!foot[plane]) continue
        expect(other!.position).toBeCloseTo(foot[plane]!.position, 5)
        expect(other!.moveSd).toBeCloseTo(foot[plane]!.moveSd, 5)
      }
    expect(there.couplings.map(({ verdict }) => verdict?.state)).toEqual(
      here.couplings.map(({ verdict }) => verdict?.state),
    )
    expect(there.couplings.map(({ doubts }) => doubts)).toEqual(here.couplings.map(({ doubts }) => doubts))
  })
  it('keeps its names, graduations, purposes and how its dials were zeroed', () => {
    expect(again.line.name).toBe(job.line.name)
    expect(again.line.machines.map(({ name, feet }) => [name, ...feet.map((foot) => foot.name)])).toEqual(
      job.line.machines.map(({ name, feet }) => [name, ...feet.map((foot) => foot.name)]),
    )
    expect(again.line.couplings.map(({ name, kind }) => [name, kind === 'spacer'])).toEqual(
      job.line.couplings.map(({ name, kind }) => [name, kind === 'spacer']),
    )
    const facts = (one: Job, sets = one.rounds.at(-1)!.sets) =>
      sets
        .filter(({ probes }) =>
          probes.some(({ readings, sweep }) => sweep || Object.values(readings).some(({ value }) => value.text)),
        )
        .map((set) => ({
          coupling: set.coupling,
          purpose: purposeOf(set),
          zeroed: set.zeroed === 'any' ? undefined : set.zeroed,
          graduations: set.probes.map(({ graduation }) => Number(quantityMm(graduation)?.toFixed(6))),
        }))
    const order = (list: ReturnType<typeof facts>) => [...list].sort((a, b) => a.coupling.localeCompare(b.coupling))
    expect(order(facts(again, again.rounds[0]!.sets))).toEqual(order(facts(job)))
  })
  it('takes out the same document once more', () => {
    const twice = surveyOf(again, again.rounds[0]!)
    expect(twice.train.machines).toEqual(
      survey.train.machines.map((machine) => ({ ...machine, feet: expect.any(Array) })),
    )
    expect(twice.measurements.map(({ coupling, probes }) => [coupling, probes.length])).toEqual(
      survey.measurements.map(({ coupling, probes }) => [coupling, probes.length]),
    )
  })
})

describe('the same train told in inches', () => {
  const inch = (survey: Survey): Survey => {
    const small = (n: number) => n / 25.4
    return {
      ...survey,
      units: { length: 'in', reading: 'mil' },
      train: {
        ...survey.train,
        machines: survey.train.machines.map((machine) => ({
          ...machine,
          feet: machine.feet.map(({ id, x }) => ({ id, x: small(x) })),
        })),
        couplings: survey.train.couplings.map(({ diameter, x, ...coupling }) => ({
          ...coupling,
          x: small(x),
          ...(diameter ? { diameter: small(diameter) } : {}),
        })),
      },
      measurements: survey.measurements.map((measurement) => ({
        ...measurement,
        probes: measurement.probes.map((probe) => {
          if (probe.type !== 'rim') throw new Error('rims only')
          const { radius, ...bare } = probe
          return {
            ...bare,
            x: small(probe.x),
            ...(radius ? { radius: small(radius) } : {}),
            ...(probe.sd ? { sd: 1000 * small(probe.sd) } : {}),
            ...(probe.graduation ? { graduation: 1000 * small(probe.graduation) } : {}),
            ...(probe.sag ? { sag: 1000 * small(probe.sag) } : {}),
            readings: probe.readings.map(([angle, value]): [number, number] => [angle, 1000 * small(value)]),
          }
        }),
      })),
    }
  }
  it('has the same moves, in its own unit, by the command and as a job', () => {
    const metric = caseA()
    const bare: Survey = {
      ...metric,
      train: {
        ...metric.train,
        machines: metric.train.machines.map((m) => ({ ...m, feet: m.feet.map(({ id, x }) => ({ id, x })) })),
      },
    }
    const [a, b] = [solveSurvey(bare), solveSurvey(inch(bare))]
    if (!a.ok || !b.ok) throw new Error('refused')
    expect(b.value.units.reading).toBe('mil')
    const job = solveRound(back(inch(bare)), back(inch(bare)).rounds[0]!).solution
    for (const [i, foot] of a.value.feet.entries())
      for (const plane of ['vertical', 'horizontal'] as const) {
        expect(b.value.feet[i]![plane]!.move! * 0.0254).toBeCloseTo(foot[plane]!.move!, 6)
        expect(job.feet.find((one) => one.foot === foot.foot)![plane]!.move!).toBeCloseTo(foot[plane]!.move!, 5)
      }
  })
})

describe('a bore', () => {
  /** Two dials in a bore with aligned shafts: each reads its bracket's sag and nothing else. */
  const survey = (sag: number | undefined): Survey => ({
    ...caseA(),
    measurements: [
      {
        coupling: 'C1',
        probes: [20, 140].map((x) => ({
          type: 'bore',
          on: 'motor',
          x,
          sd: 0.002,
          graduation: 0.01,
          ...(sag === undefined ? {} : { sag }),
          readings: [0, 90, 180, 270, 360].map((at): [number, number] => [
            at,
            (0.1 * (1 - Math.cos((at * Math.PI) / 180))) / 2,
          ]),
        })),
      },
    ],
  })
  const positions = (document: Survey) => {
    const solved = solveSurvey(document)
    if (!solved.ok) throw new Error(solved.fault.message)
    const motor = solved.value.feet.filter(({ foot }) => foot.startsWith('motor') || foot.startsWith('M'))
    return {
      largest: Math.max(...motor.map(({ vertical }) => Math.abs(vertical!.position!))),
      codes: solved.value.warnings.map(({ code }) => code),
    }
  }
  it('reads its bracket’s sag as a rise from top to bottom: above zero, and nobody is told it hangs upward', () => {
    const right = positions(survey(0.1))
    expect(right.largest).toBeLessThan(1e-6)
    expect(right.codes).not.toContain('sag-upward')
    expect(positions(survey(undefined)).largest).toBeGreaterThan(0.04)
    expect(positions(survey(-0.1)).largest).toBeCloseTo(2 * positions(survey(undefined)).largest, 6)
  })
})

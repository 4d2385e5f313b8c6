import fc from 'fast-check'
import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { methodJobs } from '../../../server/demo/methods'
import { moveJobs } from '../../../server/demo/moves'
import { demoPlant } from '../../../server/demo/plant'
import { anythingLike, tries } from '../../../testing/anything'
import { everythingSaid, nonsense } from '../../../testing/everythingSaid'
import { type Job, jobSchema } from './document/schema'

const today = new Date('2026-03-01T08:00:00Z')
const jobs: readonly Job[] = [...demoPlant(today).jobs, ...methodJobs(today).jobs, ...moveJobs(today).jobs].map(
  ({ document }) => document,
)

it('two flex planes at one place are none: no angle without end is said', () => {
  const spaced = jobs.filter(({ line }) => line.couplings.some(({ kind }) => kind === 'spacer'))
  expect(spaced.length).toBeGreaterThan(0)
  for (const text of ['0', `0.${'0'.repeat(36)}1`, '0.009', '1'])
    for (const job of spaced) {
      const { line } = structuredClone(job)
      for (const coupling of line.couplings) if (coupling.kind === 'spacer') coupling.span = { text, unit: 'mm' }
      expect(everythingSaid({ ...job, line }).texts.filter((one) => nonsense.test(one))).toEqual([])
    }
})

describe('whatever a person leaves in the fields of a job', () => {
  for (const rate of [2, 15, 60])
    it(`it is solved, summed up, said and drawn, ${rate} of a hundred places odd`, () => {
      const any = fc.nat(jobs.length - 1).chain((i) => anythingLike(jobSchema, jobs[i]!, rate))
      fc.assert(
        fc.property(any, fc.constantFrom('mm' as const, 'mil' as const), (job, unit) => {
          fc.pre(v.safeParse(jobSchema, job).success)
          const { texts, scenes } = everythingSaid(job, unit)
          expect(texts.filter((text) => nonsense.test(text))).toEqual([])
          const numbers = scenes.flatMap(({ shapes, spots }) =>
            [...shapes, ...spots.flatMap((spot) => spot.shapes)].flatMap((shape) =>
              'points' in shape ? shape.points.flat() : shape.at,
            ),
          )
          expect(numbers.filter((n) => !Number.isFinite(n))).toEqual([])
        }),
        tries(120, Number(process.env.LONG) || 5000),
      )
    })
})

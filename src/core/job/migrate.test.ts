import { readFileSync } from 'node:fs'
import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import type { Job } from '../kinds/train/document/schema'
import { setPurpose } from '../shafts/typed'
import { anyJobSchema, anyKitSchema, anyLineSchema, jobToday } from './migrate'
import { documentShape } from './shape'
import { summarize } from './summary'

/** Documents as earlier versions of this program stored them. */
const earlier: { jobs: Record<string, Job>; line: unknown; kit: unknown[] } = JSON.parse(
  readFileSync(new URL('earlier.json', import.meta.url), 'utf8'),
)

const engaged = (job: Job): Job => ({
  ...job,
  rounds: job.rounds.map((round) => ({
    ...round,
    sets: round.sets.map((set, i) => (i === 0 ? { ...set, state: 'engaged' } : set)),
  })),
})

describe('a document of an earlier shape', () => {
  it.each(Object.entries(earlier.jobs))('is read as today’s, and everything typed is there: a job %s', (_, stored) => {
    for (const was of [stored, engaged(stored)]) {
      const job = v.parse(anyJobSchema, was) as Job
      const sets = job.rounds.flatMap((round) => round.sets)
      const before = was.rounds.flatMap((round) => round.sets)
      expect(sets.map(({ purpose }) => purpose)).toEqual(before.map(setPurpose))
      expect(job).toMatchObject(was)
      expect(job.shape).toBe(documentShape)
      const { core: _core, ...summary } = summarize(job)
      expect(summary).toEqual((({ core, ...rest }) => rest)(summarize(was)))
    }
  })
  it('is read as today’s: a line, and every piece of kit', () => {
    expect(v.parse(anyLineSchema, earlier.line)).toEqual({ ...(earlier.line as object), shape: documentShape })
    for (const item of earlier.kit)
      expect(v.parse(anyKitSchema, item)).toEqual({ ...(item as object), shape: documentShape })
  })
  it('read twice is the same as read once', () => {
    for (const stored of Object.values(earlier.jobs)) expect(jobToday(jobToday(stored))).toEqual(jobToday(stored))
  })
  it('is not guessed at where it is of a later one, or none at all', () => {
    const [job] = Object.values(earlier.jobs)
    expect(v.safeParse(anyJobSchema, { ...job, shape: documentShape + 1 }).issues?.[0]).toMatchObject({
      path: [{ key: 'shape' }],
    })
    for (const none of [null, 7, 'text', [], { shape: 'x' }, { rounds: 7 }, { rounds: [null] }])
      expect(v.safeParse(anyJobSchema, none).success).toBe(false)
  })
})

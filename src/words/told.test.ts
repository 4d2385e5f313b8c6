import fc from 'fast-check'
import * as v from 'valibot'
import { beforeAll, describe, expect, it } from 'vitest'
import { jobSchemaOf } from '../core/job/document'
import { type AnyJob, anyJob, kindNames, kindOf } from '../core/kinds'
import { anythingLike } from '../testing/anything'
import { nonsense } from '../testing/everythingSaid'
import { plantJobs } from '../testing/plant'
import { toldOf } from '../testing/told'

/**
 * Word for word what is said of the made-up plant's jobs, as they are and with odd things left in their fields: a number, a sign or
 * a condition that changes anywhere in a sentence shows here. What is meant to change is looked over and stored anew with
 * `npx vitest run src/words/told.test.ts -u`.
 */

/** Where the clock stands is another day and hour in every part of the world. */
const someDay = /\b\d{1,2} [A-Z][a-z]+ \d{4}(, \d\d:\d\d)?/g

let jobs: readonly AnyJob[]
beforeAll(async () => {
  jobs = await plantJobs()
})

describe.each(kindNames)('what is said of the kind %s', (kind) => {
  it('is what it was, word for word, in mm and in mil', async () => {
    const { lineSchema, roundSchema } = kindOf({ kind })
    const schema = jobSchemaOf(lineSchema, roundSchema)
    // the first are of every method and every state; those after them fill the logbooks
    const own = jobs.filter(({ line }) => line.kind === kind).slice(0, 24)
    const many = own.slice(0, 6)
    const odd = many.flatMap((job, i) =>
      fc
        .sample(anythingLike(schema as never, job as never, 4), { seed: 20261202 + i, numRuns: 48 / many.length })
        .filter((one) => v.safeParse(anyJob, one).success),
    ) as AnyJob[]
    const told = new Set<string>()
    for (const [i, job] of [...own, ...odd].entries())
      for (const text of toldOf(job, i % 3 === 2 ? 'mil' : 'mm', i >= Math.min(own.length, 10)))
        if (text) told.add(text.replace(someDay, 'that day'))
    const texts = [...told].sort()
    expect(texts.filter((text) => nonsense.test(text))).toEqual([])
    await expect(`${texts.join('\n')}\n`).toMatchFileSnapshot(`./told/${kind}.txt`)
  })
})

import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import { summarise } from '../../src/core/job/summary'
import { makeApp } from '../../src/server/app'
import { openStore } from '../../src/server/db/open'
import { jobs } from '../../src/server/db/schema'
import { makeDemo } from '../../src/server/demo/make'
import { demoPlant } from '../../src/server/demo/plant'
import { siteOf } from '../../src/server/site'
import { percentile, row } from './clock'

/** One page of the job list with 10,000 jobs, against the same two statements sent bare through the same client. */
export async function benchList(): Promise<string[]> {
  const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  const store = await openStore(`file:${folder}/many.db`, 'src/server/db/migrations')
  await makeDemo(store.db)
  const plant = demoPlant(new Date())
  const summaries = plant.jobs.map((job) => summarise(job.document))
  for (let first = 0; first < 10_000; first += 250)
    await store.db.insert(jobs).values(
      Array.from({ length: 250 }, (_, i) => {
        const n = first + i
        const job = plant.jobs[n % plant.jobs.length]
        const summary = summaries[n % summaries.length]
        if (!job || !summary) throw new Error('The demo plant is empty.')
        const at = new Date(Date.UTC(2020, 0, 1) + n * 3_600_000).toISOString()
        const { document, state } = job
        return {
          id: `many-${n}`,
          number: 100 + n,
          lineId: 'line-1',
          state,
          document,
          summary,
          title: document.title,
          lineName: document.line.name,
          area: document.line.area,
          createdAt: at,
          updatedAt: at,
        }
      }),
    )
  const app = makeApp(siteOf(store), { pageFolder: folder, log: pino({ level: 'silent' }) })
  const columns = 'id, number, state, due_on, signed_by, signed_at, title, line_name, area, summary, updated_at'
  const timed = async (work: () => Promise<unknown>) => {
    const times: number[] = []
    for (let i = 0; i < 300; i++) {
      const begun = performance.now()
      await work()
      times.push(performance.now() - begun)
    }
    return times.slice(20)
  }
  let page = 0
  const list = await timed(async () => (await app.request(`/api/jobs?page=${page++ % 200}`)).text())
  page = 0
  const bare = await timed(() =>
    store.client.batch([
      { sql: `select ${columns} from jobs order by updated_at desc limit 40 offset ?`, args: [40 * (page++ % 200)] },
      'select count(*) from jobs',
    ]),
  )
  const search = await timed(async () => (await app.request('/api/jobs?search=brine&state=signed')).text())
  await store.close()
  rmSync(folder, { recursive: true, force: true })
  return [
    row('job list of 10,000, a page, ms p50', percentile(list, 50).toFixed(2)),
    row('job list of 10,000, a page, ms p99', percentile(list, 99).toFixed(2), '≤ 30'),
    row(
      'the same, times the bare SQL through the same client (p50)',
      `${(percentile(list, 50) / percentile(bare, 50)).toFixed(2)}×`,
    ),
    row('job list of 10,000, searched and filtered, ms p99', percentile(search, 99).toFixed(2)),
  ]
}

import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import { wordsOfJob } from '../../src/core/find/words'
import { buildJobIndex } from '../../src/core/job/worked'
import { makeApp } from '../../src/server/app'
import { queryOf } from '../../src/server/db/finds'
import { derivedLine } from '../../src/server/db/lines'
import { openStore, type Store } from '../../src/server/db/open'
import { jobs, lines } from '../../src/server/db/schema'
import { demoPlant } from '../../src/server/demo/plant'
import { siteOf } from '../../src/server/site'
import { percentile, row } from './clock'

const manyLines = 1000
const manyJobs = 10_000

/** A site of 1,000 lines and 10,000 jobs with a hundred readings each, all of them signed but one in ten. */
export async function manyOf(store: Store): Promise<void> {
  const plant = demoPlant(new Date())
  const told = plant.jobs
    .filter(({ document }) => document.rounds.some(({ sets }) => sets.length > 0))
    .map(({ document }) => {
      const readings = document.rounds.flatMap(({ sets }) =>
        sets.flatMap(({ probes }) => probes.flatMap((p) => Object.keys(p.readings))),
      )
      // a hundred readings each: rounds are repeated until there are
      const times = Math.max(1, Math.ceil(100 / Math.max(1, readings.length)))
      const rounds = Array.from({ length: times }, (_, t) =>
        document.rounds.map((round) => ({ ...round, id: `${round.id}-${t}` })),
      ).flat()
      return { ...document, rounds: rounds.slice(0, 30) }
    })
  const worked = told.map((document) => buildJobIndex(document))
  const line = plant.lines[0]
  if (!line) throw new Error('The demo plant is empty.')
  const areas = ['Wash hall', 'Brine house', 'Drying loft', 'Press room', 'Boiler house']
  for (let first = 0; first < manyLines; first += 250)
    await store.db.insert(lines).values(
      Array.from({ length: 250 }, (_, i) => {
        const n = first + i
        const document = { ...line, name: `Line ${n}`, area: areas[n % areas.length] ?? '' }
        return { id: `line-${n}`, ...derivedLine(document), updatedAt: '2026-01-01T00:00:00.000Z' }
      }),
    )
  for (let first = 0; first < manyJobs; first += 250)
    await store.db.insert(jobs).values(
      Array.from({ length: 250 }, (_, i) => {
        const n = first + i
        const document = told[n % told.length]
        const known = worked[n % worked.length]
        if (!document || !known) throw new Error('The demo plant is empty.')
        const at = new Date(Date.UTC(2016, 0, 1) + n * 8 * 3_600_000).toISOString()
        const lineName = `Line ${n % manyLines}`
        const renamed = { ...document, line: { ...document.line, name: lineName } }
        return {
          id: `many-${n}`,
          number: 1 + n,
          lineId: `line-${n % manyLines}`,
          state: n % 10 === 0 ? ('in-hand' as const) : ('signed' as const),
          document: renamed,
          summary: known.summary,
          visit: known.visit && {
            ...known.visit,
            found: { ...known.visit.found, at },
            left: { ...known.visit.left, at },
          },
          words: wordsOfJob(renamed),
          title: document.title,
          people: document.doneBy,
          lineName,
          area: areas[n % areas.length] ?? '',
          createdAt: at,
          updatedAt: at,
        }
      }),
    )
}

/** Floor, search and Logbook of a large site, each against its own statements sent bare through the same client. */
export async function benchList(): Promise<string[]> {
  const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  const store = await openStore(`file:${folder}/many.db`, 'src/server/db/migrations')
  await manyOf(store)
  const app = makeApp(siteOf(store), { pageFolder: folder, log: pino({ level: 'silent' }) })
  const timed = async (work: (n: number) => Promise<unknown>) => {
    const times: number[] = []
    for (let i = 0; i < 300; i++) {
      const begun = performance.now()
      await work(i)
      times.push(performance.now() - begun)
    }
    return times.slice(20)
  }
  const asked = (path: (n: number) => string) => timed(async (n) => (await app.request(path(n))).text())
  const columns = 'id, number, state, due_on, signed_by, signed_at, title, line_name, area, summary, updated_at'
  const list = await asked((n) => `/api/jobs?page=${n % 200}`)
  const bareList = await timed((n) =>
    store.client.batch([
      {
        sql: `select ${columns} from jobs where archived_at is null order by updated_at desc limit 40 offset ?`,
        args: [40 * (n % 200)],
      },
      'select count(*) from jobs where archived_at is null',
    ]),
  )
  const words = ['brine', 'line 7', 'job 4', 'periodic', 'motor press', 'wash ov', 'k o', 'vibr']
  const word = (n: number) => words[n % words.length] ?? ''
  const found = await asked((n) => `/api/search?q=${encodeURIComponent(word(n))}`)
  const bareFound = await timed((n) =>
    store.client.execute({
      sql: `select f.kind, f.ref, f.name, f.place, f.words, j.number, j.state, j.title
        from finds_text join finds f on f.id = finds_text.rowid left join jobs j on f.kind = 'job' and j.id = f.ref
        where finds_text match ? and not f.archived order by rank limit 20`,
      args: [queryOf(word(n)) ?? ''],
    }),
  )
  const book = await asked((n) => `/api/lines/line-${n}/logbook`)
  const bareBook = await timed((n) =>
    store.client.batch([
      { sql: 'select * from lines where id = ?', args: [`line-${n}`] },
      {
        sql: 'select id, number, state, visit from jobs where line_id = ? and archived_at is null and visit is not null order by updated_at desc limit 60',
        args: [`line-${n}`],
      },
    ]),
  )
  const filtered = await asked(() => '/api/jobs?search=brine&state=signed')
  const begun = performance.now()
  await (await app.request('/api/site/view')).text()
  const first = performance.now() - begun
  const view = await asked(() => '/api/site/view')
  const size = await store.client.execute(
    'select page_count * page_size as bytes from pragma_page_count(), pragma_page_size()',
  )
  await store.close()
  rmSync(folder, { recursive: true, force: true })
  const pair = (name: string, ours: number[], bare: number[]) => [
    row(`${name}, ms p50`, percentile(ours, 50).toFixed(2)),
    row(`${name}, ms p99`, percentile(ours, 99).toFixed(2), '≤ 30'),
    row(
      'the same, times the bare SQL through the same client (p50)',
      `${(percentile(ours, 50) / percentile(bare, 50)).toFixed(2)}×`,
      '≤ 2×',
    ),
  ]
  return [
    row('site of 1,000 lines, 10,000 jobs, a million readings, MB', (Number(size.rows[0]?.bytes) / 1e6).toFixed(0)),
    ...pair('Floor, a page', list, bareList),
    ...pair('search of everything', found, bareFound),
    ...pair('Logbook', book, bareBook),
    row('Floor, searched and filtered, ms p50', percentile(filtered, 50).toFixed(2)),
    row('Floor, searched and filtered, ms p99', percentile(filtered, 99).toFixed(2), '≤ 30'),
    row('site view, every book made, ms', first.toFixed(0)),
    row('site view, ms p50', percentile(view, 50).toFixed(1)),
  ]
}

import { createHash } from 'node:crypto'
import { asc, eq } from 'drizzle-orm'
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import papa from 'papaparse'
import type { Database } from '../db/open'
import { siteSettings } from '../db/revisions'
import { jobs, kit, lines, photographs, revisions } from '../db/schema'
import { sealTrail, trailRows } from '../db/trail'
import { type Manifest, manifestName } from './manifest'

/**
 * The whole site in one file, written as it is read and no faster than it is taken: JSON for what the program reads back, CSV
 * for people, pictures and signed PDFs as they are. In this order, so that it can be brought in as it comes: site, lines,
 * kit, photographs, jobs, revisions; what all of it was, at the end. The trail goes out with it, and is not brought in: it is this site's own.
 */
export function archiveOf(db: Database, at: string): ReadableStream<Uint8Array> {
  const day = new Date(at)
  let fault: Error | undefined
  let ready: Uint8Array[] = []
  const zip = new Zip((error, chunk) => {
    if (error) fault = error
    else ready.push(chunk)
  })
  const add = (file: ZipDeflate | ZipPassThrough, content: Uint8Array) => {
    file.mtime = day
    zip.add(file)
    file.push(content, true)
  }
  async function* chunks() {
    const files: Manifest['files'] = []
    for await (const { name, content } of filesOf(db, at)) {
      const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content
      files.push({ name, bytes: bytes.length, sha256: createHash('sha256').update(bytes).digest('hex') })
      add(typeof content === 'string' ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name), bytes)
      if (fault) throw fault
      yield* ready.splice(0)
    }
    const manifest: Manifest = { format: 'vane-peg.manifest', files }
    add(new ZipDeflate(manifestName, { level: 6 }), new TextEncoder().encode(`${JSON.stringify(manifest)}\n`))
    zip.end()
    if (fault) throw fault
    yield* ready
    ready = []
  }
  const taken = chunks()
  return new ReadableStream({
    pull: async (controller) => {
      const { done, value } = await taken.next()
      if (done) controller.close()
      else controller.enqueue(value)
    },
    cancel: async () => void (await taken.return()),
  })
}

/** Rows of the trail in one file of an archive. */
const rowsAFile = 20_000

interface ArchiveFile {
  name: string
  content: string | Uint8Array
}

const json = (name: string, content: object): ArchiveFile => ({ name, content: `${JSON.stringify(content)}\n` })

async function* filesOf(db: Database, at: string): AsyncGenerator<ArchiveFile> {
  yield json('vane-peg.json', { format: 'vane-peg.archive', version: 2, at, site: await siteSettings(db) })
  const everyLine = await db.query.lines.findMany({ orderBy: asc(lines.id) })
  for (const { edits: _, words: __, book: ___, ...line } of everyLine) yield json(`lines/${line.id}.json`, line)
  for (const { edits: _, words: __, ...item } of await db.query.kit.findMany({ orderBy: asc(kit.id) }))
    yield json(`kit/${item.id}.json`, item)
  for (const { id } of await db.select({ id: photographs.id }).from(photographs).orderBy(asc(photographs.id))) {
    const picture = await db.query.photographs.findFirst({ where: eq(photographs.id, id) })
    if (picture)
      yield { name: `photographs/${id}.${picture.type === 'image/png' ? 'png' : 'jpg'}`, content: picture.bytes }
  }
  // one at a time: a site's jobs with their sweeps are more than fits in memory at once
  const listed = await db
    .select({
      id: jobs.id,
      number: jobs.number,
      lineName: jobs.lineName,
      area: jobs.area,
      title: jobs.title,
      state: jobs.state,
      updatedAt: jobs.updatedAt,
    })
    .from(jobs)
    .orderBy(asc(jobs.number))
  for (const { id } of listed) {
    const job = await db.query.jobs.findFirst({ where: eq(jobs.id, id) })
    if (!job) continue
    const { edits: _, summary: __, people: ___, words: ____, visit: _____, ...kept } = job
    yield json(`jobs/${id}.json`, kept)
  }
  for (const { jobId, number } of await db
    .select({ jobId: revisions.jobId, number: revisions.number })
    .from(revisions)
    .orderBy(asc(revisions.jobId), asc(revisions.number))) {
    const found = await db.query.revisions.findFirst({
      where: (row, { and, eq: same }) => and(same(row.jobId, jobId), same(row.number, number)),
    })
    if (!found) continue
    const { content, pdf, ...about } = found
    yield json(`revisions/${jobId}/${number}.json`, { ...about, content })
    if (pdf) yield { name: `revisions/${jobId}/${number}.pdf`, content: pdf }
  }
  // the chain is whole in the archive: its last hash is that of the site on that day
  await sealTrail(db)
  let rows: string[] = []
  let part = 0
  const trailFile = (): ArchiveFile => {
    part++
    return { name: `trail/${String(part).padStart(5, '0')}.jsonl`, content: rows.join('') }
  }
  for await (const row of trailRows(db)) {
    rows.push(`${JSON.stringify(row)}\n`)
    if (rows.length < rowsAFile) continue
    yield trailFile()
    rows = []
  }
  if (rows.length > 0) yield trailFile()
  const cells = { escapeFormulae: /^[=@\t\r]/ }
  yield {
    name: 'lines.csv',
    content: papa.unparse(
      everyLine.map(({ id, name, area }) => ({ id, name, area })),
      cells,
    ),
  }
  yield { name: 'jobs.csv', content: papa.unparse(listed, cells) }
}

import { asc, eq } from 'drizzle-orm'
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import papa from 'papaparse'
import type { Database } from '../db/open'
import { siteSettings } from '../db/revisions'
import { jobs, kit, lines, photographs, revisions } from '../db/schema'

/**
 * The whole site in one file, written as it is read: JSON for what the program reads back, CSV for people, pictures and signed
 * PDFs as they are. In this order, so that it can be brought in as it comes: site, lines, kit, photographs, jobs, revisions.
 */
export function archiveOf(db: Database, at: string): ReadableStream<Uint8Array> {
  return new ReadableStream({
    start(controller) {
      const zip = new Zip((error, chunk, last) => {
        if (error) controller.error(error)
        else controller.enqueue(chunk)
        if (last) controller.close()
      })
      const day = new Date(at)
      const text = (name: string, content: string) => {
        const file = new ZipDeflate(name, { level: 6 })
        file.mtime = day
        zip.add(file)
        file.push(new TextEncoder().encode(content), true)
      }
      const json = (name: string, content: object) => text(name, `${JSON.stringify(content)}\n`)
      const bytes = (name: string, content: Uint8Array) => {
        const file = new ZipPassThrough(name)
        file.mtime = day
        zip.add(file)
        file.push(content, true)
      }
      write(db, at, { text, json, bytes }).then(
        () => zip.end(),
        (error) => controller.error(error),
      )
    },
  })
}

interface Writer {
  text(name: string, content: string): void
  json(name: string, content: object): void
  bytes(name: string, content: Uint8Array): void
}

async function write(db: Database, at: string, { text, json, bytes }: Writer): Promise<void> {
  json('vane-peg.json', { format: 'vane-peg.archive', version: 1, at, site: await siteSettings(db) })
  const everyLine = await db.query.lines.findMany({ orderBy: asc(lines.id) })
  for (const { edits: _, ...line } of everyLine) json(`lines/${line.id}.json`, line)
  for (const { edits: _, ...item } of await db.query.kit.findMany({ orderBy: asc(kit.id) }))
    json(`kit/${item.id}.json`, item)
  for (const { id } of await db.select({ id: photographs.id }).from(photographs).orderBy(asc(photographs.id))) {
    const picture = await db.query.photographs.findFirst({ where: eq(photographs.id, id) })
    if (picture) bytes(`photographs/${id}.${picture.type === 'image/png' ? 'png' : 'jpg'}`, picture.bytes)
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
    const { edits: _, summary: __, people: ___, ...kept } = job
    json(`jobs/${id}.json`, kept)
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
    json(`revisions/${jobId}/${number}.json`, { ...about, content })
    if (pdf) bytes(`revisions/${jobId}/${number}.pdf`, pdf)
  }
  const cells = { escapeFormulae: /^[=@\t\r]/ }
  text(
    'lines.csv',
    papa.unparse(
      everyLine.map(({ id, name, area }) => ({ id, name, area })),
      cells,
    ),
  )
  text('jobs.csv', papa.unparse(listed, cells))
}

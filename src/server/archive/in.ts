import { createHash } from 'node:crypto'
import { eq, sql } from 'drizzle-orm'
import { Unzip, UnzipInflate } from 'fflate'
import * as v from 'valibot'
import { anyJobSchema, anyKitSchema, anyLineSchema } from '../../core/job/migrate'
import { pictureType } from '../../core/job/pictures'
import type { Worked } from '../../core/job/worked'
import type { AnyJob } from '../../core/kinds'
import { siteSchema } from '../../core/site/schema'
import { insertedJob } from '../db/jobs'
import { derivedKit } from '../db/kit'
import { derivedLine } from '../db/lines'
import type { Database } from '../db/open'
import { putSiteSettings, siteSettings } from '../db/revisions'
import { jobStates, jobs, kit, lines, photographs, revisions } from '../db/schema'
import { noted } from '../db/trail'

/** What became of an archive that was brought in. */
export interface BroughtIn {
  added: Record<Part, number>
  /** There already, and the same. */
  same: number
  /** There already, and different: left as it is here. */
  clashed: { part: Part; id: string; name: string }[]
  /** Not readable, and left out, with why. */
  refused: { file: string; why: string }[]
  /** Jobs whose number was taken here by another one: what they had, and what they have now. */
  renumbered: { id: string; was: number; now: number }[]
}

export const parts = ['lines', 'kit', 'photographs', 'jobs', 'revisions'] as const
export type Part = (typeof parts)[number]

/** The largest file inside an archive that is read, bytes. */
const largestFile = 32 * 1024 * 1024

/** The files of a zip one after the other, as they come. */
async function* filesOf(zip: AsyncIterable<Uint8Array>): AsyncGenerator<{ name: string; bytes: Uint8Array }> {
  const ready: { name: string; bytes: Uint8Array }[] = []
  let fault: Error | undefined
  const unzip = new Unzip((file) => {
    const chunks: Uint8Array[] = []
    let size = 0
    file.ondata = (error, chunk, last) => {
      if (error) fault = error
      size += chunk?.length ?? 0
      if (size > largestFile) fault = new Error(`${file.name} is too large.`)
      if (fault) return
      chunks.push(chunk)
      if (last) ready.push({ name: file.name, bytes: Buffer.concat(chunks) })
    }
    file.start()
  })
  unzip.register(UnzipInflate)
  for await (const chunk of zip) {
    unzip.push(chunk)
    if (fault) throw fault
    yield* ready.splice(0)
  }
  unzip.push(new Uint8Array(), true)
  if (fault) throw fault
  yield* ready
}

const text = v.string()
const when = v.nullable(text)
const stored = { id: v.pipe(text, v.maxLength(60)), version: v.number(), updatedAt: text, archivedAt: when }
const lineFile = v.object({ ...stored, document: anyLineSchema })
const kitFile = v.object({ ...stored, document: anyKitSchema })
const jobFile = v.object({
  ...stored,
  number: v.pipe(v.number(), v.integer()),
  lineId: text,
  state: v.picklist(jobStates),
  dueOn: when,
  assignedTo: v.optional(text, ''),
  dueBy: v.optional(when, null),
  dueBecause: v.optional(when, null),
  signedBy: when,
  signedAt: when,
  createdAt: text,
  document: anyJobSchema,
})
const revisionFile = v.object({
  jobId: text,
  number: v.number(),
  content: text,
  sha256: text,
  doneBy: text,
  checkedBy: text,
  signedAt: text,
  reopenedBy: when,
  reopenedBecause: when,
  reopenedAt: when,
})

const alike = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)

/**
 * Brings an archive in, file by file. What is there already is never changed: the same again counts as the same, anything else
 * is told. A file that cannot be read is left out and told.
 *
 * @param summarise makes what a list shows of a job
 * @throws where it is no archive at all
 */
export async function bringIn(
  db: Database,
  zip: AsyncIterable<Uint8Array>,
  summarise: (job: AnyJob) => Promise<Worked>,
): Promise<BroughtIn> {
  const told: BroughtIn = {
    added: { lines: 0, kit: 0, photographs: 0, jobs: 0, revisions: 0 },
    same: 0,
    clashed: [],
    refused: [],
    renumbered: [],
  }
  const stands = (part: Part, id: string, name: string, same: boolean) => {
    if (same) told.same++
    else told.clashed.push({ part, id, name })
  }
  let begun = false
  const take: Record<string, (name: string, bytes: Uint8Array) => Promise<void>> = {
    lines: async (_, bytes) => {
      const line = v.parse(lineFile, JSON.parse(textOf(bytes)))
      const { document, ...row } = line
      const [made] = await db
        .insert(lines)
        .values({ ...row, ...derivedLine(document) })
        .onConflictDoNothing({ target: lines.id })
        .returning({ id: lines.id })
      if (made) told.added.lines++
      else {
        const here = await db.query.lines.findFirst({ where: eq(lines.id, line.id) })
        stands('lines', line.id, document.name, alike(here?.document, document))
      }
    },
    kit: async (_, bytes) => {
      const item = v.parse(kitFile, JSON.parse(textOf(bytes)))
      const { document, ...row } = item
      const [made] = await db
        .insert(kit)
        .values({ ...row, ...derivedKit(document) })
        .onConflictDoNothing({ target: kit.id })
        .returning({ id: kit.id })
      if (made) told.added.kit++
      else {
        const here = await db.query.kit.findFirst({ where: eq(kit.id, item.id) })
        stands('kit', item.id, document.name, alike(here?.document, document))
      }
    },
    photographs: async (name, bytes) => {
      const type = pictureType(bytes)
      const id = createHash('sha256').update(bytes).digest('hex')
      if (!type || !name.includes(id)) throw new Error('This is not the picture that it is named after.')
      const [made] = await db
        .insert(photographs)
        .values({ id, type, bytes, storedAt: new Date().toISOString() })
        .onConflictDoNothing()
        .returning({ id: photographs.id })
      if (made) told.added.photographs++
      else told.same++
    },
    jobs: async (_, bytes) => {
      const job = v.parse(jobFile, JSON.parse(textOf(bytes)))
      const here = await db.query.jobs.findFirst({ where: eq(jobs.id, job.id) })
      if (here) return stands('jobs', job.id, job.document.line.name, alike(here.document, job.document))
      const made = await insertedJob(db, job, await summarise(job.document))
      told.added.jobs++
      if (made.number !== job.number) told.renumbered.push({ id: job.id, was: job.number, now: made.number })
    },
    revisions: async (name, bytes) => {
      const [, jobId = '', file = ''] = name.split('/')
      const number = Number.parseInt(file, 10)
      if (name.endsWith('.pdf')) {
        await db
          .update(revisions)
          .set({ pdf: bytes })
          .where(sql`job_id = ${jobId} and number = ${number} and pdf is null`)
        return
      }
      const revision = v.parse(revisionFile, JSON.parse(textOf(bytes)))
      const [made] = await db
        .insert(revisions)
        .values(revision)
        .onConflictDoNothing()
        .returning({ number: revisions.number })
      if (made) {
        told.added.revisions++
        return
      }
      const here = await db.query.revisions.findFirst({
        where: (row, { and, eq: same }) => and(same(row.jobId, revision.jobId), same(row.number, revision.number)),
      })
      stands('revisions', `${revision.jobId} ${revision.number}`, '', here?.sha256 === revision.sha256)
    },
  }
  for await (const { name, bytes } of filesOf(zip)) {
    if (name === 'vane-peg.json') {
      const head = v.safeParse(
        v.object({ format: v.literal('vane-peg.archive'), version: v.literal(1), site: siteSchema }),
        JSON.parse(textOf(bytes)),
      )
      if (!head.success) break
      begun = true
      const own = await siteSettings(db)
      if (own.name === '') await putSiteSettings(db, head.output.site)
      continue
    }
    if (!begun) break
    const part = take[name.split('/')[0] ?? '']
    if (!part || !name.includes('/')) continue
    try {
      await part(name, bytes)
    } catch (error) {
      told.refused.push({ file: name, why: whyOf(error) })
    }
  }
  if (!begun) throw new NoArchive()
  await noted(db, {
    act: 'brought in',
    kind: 'archive',
    of: '',
    more: { added: told.added, renumbered: told.renumbered },
  })
  return told
}

/** What was sent is no archive of this program. */
export class NoArchive extends Error {
  constructor() {
    super('This is no archive of Vane Peg.')
  }
}

const textOf = (bytes: Uint8Array): string => new TextDecoder('utf-8', { fatal: true }).decode(bytes)

function whyOf(error: unknown): string {
  if (v.isValiError(error)) {
    const [issue] = error.issues
    return [v.getDotPath(issue), issue.message].filter(Boolean).join(': ')
  }
  return error instanceof Error ? error.message : String(error)
}

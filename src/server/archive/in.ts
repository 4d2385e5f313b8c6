import { createHash } from 'node:crypto'
import { createReadStream, createWriteStream } from 'node:fs'
import { mkdtemp, open, rm, stat } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { eq } from 'drizzle-orm'
import { Unzip, UnzipInflate } from 'fflate'
import * as v from 'valibot'
import type { Sources } from '../../core/job/learned'
import { anyJobSchema, anyKitSchema, anyLineSchema } from '../../core/job/migrate'
import { pictureType } from '../../core/job/pictures'
import type { JobIndex } from '../../core/job/worked'
import type { AnyJob } from '../../core/kinds'
import { siteSchema } from '../../core/site/schema'
import { canonical, hashOf, type Revision } from '../../record/revision'
import { insertedJob } from '../db/jobs'
import { derivedKit } from '../db/kit'
import { derivedLine } from '../db/lines'
import type { Database } from '../db/open'
import { putSiteSettings, siteSettings } from '../db/revisions'
import { jobStates, jobs, kit, lines, photographs, revisions } from '../db/schema'
import { noted } from '../db/trail'
import { sha256 } from '../sha256'
import { manifestName, manifestSchema } from './manifest'

/** What became of an archive that was brought in. */
export interface BroughtIn {
  added: Record<Part, number>
  /** There already, and the same. */
  same: number
  /** There already, and different: left as it is here. */
  clashed: { part: Part; id: string; name: string }[]
  /** Jobs whose number was taken here by another one: what they had, and what they have now. */
  renumbered: { id: string; was: number; now: number }[]
}

export const parts = ['lines', 'kit', 'photographs', 'jobs', 'revisions'] as const
export type Part = (typeof parts)[number]

/** What was sent is no archive of this program, or not the whole of one. Nothing of it was taken. */
export class NoArchive extends Error {}

/** A file in an archive that is not as it has to be. Nothing of the archive was taken. */
export class BadFile extends Error {
  constructor(
    readonly file: string,
    message: string,
  ) {
    super(message)
  }
}

/** The largest file inside an archive that is read, bytes. */
const largestFile = 32 * 1024 * 1024

interface File {
  name: string
  bytes: Uint8Array
}

/** The files of a zip one after the other, as they come. */
async function* filesOf(zip: AsyncIterable<Uint8Array>): AsyncGenerator<File> {
  const ready: File[] = []
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
const moment = v.pipe(text, v.maxLength(40), v.isoTimestamp())
const day = v.pipe(text, v.isoDate())
const count = v.pipe(v.number(), v.safeInteger(), v.minValue(1))
/** A job's number: small enough that the next ones are numbers too. */
const jobNumber = v.pipe(count, v.maxValue(2 ** 31))
const known = v.pipe(text, v.regex(/^[\w.-]{1,60}$/, 'expected an id'))
const stored = { id: known, version: count, updatedAt: moment, archivedAt: v.nullable(moment) }
const sources = v.record(text, v.object({ job: jobNumber, value: v.optional(v.any()) }))
const lineFile = v.object({ ...stored, document: anyLineSchema, sources: v.optional(v.nullable(sources), null) })
const kitFile = v.object({ ...stored, document: anyKitSchema })
const jobFile = v.object({
  ...stored,
  number: jobNumber,
  lineId: known,
  state: v.picklist(jobStates),
  dueOn: v.nullable(day),
  assignedTo: v.optional(text, ''),
  dueBy: v.optional(v.nullable(text), null),
  dueBecause: v.optional(v.nullable(text), null),
  signedBy: v.nullable(text),
  signedAt: v.nullable(moment),
  createdAt: moment,
  document: anyJobSchema,
})
const revisionFile = v.object({
  jobId: known,
  number: count,
  content: text,
  sha256: text,
  doneBy: text,
  checkedBy: text,
  signedAt: moment,
  reopenedBy: v.nullable(text),
  reopenedBecause: v.nullable(text),
  reopenedAt: v.nullable(moment),
})
const headFile = v.object({ format: v.literal('vane-peg.archive'), version: v.picklist([1, 2]), site: siteSchema })

const alike = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)

/**
 * Brings an archive in: first the whole of it is looked through, then it is stored. What is there already is never changed: the
 * same again counts as the same, anything else is told. An archive in which anything is not as it has to be is refused, and
 * nothing of it is stored. Printed records are not taken but printed again from what was signed: a page is not sealed.
 *
 * @param summarize makes what a list shows of a job
 * @throws NoArchive where it is none, or not whole; BadFile where a file in it cannot be taken
 */
export async function bringIn(
  db: Database,
  zip: AsyncIterable<Uint8Array>,
  summarize: (job: AnyJob) => Promise<JobIndex>,
): Promise<BroughtIn> {
  const folder = await mkdtemp(join(tmpdir(), 'vane-peg-archive-'))
  try {
    const file = join(folder, 'archive.zip')
    await pipeline(zip, createWriteStream(file))
    const worked = await lookThrough(db, file, summarize)
    return await takeIn(db, file, worked)
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

/** What the end record of a zip says of how many files it holds; undefined where the zip has no end. */
async function filesTold(file: string): Promise<number | undefined> {
  const { size } = await stat(file)
  const length = Math.min(size, 65_557)
  const handle = await open(file)
  try {
    const tail = Buffer.alloc(length)
    await handle.read(tail, 0, length, size - length)
    const at = tail.lastIndexOf(Buffer.from('PK\x05\x06'))
    return at < 0 || at + 22 > length ? undefined : tail.readUInt16LE(at + 10)
  } finally {
    await handle.close()
  }
}

/**
 * Looks an archive through from end to end; nothing is stored.
 *
 * @returns what was worked out of each job that is not there yet
 */
async function lookThrough(db: Database, file: string, summarize: (job: AnyJob) => Promise<JobIndex>) {
  const told = await filesTold(file)
  if (told === undefined) throw new NoArchive('Not a Vane Peg archive, or only the beginning of one.')
  const hashes = new Map<string, { bytes: number; sha256: string }>()
  const worked = new Map<string, JobIndex>()
  const here = async (table: typeof lines | typeof jobs) =>
    new Set((await db.select({ id: table.id }).from(table)).map(({ id }) => id))
  const [linesKnown, jobsHere] = [await here(lines), await here(jobs)]
  const jobsKnown = new Set(jobsHere)
  const look: Partial<Record<string, (name: string, bytes: Uint8Array) => unknown>> = {
    lines: (name, bytes) => {
      const { id } = read(lineFile, bytes)
      namedAfter(name, `lines/${id}.json`)
      linesKnown.add(id)
    },
    kit: (name, bytes) => namedAfter(name, `kit/${read(kitFile, bytes).id}.json`),
    photographs: (name, bytes) => {
      if (!pictureType(bytes) || !name.includes(hashOfBytes(bytes)))
        throw new Error('Picture content does not match its name.')
    },
    jobs: async (name, bytes) => {
      const { id, lineId, document } = read(jobFile, bytes)
      namedAfter(name, `jobs/${id}.json`)
      if (!linesKnown.has(lineId)) throw new Error(`Line ${lineId} is not in the archive.`)
      jobsKnown.add(id)
      if (!jobsHere.has(id)) worked.set(id, await summarize(document))
    },
    revisions: (name, bytes) => {
      if (name.endsWith('.pdf')) return
      const { jobId, number, content, sha256: told } = read(revisionFile, bytes)
      namedAfter(name, `revisions/${jobId}/${number}.json`)
      if (!jobsKnown.has(jobId)) throw new Error(`Job ${jobId} is not in the archive.`)
      const revision: Revision & { sha256?: string } = JSON.parse(content)
      const holds =
        canonical(revision) === content &&
        hashOf(revision, sha256) === told &&
        revision.sha256 === told &&
        revision.job.id === jobId &&
        revision.revision === number
      if (!holds) throw new Error('The seal is broken: it has changed since it was signed.')
    },
  }
  let head: v.InferOutput<typeof headFile> | undefined
  let manifest: v.InferOutput<typeof manifestSchema> | undefined
  try {
    for await (const { name, bytes } of filesOf(createReadStream(file))) {
      if (hashes.has(name)) throw new BadFile(name, 'Listed twice in the archive.')
      if (manifest) throw new BadFile(name, 'Found after the end of the archive.')
      if (name === manifestName) {
        manifest = await inFile(name, () => read(manifestSchema, bytes))
        continue
      }
      hashes.set(name, { bytes: bytes.length, sha256: hashOfBytes(bytes) })
      if (name === 'vane-peg.json') {
        try {
          head = read(headFile, bytes)
        } catch {
          throw new NoArchive('Not a Vane Peg archive.')
        }
        continue
      }
      if (!head) throw new NoArchive('Not a Vane Peg archive.')
      const part = name.includes('/') ? look[name.split('/')[0] ?? ''] : undefined
      if (part) await inFile(name, () => part(name, bytes))
    }
  } catch (error) {
    if (error instanceof NoArchive || error instanceof BadFile) throw error
    throw new NoArchive(`Can’t read this archive: ${whyOf(error)}.`.replace(/\.\.$/, '.'))
  }
  if (!head) throw new NoArchive('Not a Vane Peg archive.')
  const seen = hashes.size + (manifest ? 1 : 0)
  if (told !== seen % 65_536) throw new NoArchive(`This archive is incomplete: ${told} files listed, ${seen} found.`)
  if (head.version === 2 || manifest) wholeBy(manifest, hashes)
  return worked
}

/** Compares what an archive holds with what it says that it holds. */
function wholeBy(
  manifest: v.InferOutput<typeof manifestSchema> | undefined,
  hashes: ReadonlyMap<string, { bytes: number; sha256: string }>,
): void {
  if (!manifest) throw new NoArchive('This archive is incomplete: its end is missing.')
  const listed = new Map(manifest.files.map((one) => [one.name, one]))
  for (const [name, { bytes, sha256: hash }] of hashes) {
    const said = listed.get(name)
    if (!said) throw new BadFile(name, 'Not listed in the archive.')
    if (said.bytes !== bytes || said.sha256 !== hash) throw new BadFile(name, 'Changed since it was archived.')
  }
  for (const name of listed.keys())
    if (!hashes.has(name)) throw new BadFile(name, 'Missing: this archive is incomplete.')
}

/** Stores what was looked through and found to be right. */
async function takeIn(db: Database, file: string, worked: ReadonlyMap<string, JobIndex>): Promise<BroughtIn> {
  const told: BroughtIn = {
    added: { lines: 0, kit: 0, photographs: 0, jobs: 0, revisions: 0 },
    same: 0,
    clashed: [],
    renumbered: [],
  }
  const stands = (part: Part, id: string, name: string, same: boolean) => {
    if (same) told.same++
    else told.clashed.push({ part, id, name })
  }
  const take: Partial<Record<string, (name: string, bytes: Uint8Array) => Promise<void>>> = {
    lines: async (_, bytes) => {
      const { document, sources, ...row } = read(lineFile, bytes)
      const [made] = await db
        .insert(lines)
        .values({ ...row, ...derivedLine(document), sources: sources as Sources | null })
        .onConflictDoNothing({ target: lines.id })
        .returning({ id: lines.id })
      if (made) told.added.lines++
      else {
        const here = await db.query.lines.findFirst({ where: eq(lines.id, row.id) })
        stands('lines', row.id, document.name, alike(here?.document, document))
      }
    },
    kit: async (_, bytes) => {
      const { document, ...row } = read(kitFile, bytes)
      const [made] = await db
        .insert(kit)
        .values({ ...row, ...derivedKit(document) })
        .onConflictDoNothing({ target: kit.id })
        .returning({ id: kit.id })
      if (made) told.added.kit++
      else {
        const here = await db.query.kit.findFirst({ where: eq(kit.id, row.id) })
        stands('kit', row.id, document.name, alike(here?.document, document))
      }
    },
    photographs: async (_, bytes) => {
      const type = pictureType(bytes)
      if (!type) return
      const [made] = await db
        .insert(photographs)
        .values({ id: hashOfBytes(bytes), type, bytes, storedAt: new Date().toISOString() })
        .onConflictDoNothing()
        .returning({ id: photographs.id })
      if (made) told.added.photographs++
      else told.same++
    },
    jobs: async (_, bytes) => {
      const job = read(jobFile, bytes)
      const made = worked.get(job.id)
      if (!made) {
        const here = await db.query.jobs.findFirst({ where: eq(jobs.id, job.id) })
        return stands('jobs', job.id, job.document.line.name, alike(here?.document, job.document))
      }
      const { number } = await insertedJob(db, job, made)
      told.added.jobs++
      if (number !== job.number) told.renumbered.push({ id: job.id, was: job.number, now: number })
    },
    revisions: async (name, bytes) => {
      if (name.endsWith('.pdf')) return
      const revision = read(revisionFile, bytes)
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
  for await (const { name, bytes } of filesOf(createReadStream(file))) {
    if (name === 'vane-peg.json') {
      const own = await siteSettings(db)
      if (own.name === '') await putSiteSettings(db, read(headFile, bytes).site)
    } else if (name.includes('/')) await take[name.split('/')[0] ?? '']?.(name, bytes)
  }
  await noted(db, {
    act: 'brought in',
    kind: 'archive',
    of: '',
    more: { added: told.added, renumbered: told.renumbered },
  })
  return told
}

const textOf = (bytes: Uint8Array): string => new TextDecoder('utf-8', { fatal: true }).decode(bytes)
const hashOfBytes = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')
const read = <S extends v.GenericSchema>(schema: S, bytes: Uint8Array): v.InferOutput<S> =>
  v.parse(schema, JSON.parse(textOf(bytes)))

function namedAfter(name: string, wanted: string): void {
  if (name !== wanted) throw new Error(`Its content belongs in ${wanted}.`)
}

/** Does something with a file of an archive; what goes wrong is told with its name. */
async function inFile<R>(name: string, work: () => R | Promise<R>): Promise<R> {
  try {
    return await work()
  } catch (error) {
    throw error instanceof NoArchive ? error : new BadFile(name, whyOf(error))
  }
}

function whyOf(error: unknown): string {
  if (v.isValiError(error)) {
    const [issue] = error.issues
    return `At ${[v.getDotPath(issue), issue.message].filter(Boolean).join(': ')}.`
  }
  if (error instanceof SyntaxError) return 'Not JSON.'
  if (error instanceof TypeError) return 'Not text.'
  return error instanceof Error ? error.message : String(error)
}

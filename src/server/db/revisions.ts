import { and, desc, eq, sql } from 'drizzle-orm'
import { type SiteSettings, usualSite } from '../../core/site/schema'
import type { Database } from './open'
import { jobs, revisions, site } from './schema'
import { trailed, withTrail } from './trail'

export interface NewRevision {
  jobId: string
  /** The job's version that was signed. */
  version: number
  number: number
  content: string
  sha256: string
  pdf: Uint8Array | null
  doneBy: string
  checkedBy: string
  signedAt: string
}

/**
 * Signs a job: stores the revision and closes the job, both or neither. Undefined when the job is by now at another version or
 * signed already.
 */
export async function signJob(db: Database, { version, ...revision }: NewRevision) {
  const { jobId, number, content, sha256, pdf, doneBy, checkedBy, signedAt } = revision
  const open = and(eq(jobs.id, jobId), eq(jobs.version, version), sql`${jobs.state} <> 'signed'`)
  const [, [signed]] = await db.batch([
    db.run(
      sql`insert into revisions (job_id, number, content, sha256, pdf, done_by, checked_by, signed_at)
        select ${jobId}, ${number}, ${content}, ${sha256}, ${pdf}, ${doneBy}, ${checkedBy}, ${signedAt}
        where exists (select 1 from jobs where ${open})`,
    ),
    db
      .update(jobs)
      .set({ state: 'signed', signedBy: doneBy, signedAt, version: version + 1, updatedAt: signedAt })
      .where(open)
      .returning(),
    trailed(db, { act: 'signed', kind: 'job', of: jobId, more: { revision: number, sha256, doneBy, checkedBy } }),
  ])
  return signed
}

/** Opens a signed job again; its revisions stay as they are but for who opened the last one again, and why. */
export async function reopenJob(
  db: Database,
  { jobId, by, because, at }: { jobId: string; by: string; because: string; at: string },
) {
  const signed = and(eq(jobs.id, jobId), eq(jobs.state, 'signed'))
  const [, [opened]] = await db.batch([
    db.run(
      sql`update revisions set reopened_by = ${by}, reopened_because = ${because}, reopened_at = ${at}
        where job_id = ${jobId} and number = (select max(number) from revisions where job_id = ${jobId})
        and exists (select 1 from jobs where ${signed})`,
    ),
    db
      .update(jobs)
      .set({ state: 'in-hand', signedBy: null, signedAt: null, version: sql`${jobs.version} + 1`, updatedAt: at })
      .where(signed)
      .returning(),
    trailed(db, { act: 'opened again', kind: 'job', of: jobId, more: { by, because } }),
  ])
  return opened
}

/** What a list shows of a job's revisions, the latest first; their content stays behind. */
export const revisionsOf = (db: Database, jobId: string) =>
  db
    .select({
      number: revisions.number,
      sha256: revisions.sha256,
      doneBy: revisions.doneBy,
      checkedBy: revisions.checkedBy,
      signedAt: revisions.signedAt,
      reopenedBy: revisions.reopenedBy,
      reopenedBecause: revisions.reopenedBecause,
      reopenedAt: revisions.reopenedAt,
    })
    .from(revisions)
    .where(eq(revisions.jobId, jobId))
    .orderBy(desc(revisions.number))

export const findRevision = (db: Database, jobId: string, number: number) =>
  db.query.revisions.findFirst({ where: and(eq(revisions.jobId, jobId), eq(revisions.number, number)) })

/** Keeps the printed record of a revision, made once; it is the same however often it is made. */
export const keepPdf = (db: Database, jobId: string, number: number, pdf: Uint8Array) =>
  db
    .update(revisions)
    .set({ pdf })
    .where(and(eq(revisions.jobId, jobId), eq(revisions.number, number)))

export async function siteSettings(db: Database): Promise<SiteSettings> {
  const found = await db.query.site.findFirst({ where: eq(site.id, 1) })
  return found?.document ?? usualSite
}

export const putSiteSettings = (db: Database, document: SiteSettings) =>
  withTrail(
    db,
    db.insert(site).values({ id: 1, document }).onConflictDoUpdate({ target: site.id, set: { document } }),
    {
      act: 'edited',
      kind: 'site',
      of: '',
    },
  )

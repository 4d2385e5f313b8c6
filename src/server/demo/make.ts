import { provedOf } from '../../core/job/proved'
import { buildJobIndex } from '../../core/job/worked'
import { openKey } from '../../core/prove/proof'
import { canonical } from '../../record/revision'
import { findJob, insertJob, visitsTo } from '../db/jobs'
import { insertKit, listKit } from '../db/kit'
import { insertLine } from '../db/lines'
import type { Database } from '../db/open'
import { putSiteSettings, reopenJob, revisionsOf, signJob } from '../db/revisions'
import { jobs, kit, lines, revisions } from '../db/schema'
import { sealed } from '../report/sign'
import { beltJobs } from './belts'
import { boreJobs } from './bores'
import { demoKit } from './kit'
import { methodJobs } from './methods'
import { moveJobs } from './moves'
import { type DemoJob, demoPlant, earlierJobs } from './plant'
import { plantName } from './plantName'
import { rollsJobs } from './rolls'
import { liftJobs, uprightJobs } from './upright'
import { yearsOfVisits } from './years'

const day = 86_400_000

/** Empties the database and fills it with the made-up plant. */
export async function makeDemo(db: Database, today = new Date()): Promise<void> {
  await db.batch([db.delete(revisions), db.delete(jobs), db.delete(lines), db.delete(kit)])
  await putSiteSettings(db, demoSite)
  const [told, methods, moves, pairs] = [demoPlant(today), methodJobs(today), moveJobs(today), uprightJobs(today)]
  const years = yearsOfVisits(today)
  const belts = beltJobs(today)
  const lifts = liftJobs(today)
  const bores = boreJobs(today)
  const sheets = rollsJobs(today)
  const plant = {
    lines: [
      ...told.lines,
      ...methods.lines,
      ...moves.lines,
      ...pairs.lines,
      ...years.lines,
      ...belts.lines,
      ...lifts.lines,
      ...bores.lines,
      ...sheets.lines,
    ],
    jobs: [
      ...told.jobs,
      ...methods.jobs,
      ...moves.jobs,
      ...pairs.jobs,
      ...earlierJobs(today),
      ...years.jobs,
      ...belts.jobs,
      ...lifts.jobs,
      ...bores.jobs,
      ...sheets.jobs,
    ],
  }
  const idOf = new Map(plant.lines.map((line, i) => [line.name, `line-${i + 1}`]))
  const begun = new Date(today.getTime() - 400 * day).toISOString()
  for (const line of plant.lines) await insertLine(db, idOf.get(line.name) ?? line.name, line, begun)
  for (const [i, item] of demoKit(today).entries()) await insertKit(db, `kit-${i + 1}`, item, begun)
  const dateOf = ({ state, days }: Pick<DemoJob, 'state' | 'days'>, i: number) =>
    new Date(today.getTime() + (state === 'due' ? -20 * day + i * 60_000 : -days * day - (20 - i) * 60_000))
  for (const [i, job] of plant.jobs.entries()) {
    const { line, document, state, days } = job
    const at = dateOf(job, i)
    await insertJob(db, {
      id: `job-${i + 1}`,
      lineId: idOf.get(line) ?? '',
      document,
      worked: buildJobIndex(document),
      state: state === 'signed' ? 'in-hand' : state,
      at: at.toISOString(),
      ...(state === 'due' ? { dueOn: new Date(today.getTime() + days * day).toISOString().slice(0, 10) } : {}),
    })
  }
  // signed when every visit is there: a record tells the next check from those before it
  for (const [i, job] of plant.jobs.entries()) {
    const { document, state, by } = job
    const at = dateOf(job, i)
    if (state === 'signed') await signDemo(db, `job-${i + 1}`, by, at.toISOString())
    // one was looked at again: what it says was not good enough, and it was signed a second time
    if (state === 'signed' && document.title === 'After overhaul') {
      const later = (hours: number) => new Date(at.getTime() + hours * 3_600_000).toISOString()
      const because = 'Growth was asked for: the pump runs at 70 °C.'
      await reopenJob(db, { jobId: `job-${i + 1}`, by: 'I. M.', because, at: later(20) })
      await signDemo(db, `job-${i + 1}`, by, later(26))
    }
  }
}

/** Signs a job of the made-up plant, with a reason for everything that is open. */
async function signDemo(db: Database, id: string, by: string, at: string): Promise<void> {
  const job = await findJob(db, id)
  if (!job) throw new Error('The demo signs a job that there is.')
  const { number, document, version } = job
  const revision = (await revisionsOf(db, id)).length + 1
  const accepted = provedOf(document).proof.open.map((open) => ({
    key: openKey(open),
    because: 'Before these steps were kept here.',
  }))
  const visits = (await visitsTo(db, job.lineId)).filter(
    ({ left }) => left.at <= new Date(Date.parse(at) + day).toISOString(),
  )
  const outcome = await sealed(
    { line: { visits }, id, number, revision, at, document, site: demoSite, kit: await listKit(db) },
    { doneBy: by, checkedBy: by === 'I. M.' ? 'R. T.' : 'I. M.', unit: 'mm', accepted },
  )
  if (!outcome.ok) throw new Error(outcome.message)
  const { signed, sha256 } = outcome.revision
  await signJob(db, {
    jobId: id,
    version,
    number: revision,
    content: canonical(outcome.revision),
    sha256,
    // printed when somebody asks for it
    pdf: null,
    doneBy: signed.doneBy,
    checkedBy: signed.checkedBy,
    signedAt: at,
  })
}

const demoSite = { name: plantName, mark: '', checkedByAnother: true }

import { summaryOf } from '../../core/job/summary'
import { insertJob } from '../db/jobs'
import { insertKit } from '../db/kit'
import { insertLine } from '../db/lines'
import type { Database } from '../db/open'
import { jobs, kit, lines } from '../db/schema'
import { demoKit } from './kit'
import { methodJobs } from './methods'
import { moveJobs } from './moves'
import { demoPlant } from './plant'
import { uprightJobs } from './upright'

const day = 86_400_000

/** Empties the database and fills it with the made-up plant. */
export async function makeDemo(db: Database, today = new Date()): Promise<void> {
  await db.batch([db.delete(jobs), db.delete(lines), db.delete(kit)])
  const [told, methods, moves, pairs] = [demoPlant(today), methodJobs(today), moveJobs(today), uprightJobs(today)]
  const plant = {
    lines: [...told.lines, ...methods.lines, ...moves.lines, ...pairs.lines],
    jobs: [...told.jobs, ...methods.jobs, ...moves.jobs, ...pairs.jobs],
  }
  const idOf = new Map(plant.lines.map((line, i) => [line.name, `line-${i + 1}`]))
  const begun = new Date(today.getTime() - 400 * day).toISOString()
  for (const line of plant.lines) await insertLine(db, idOf.get(line.name) ?? line.name, line, begun)
  for (const [i, item] of demoKit(today).entries()) await insertKit(db, `kit-${i + 1}`, item, begun)
  for (const [i, { line, document, state, days, by }] of plant.jobs.entries()) {
    const at = new Date(today.getTime() + (state === 'due' ? -20 * day + i * 60_000 : -days * day - (20 - i) * 60_000))
    await insertJob(db, {
      id: `job-${i + 1}`,
      lineId: idOf.get(line) ?? '',
      document,
      summary: summaryOf(document),
      state,
      at: at.toISOString(),
      ...(state === 'due' ? { dueOn: new Date(today.getTime() + days * day).toISOString().slice(0, 10) } : {}),
      ...(state === 'signed' ? { signedBy: by, signedAt: at.toISOString() } : {}),
    })
  }
}

import type { Job } from '../../core/job/schema'
import { angleName, footName, probeName, type Terms } from '../../words/terms'

/** A place in a job's document, in words: "round 1, motor dial, bottom". */
export function describePath(job: Job, path: readonly string[]): string {
  const terms: Pick<Terms, 'line'> = { line: job.line }
  const words: string[] = []
  const round = job.rounds.find((r) => path.includes(r.id))
  if (round) words.push(`round ${job.rounds.indexOf(round) + 1}`)
  const set = round?.sets.find((one) => path.includes(one.id))
  const dial = set?.probes.find((one) => path.includes(one.id))
  if (set && dial) words.push(probeName(set, dial, terms).toLowerCase())
  const angle = set?.angles.find((one) => path.some((key) => key === one.id || key.startsWith(`${one.id}:`)))
  if (angle) words.push(angleName(angle.degrees, terms, set?.angleAs).toLowerCase())
  for (const machine of job.line.machines)
    for (const foot of machine.feet) {
      // a foot of the station: "m2-front.near"
      const side = path.find((key) => key.startsWith(`${foot.id}.`))?.slice(foot.id.length + 1)
      if (path.includes(foot.id) || side) words.push(footName(foot.id, terms), ...(side ? [side] : []))
    }
  // what was typed and its unit are parts of one number: the number has the name
  const named = path.filter((key) => key !== 'text' && key !== 'unit')
  if (words.length === 0 || !angle) words.push(named.at(-1) ?? '')
  return words.join(', ')
}

import type { Job, Line } from '../../core/kinds/train/document/schema'
import { angleName, footName, probeName, type Terms } from '../../words/terms'

/** Fields whose key is not their name. */
const fieldNames: Readonly<Record<string, string>> = {
  doneBy: 'done by',
  by: 'initials',
  takenAt: 'day',
  fixed: 'which machine stays',
  fixedBecause: 'why it stays',
  speed: 'speed, rpm',
  sd: 'deviation of a reading',
  value: 'reading',
  packs: 'shims',
  padAlong: 'pad along the shaft',
  padAcross: 'pad across the shaft',
  takenOn: 'day taken',
  barSpan: 'span on the bar',
  barDial: 'dial on the bar',
  calibrationDue: 'calibration due',
  mostShims: 'most shims in a pack',
}

const fieldName = (key: string): string =>
  fieldNames[key] ?? key.replace(/([a-z])([A-Z])/g, (_, before, after) => `${before} ${after.toLowerCase()}`)

/** A place in a piece of kit, in words. */
export const describeKit = (path: readonly string[]): string => wordOf(path) ?? 'this piece'

/** A place in a line, in words: "Motor, front feet, distance". */
export function describeLine(line: Line, path: readonly string[]): string {
  const words = [...partOf(line, path), wordOf(path)]
  return words.filter(Boolean).join(', ') || 'this line'
}

/** A place in a job's document, in words: "round 1, motor dial, bottom". */
export function describePath(job: Job, path: readonly string[]): string {
  const terms: Pick<Terms, 'line'> = { line: job.line }
  const words: (string | undefined)[] = []
  const round = job.rounds.find((r) => path.includes(r.id))
  if (round) words.push(`round ${job.rounds.indexOf(round) + 1}`)
  const set = round?.sets.find((one) => path.includes(one.id))
  const dial = set?.probes.find((one) => path.includes(one.id))
  if (set && dial) words.push(probeName(set, dial, terms).toLowerCase())
  else if (set && path.at(-1) === set.id) words.push(`set ${(round?.sets.indexOf(set) ?? 0) + 1}`)
  const angle = set?.angles.find((one) => path.some((key) => key === one.id || key.startsWith(`${one.id}:`)))
  if (angle) words.push(angleName(angle.degrees, terms, set?.angleAs).toLowerCase())
  words.push(...partOf(job.line, path))
  if (!angle) words.push(wordOf(path))
  return words.filter(Boolean).join(', ') || 'this job'
}

/** The part of a line that a path goes through: a foot, else a machine, a coupling, a mark. */
function partOf(line: Line, path: readonly string[]): string[] {
  for (const machine of line.machines)
    for (const foot of machine.feet) {
      // a foot of the station: "m2-front.near"
      const side = path.find((key) => key.startsWith(`${foot.id}.`))?.slice(foot.id.length + 1)
      if (path.includes(foot.id) || side) return [footName(foot.id, { line }), ...(side ? [side] : [])]
    }
  const part = [...line.machines, ...line.couplings, ...(line.marks ?? [])].find(({ id }) => path.includes(id))
  return part ? [part.name] : []
}

/** The name of the field a path ends in; undefined where it ends in a thing with an id. */
function wordOf(path: readonly string[]): string | undefined {
  // what was typed and its unit are parts of one number: the number has the name
  const key = path.findLast((one) => one !== 'text' && one !== 'unit')
  return key === undefined || /\d/.test(key) ? undefined : fieldName(key)
}

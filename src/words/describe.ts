import type { NamedLine } from '../core/job/document'
import type { AnyJob, AnyLine, KindName } from '../core/kinds'
import { kindOf } from '../core/kinds'
import { wordsOf } from './index'
import { labels, t } from './language'
import { footName } from './terms'

/** Fields whose key is not their name. */
const fieldNames: Readonly<Record<string, string>> = labels({
  doneBy: 'done by',
  by: 'initials',
  takenAt: 'day',
  fixed: 'fixed machine',
  fixedBecause: 'reason',
  speed: 'speed, rpm',
  sd: 'repeatability',
  value: 'reading',
  packs: 'shims',
  padAlong: 'pad along the shaft',
  padAcross: 'pad across the shaft',
  takenOn: 'date taken',
  barSpan: 'span on the bar',
  barDial: 'dial on the bar',
  calibrationDue: 'calibration due',
  mostShims: 'most shims in a pack',
})

const fieldName = (key: string): string =>
  fieldNames[key] ?? key.replace(/([a-z])([A-Z])/g, (_, before, after) => `${before} ${after.toLowerCase()}`)

/** A place in a piece of kit, in words. */
export const describeKit = (path: readonly string[]): string => wordOf(path) ?? t`this item`

/** A place in a line, in words: "Motor, front feet, distance". */
export function describeLine<K extends KindName>(line: AnyLine<K>, path: readonly string[]): string {
  const words = [...partOf(kindOf({ kind: line.kind as K }).named(line), path), wordOf(path)]
  return words.filter(Boolean).join(', ') || t`this line`
}

/** A place in a job's document, in words: "round 1, motor dial, bottom". */
export function describePath<K extends KindName>(job: AnyJob<K>, path: readonly string[]): string {
  const kind: K = job.line.kind as K
  const named = kindOf({ kind }).named(job.line)
  const round = job.rounds.find((r) => path.includes(r.id))
  const inside = round ? wordsOf({ kind }).placeInRound(round, path, named) : { words: [], whole: false }
  const words: (string | undefined)[] = [
    ...(round ? [t`round ${job.rounds.indexOf(round) + 1}`] : []),
    ...inside.words,
    ...partOf(named, path),
    ...(inside.whole ? [] : [wordOf(path)]),
  ]
  return words.filter(Boolean).join(', ') || t`this job`
}

/** The part of a line that a path goes through: a foot, else a machine, a coupling, a mark. */
function partOf(line: NamedLine, path: readonly string[]): string[] {
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

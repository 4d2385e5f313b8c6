import * as v from 'valibot'
import { type AnyJob, type AnyLine, anyLine } from '../kinds'
import { type Difference, differences, type Json, merge, same, sameDocument, valueAt, withValue } from '../merge/merge'

/**
 * What jobs learn about their line. A job has its line's document as it was on this visit; what is typed there is the line's at
 * once. So the line is never behind its jobs, a signed job keeps what was signed, and another open job is asked.
 */

/**
 * The line, with what an edit changed in a job's own copy of it. Where the line says something else by now, the edit holds: whoever
 * typed it stood at the machine, and other jobs are asked. What the job decided to keep for itself teaches nothing.
 *
 * @param before the job's copy before the edit, `job` what it is after it
 * @returns undefined where the edit teaches nothing that the line has not
 */
export function learned(before: AnyLine, job: AnyJob, line: AnyLine): AnyLine | undefined {
  const [was, is] = [shapeless(before), shapeless(job.line)]
  if (line.kind !== is.kind || sameDocument(was, is)) return undefined
  const own = (job.keptOwn ?? []).filter(({ path, own }) => asText(valueAt(is, path)) === own)
  const after = own.reduce((now, { path }) => withValue(now, path, valueAt(was, path), was), is)
  const told = merge(was, after, shapeless(line)).document
  // the decisions of its logbook are made on the line's own page
  const parsed = v.safeParse(anyLine, { ...told, shape: line.shape, logbook: line.logbook })
  return parsed.success && !sameDocument<AnyLine>(parsed.output, line) ? parsed.output : undefined
}

/** Only a document of its own says what shape it has, and a job's copy of its line is none. */
function shapeless({ shape: _, ...line }: AnyLine): AnyLine {
  return line as AnyLine
}

/** By place: the number of the job that put there what the line has, and what it put. */
export type Sources = Readonly<Record<string, { job: number; value: Json | undefined }>>

const placeName = (path: readonly string[]): string => JSON.stringify(path)

/** The sources of a line once a job has changed it. Places that nothing is known of any more are let go. */
export function sourcesAfter(sources: Sources | null, job: number, before: AnyLine, after: AnyLine): Sources {
  const kept = Object.entries(sources ?? {}).filter(([place, { value }]) =>
    same(valueAt(after, JSON.parse(place)), value),
  )
  const changed = differences(before, after).map(({ path, other }) => [placeName(path), { job, value: other }] as const)
  return Object.fromEntries([...kept, ...changed])
}

/** A place where a line says something else than an open job's own copy of it. */
export interface Differs extends Difference {
  /** The number of the job it was changed in; undefined where it was changed on the line's own page. */
  changedIn: number | undefined
}

/**
 * Where a line says something else than a job: `one` is the job's, `other` the line's. Left out is what the job decided to keep, and
 * what the line does not say at all.
 */
export function lineDiffers({ line: own, keptOwn = [] }: AnyJob, line: AnyLine, sources: Sources | null): Differs[] {
  if (own.kind !== line.kind) return []
  return differences(own, line)
    .filter(({ path, one: mine, other }) => {
      if (path[0] === 'shape' || path[0] === 'logbook') return false
      const kept = keptOwn.find((one) => placeName(one.path) === placeName(path))
      return says(other) && !(kept?.line === asText(other) && kept.own === asText(mine))
    })
    .map((one) => {
      const source = sources?.[placeName(one.path)]
      return { ...one, changedIn: source && same(source.value, one.other) ? source.job : undefined }
    })
}

/** Whether something stands at a place: an empty field says nothing. */
const says = (value: Json | undefined): boolean =>
  value !== undefined &&
  value !== null &&
  value !== '' &&
  !(typeof value === 'object' && 'text' in value && value.text === '')

const asText = (value: Json | undefined): string => JSON.stringify(value ?? null)

/** A job that takes what its line says at a place. */
export const takeFromLine = (job: AnyJob, { path, other }: Differs, line: AnyLine): AnyJob => ({
  ...job,
  line: withValue(job.line, path, other, line),
  keptOwn: without(job, path),
})

/** A job that keeps its own at a place, until its line says something else again. */
export const keepOwn = (job: AnyJob, { path, one, other }: Differs): AnyJob => ({
  ...job,
  keptOwn: [...without(job, path), { path: [...path], own: asText(one), line: asText(other) }],
})

const without = ({ keptOwn = [] }: AnyJob, path: readonly string[]) =>
  keptOwn.filter((kept) => placeName(kept.path) !== placeName(path))

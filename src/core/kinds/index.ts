import * as v from 'valibot'
import type { JobOf } from '../job/document'
import { jobSchemaOf } from '../job/document'
import { type BeltTypes, belt } from './belt'
import { type BoreTypes, bore } from './bore'
import type { Kind } from './kind'
import { type RollsTypes, rolls } from './rolls'
import { type TrainTypes, train } from './train'
import { type UprightTypes, upright } from './upright'

/** The kinds of line there are: their types, and what each of them can do. A further kind is its folder and a line in each. */
export interface Kinds {
  train: TrainTypes
  upright: UprightTypes
  belt: BeltTypes
  bore: BoreTypes
  rolls: RollsTypes
}

export const kinds: { readonly [K in KindName]: Kind<Kinds[K]> } = { train, upright, belt, bore, rolls }

export type KindName = keyof Kinds

/** A line, a round and a job of a kind, of any kind where none is named. */
export type AnyLine<K extends KindName = KindName> = Kinds[K]['line']
export type AnyRound<K extends KindName = KindName> = Kinds[K]['round']
export type AnyJob<K extends KindName = KindName> = JobOf<AnyLine<K>, AnyRound<K>>

export const kindNames = Object.keys(kinds) as [KindName, ...KindName[]]

/** What a line's kind can do. */
export const kindOf = <K extends KindName>(line: { kind: K }): Kind<Kinds[K]> => kinds[line.kind]

const isKind = (name: unknown): name is KindName => typeof name === 'string' && Object.hasOwn(kinds, name)

const kindIn = (value: unknown): KindName => {
  const { kind } = (typeof value === 'object' && value !== null ? value : {}) as { kind?: unknown }
  return isKind(kind) ? kind : 'train'
}

/** The kind of a stored line, or of a stored job by its line; a train where it says nothing that is known. */
export function kindNamed(document: unknown): KindName {
  const { line } = (typeof document === 'object' && document !== null ? document : {}) as { line?: unknown }
  return kindIn(typeof line === 'object' && line !== null ? line : document)
}

/** The kind that an open survey document is of: a train where it says none, or one that is not known, which is refused. */
export const kindAsked = kindIn

const jobSchemas = Object.fromEntries(
  kindNames.map((kind) => [kind, jobSchemaOf(kinds[kind].lineSchema, kinds[kind].roundSchema)]),
)

/** What is stored of a line and of a job, by the kind it says it is of. */
export const anyLine: v.GenericSchema<unknown, AnyLine> = v.lazy((line) => kinds[kindNamed(line)].lineSchema)
export const anyJob = v.lazy((job) => jobSchemas[kindNamed(job)] ?? v.never()) as v.GenericSchema<unknown, AnyJob>

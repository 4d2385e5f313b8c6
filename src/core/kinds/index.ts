import * as v from 'valibot'
import type { JobOf } from '../job/document'
import { jobSchemaOf } from '../job/document'
import { actsDone } from '../job/done'
import type { CheckItem } from '../ready/catalog'
import type { BeltTypes } from './belt'
import type { BoreTypes } from './bore'
import type { Kind } from './kind'
import type { RollsTypes } from './rolls'
import type { TrainTypes } from './train'
import type { UprightTypes } from './upright'

/** The kinds of line there are, by their types. A further kind is its folder and a line here, in `kindNames` and in `all.ts`. */
export interface Kinds {
  train: TrainTypes
  upright: UprightTypes
  belt: BeltTypes
  bore: BoreTypes
  rolls: RollsTypes
}

export type KindName = keyof Kinds

/** A line, a round and a job of a kind, of any kind where none is named. */
export type AnyLine<K extends KindName = KindName> = Kinds[K]['line']
export type AnyRound<K extends KindName = KindName> = Kinds[K]['round']
export type AnyJob<K extends KindName = KindName> = JobOf<AnyLine<K>, AnyRound<K>>

export const kindNames = ['train', 'upright', 'belt', 'bore', 'rolls'] as const satisfies readonly KindName[]

/**
 * What each kind can do, as far as it was added: `all.ts` adds every one; a page adds what it shows, so that a job of one kind need
 * not carry the solvers of all others.
 */
const added: { [K in KindName]?: Kind<Kinds[K]> } = {}

export function addKind<K extends KindName>(name: K, kind: Kind<Kinds[K]>): void {
  const table: { [P in K]?: Kind<Kinds[P]> } = added
  table[name] = kind
}

/** What a line's kind can do. */
export function kindOf<K extends KindName>({ kind: name }: { kind: K }): Kind<Kinds[K]> {
  const kind: Kind<Kinds[K]> | undefined = added[name]
  if (!kind) throw new Error(`The kind “${name}” was not added.`)
  return kind
}

const isKind = (name: unknown): name is KindName => (kindNames as readonly unknown[]).includes(name)

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

const jobSchemas = new Map<KindName, v.GenericSchema<unknown, unknown>>()

/** What is stored of a job of a kind, made when it is first asked for. */
function jobSchema(name: KindName): v.GenericSchema<unknown, unknown> {
  const { lineSchema, roundSchema } = kindOf({ kind: name })
  const known = jobSchemas.get(name) ?? jobSchemaOf(lineSchema, roundSchema)
  jobSchemas.set(name, known)
  return known
}

/** What is stored of a line and of a job, by the kind it says it is of. */
export const anyLine: v.GenericSchema<unknown, AnyLine> = v.lazy((line) => kindOf({ kind: kindNamed(line) }).lineSchema)
export const anyJob = v.lazy((job) => jobSchema(kindNamed(job))) as v.GenericSchema<unknown, AnyJob>

/** The round with what it plans written down as done, where its kind keeps that there and nobody has written anything yet. */
export function withActsDone<K extends KindName>(
  line: AnyLine<K>,
  round: AnyRound<K>,
  unit: 'mm' | 'mil',
): AnyRound<K> {
  if ('done' in round && round.done) return round
  const kind = kindOf<K>({ kind: line.kind as K })
  const acts = kind.acts?.(line, kind.solve(line, round)) ?? []
  return acts.length > 0 ? { ...round, done: actsDone(acts, unit) } : round
}

/** The checks that Ready proposes on a line, with what each allows there. */
export function checksOf<K extends KindName>(line: Kinds[K]['line']): readonly CheckItem[] {
  const kind = kindOf<K>({ kind: line.kind as K })
  return kind.checks.map((item) => {
    const limit = kind.checkLimit?.(item, line)
    return limit === undefined ? item : { ...item, limit }
  })
}

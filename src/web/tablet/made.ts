import type { AnyJob } from '../../core/kinds'
import { answered, api } from '../api/client'
import { isUnreached } from '../api/reach'
import { loadKinds } from '../kinds/load'
import { keepCopy, keyOf } from './copies'
import { changed, type Documents, type Kind, type Made, tablet } from './store'

type Json<K extends Kind> = Made<K>['json']

/** A new job has no number until the server has it. */
export const noNumber = 0

const post = {
  job: (json: Json<'job'>) => api.jobs.$post({ json: json as never }),
  line: (json: Json<'line'>) => api.lines.$post({ json: json as never }),
  kit: (json: Json<'kit'>) => api.kit.$post({ json: json as never }),
}

const send = async <K extends Kind>(kind: K, json: Json<K>) =>
  (await answered((post[kind] as (json: Json<K>) => ReturnType<typeof post.job>)(json))) as Documents[K]

/**
 * Makes something new, on the server or, where that is not reached, on this tablet until it is.
 *
 * @returns its id, which is the one that was given
 * @throws Error with the sentence of a refusal, or of the browser where nothing can be kept
 */
export async function make<K extends Kind>(kind: K, json: Json<K>): Promise<string> {
  try {
    const stored = await send(kind, json)
    void keepCopy(kind, stored)
    return stored.id
  } catch (error) {
    if (!isUnreached(error)) throw error
    await (await tablet()).put('made', { key: keyOf(kind, json.id), kind, json, at: Date.now() } as Made)
    await keepCopy(kind, await standIn(kind, json))
    return json.id
  }
}

/** What the server will answer, as far as it is known here. */
async function standIn<K extends Kind>(kind: K, json: Json<K>): Promise<Documents[K]> {
  const { id, document } = json
  const at = new Date().toISOString()
  const shared = { id, document, version: 1, updatedAt: at, edits: '', archivedAt: null }
  if (kind === 'line') {
    const { name, area } = document as Documents['line']['document']
    return { ...shared, name, area } as unknown as Documents[K]
  }
  if (kind === 'kit') {
    const { name, kind: what } = document as Documents['kit']['document']
    return { ...shared, name, kind: what } as unknown as Documents[K]
  }
  const job = document as AnyJob
  const [{ summaryOf }] = await Promise.all([import('../../core/job/summary'), loadKinds()])
  const row = {
    ...shared,
    number: noNumber,
    lineId: json.lineId ?? '',
    state: json.dueOn ? 'due' : 'in-hand',
    dueOn: json.dueOn ?? null,
    assignedTo: '',
    dueBy: null,
    dueBecause: null,
    signedBy: null,
    signedAt: null,
    title: job.title,
    lineName: job.line.name,
    area: job.line.area,
    people: '',
    summary: summaryOf(job),
    createdAt: at,
  }
  return row as unknown as Documents[K]
}

/** Everything made here that the server does not have yet, the oldest first; nothing where nothing can be read. */
export async function unmade(): Promise<Made[]> {
  try {
    // of what was made within one moment, what stands alone comes first: a line before its jobs
    const needs = ({ json }: { json: { lineId?: string } }) => (json.lineId === undefined ? 0 : 1)
    return (await (await tablet()).getAll('made')).sort((a, b) => a.at - b.at || needs(a) - needs(b))
  } catch {
    return []
  }
}

/**
 * Sends what was made here, a line before its jobs; what is sent is gone from here once it was answered. Whatever it
 * belongs to has to be there before it can be edited there.
 *
 * @param only the key of one, with what it needs
 * @returns keys of what the server has by now
 */
export async function sendMade(only?: string): Promise<string[]> {
  const waiting = await unmade()
  const [wanted] = waiting.filter(({ key }) => key === only)
  const needs = wanted?.json.lineId && keyOf('line', wanted.json.lineId)
  const now = only === undefined ? waiting : waiting.filter(({ key }) => key === only || key === needs)
  const sent: string[] = []
  for (const { kind, key, json } of now) {
    const stored = await send(kind, json as never)
    const db = await tablet()
    const copy = await db.get('copies', key)
    // its number is known by now; what was typed meanwhile is in its draft
    if (copy) await db.put('copies', { ...copy, stored: stored as never })
    await db.delete('made', key)
    sent.push(key)
  }
  if (sent.length > 0) {
    changed()
    for (const listener of listeners) listener()
  }
  return sent
}

/** Whether something was made here and the server does not have it yet. */
export const isOnlyHere = async (key: string): Promise<boolean> => (await unmade()).some((one) => one.key === key)

const listeners = new Set<() => void>()

/** Tells when the server has something that was made here: it has its number now. */
export function onMade(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

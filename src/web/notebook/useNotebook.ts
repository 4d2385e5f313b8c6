import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useMemo, useSyncExternalStore } from 'react'
import type { Job, Line } from '../../core/job/schema'
import type { KitItem } from '../../core/kit/schema'
import { api, type StoredJob, type StoredKit, type StoredLine, sentenceOf } from '../api/client'
import { Notebook, type Outcome } from './notebook'

interface Stored<T> {
  id: string
  version: number
  document: T
}

/** How one kind of document is fetched and stored. */
interface Shelf<T, S extends Stored<T>> {
  kind: 'job' | 'line' | 'kit'
  fetch(id: string): Promise<S>
  save(id: string, version: number, document: T): Promise<Response>
}

async function orThrow<R extends { ok: boolean; status: number; json(): Promise<unknown> }>(response: R): Promise<R> {
  if (!response.ok) throw new Error(await sentenceOf(response))
  return response
}

export const jobShelf: Shelf<Job, StoredJob> = {
  kind: 'job',
  fetch: async (id) => (await (await orThrow(await api.jobs[':id'].$get({ param: { id } }))).json()) as StoredJob,
  save: (id, version, document) =>
    api.jobs[':id'].$put({ param: { id }, json: { version, document } }) as Promise<Response>,
}

export const lineShelf: Shelf<Line, StoredLine> = {
  kind: 'line',
  fetch: async (id) => (await (await orThrow(await api.lines[':id'].$get({ param: { id } }))).json()) as StoredLine,
  save: (id, version, document) =>
    api.lines[':id'].$put({ param: { id }, json: { version, document } }) as Promise<Response>,
}

export const kitShelf: Shelf<KitItem, StoredKit> = {
  kind: 'kit',
  fetch: async (id) => (await (await orThrow(await api.kit[':id'].$get({ param: { id } }))).json()) as StoredKit,
  save: (id, version, document) =>
    api.kit[':id'].$put({ param: { id }, json: { version, document } }) as Promise<Response>,
}

async function outcomeOf<T>(request: Promise<Response>): Promise<Outcome<T>> {
  let response: Response
  try {
    response = await request
  } catch {
    return { kind: 'unreached' }
  }
  if (response.ok) {
    const { version } = (await response.json()) as Stored<T>
    return { kind: 'saved', version }
  }
  if (response.status === 409) {
    const { current } = (await response.json()) as { current: Stored<T> }
    return { kind: 'conflict', version: current.version, document: current.document }
  }
  if (response.status >= 500) return { kind: 'unreached' }
  return { kind: 'refused', message: await sentenceOf(response) }
}

/** The stored document of a screen, fetched through the query cache, and the notebook that edits it. */
export function useShelf<T, S extends Stored<T>>(shelf: Shelf<T, S>, id: string) {
  const client = useQueryClient()
  const query = useQuery({ queryKey: [shelf.kind, id], queryFn: () => shelf.fetch(id) })
  const { data } = query
  const first = data !== undefined
  // biome-ignore lint/correctness/useExhaustiveDependencies: one notebook a document; newer copies come in by refresh
  const notebook = useMemo(() => {
    if (!data) return undefined
    return new Notebook<T>({
      key: `vane-peg:${shelf.kind}:${id}`,
      version: data.version,
      document: data.document,
      save: (version, document) => outcomeOf<T>(shelf.save(id, version, document)),
      drawer: localStorage,
    })
  }, [shelf, id, first])

  useEffect(() => {
    if (data) notebook?.refresh(data.version, data.document)
  }, [data, notebook])

  useEffect(() => {
    const leave = () => void notebook?.flush()
    window.addEventListener('pagehide', leave)
    return () => {
      window.removeEventListener('pagehide', leave)
      const stored = notebook?.flush() ?? Promise.resolve()
      void stored.then(() => client.invalidateQueries({ queryKey: [`${shelf.kind}s`] }))
    }
  }, [client, notebook, shelf])

  // the next visit fetches anew: the notebook, not the cache, holds what was typed here
  useEffect(() => () => client.removeQueries({ queryKey: [shelf.kind, id] }), [client, shelf, id])
  return { ...query, notebook }
}

/** What a notebook shows now. */
export const useNotebook = <T>(notebook: Notebook<T>) => useSyncExternalStore(notebook.subscribe, notebook.read)

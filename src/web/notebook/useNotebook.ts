import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState, useSyncExternalStore } from 'react'
import type { DocumentSession, Stored } from './notebook'
import { closeBook, openBook, type Shelf } from './shelves'

export { jobShelf, kitShelf, lineShelf } from './shelves'

/** The stored document of a screen, fetched through the query cache, and the notebook that edits it. */
export function useShelf<T, S extends Stored<T>>(shelf: Shelf<T, S>, id: string) {
  const client = useQueryClient()
  const query = useQuery({ queryKey: [shelf.kind, id], queryFn: () => shelf.fetch(id) })
  const { data } = query
  const [opened, setOpened] = useState<{ id: string; notebook: DocumentSession<T> }>()
  const first = data !== undefined

  // biome-ignore lint/correctness/useExhaustiveDependencies: one notebook a document; newer copies come in by refresh
  useEffect(() => {
    if (!data) return
    let here = true
    const book = openBook<T>(shelf as Shelf<T>, id, data)
    void book.then((notebook) => {
      if (here) setOpened({ id, notebook })
    })
    return () => {
      here = false
      void book.then(() => closeBook(shelf, id)).then(() => client.invalidateQueries({ queryKey: [`${shelf.kind}s`] }))
    }
  }, [client, shelf, id, first])

  const notebook = opened?.id === id ? opened.notebook : undefined
  useEffect(() => {
    if (data) notebook?.refresh(data)
  }, [data, notebook])

  useEffect(() => {
    const leave = () => void notebook?.flush()
    // nothing keeps what was typed: the browser asks before it lets go of it
    const stay = (event: BeforeUnloadEvent) => {
      const status = notebook?.read().status
      if (status && 'kept' in status && !status.kept) event.preventDefault()
    }
    window.addEventListener('pagehide', leave)
    window.addEventListener('beforeunload', stay)
    return () => {
      window.removeEventListener('pagehide', leave)
      window.removeEventListener('beforeunload', stay)
    }
  }, [notebook])

  // the next visit fetches anew: the notebook, not the cache, holds what was typed here
  useEffect(() => () => client.removeQueries({ queryKey: [shelf.kind, id] }), [client, shelf, id])
  // once it is open here, work goes on whether the server is there or not
  return { data, error: notebook ? null : query.error, notebook }
}

/** What a notebook shows now. */
export const useDocumentSession = <T>(notebook: DocumentSession<T>) =>
  useSyncExternalStore(notebook.subscribe, notebook.read)

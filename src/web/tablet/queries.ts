import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister'
import { QueryClient } from '@tanstack/react-query'
import type { PersistQueryClientOptions } from '@tanstack/react-query-persist-client'
import { tablet } from './store'

const day = 24 * 60 * 60_000
/** What was fetched is gone on with for this long; a browser's timers reach no further than 24 days. */
const kept = 20 * day

/** What outlives the page beside documents, which have copies of their own. */
const lists = new Set([
  'jobs',
  'lines',
  'kits',
  'logbook',
  'logbook-choices',
  'site',
  'revisions',
  'revision',
  'visits',
  'door',
])

export const queryClient = new QueryClient({
  defaultOptions: {
    // asked whether there is a network or not: what is on this tablet answers
    queries: { staleTime: 2000, retry: 1, networkMode: 'always', gcTime: kept },
    mutations: { networkMode: 'always' },
  },
})

/** What was fetched, kept in the browser's own database. */
export const persisted: Omit<PersistQueryClientOptions, 'queryClient'> = {
  persister: createAsyncStoragePersister({
    key: 'answers',
    throttleTime: 1500,
    storage: {
      getItem: async (key) => (await (await tablet()).get('answers', key)) ?? null,
      setItem: async (key, value: string) => void (await (await tablet()).put('answers', value, key)),
      removeItem: async (key) => (await tablet()).delete('answers', key),
    },
  }),
  maxAge: kept,
  // the shape of what is kept; another one is let go of
  buster: '1',
  dehydrateOptions: {
    shouldDehydrateQuery: ({ queryKey, state }) => state.status === 'success' && lists.has(String(queryKey[0])),
  },
}

/**
 * What was kept is shown at once and asked for again, however young it looks: the page that kept it may have gone before it
 * heard of a change. A revision stays as it was signed.
 */
export const askAgain = (client: QueryClient): Promise<void> =>
  client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'revision' })

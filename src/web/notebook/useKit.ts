import { useQuery } from '@tanstack/react-query'
import { api, type StoredKit, sentenceOf } from '../api/client'

/** Everything in the kit, or what was taken out of it; an empty list until it has come. */
export function useKit(archived = false): { items: readonly StoredKit[]; loaded: boolean } {
  const { data } = useQuery({
    queryKey: ['kits', archived],
    queryFn: async () => {
      const response = await api.kit.$get({ query: { archived: archived ? 'yes' : 'no' } })
      if (!response.ok) throw new Error(await sentenceOf(response))
      return (await response.json()) as StoredKit[]
    },
  })
  return { items: data ?? [], loaded: data !== undefined }
}

import { useQuery } from '@tanstack/react-query'
import { api, type StoredKit, sentenceOf } from '../api/client'

/** Everything in the kit; an empty list until it has come. */
export function useKit(): { items: readonly StoredKit[]; loaded: boolean } {
  const { data } = useQuery({
    queryKey: ['kits'],
    queryFn: async () => {
      const response = await api.kit.$get()
      if (!response.ok) throw new Error(await sentenceOf(response))
      return (await response.json()) as StoredKit[]
    },
  })
  return { items: data ?? [], loaded: data !== undefined }
}

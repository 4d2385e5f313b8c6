import { useQuery } from '@tanstack/react-query'
import { answered, api, type StoredKit } from '../api/client'

/** Everything in the kit, or what was taken out of it; an empty list until it has come. */
export function useKit(archived = false): { items: readonly StoredKit[]; loaded: boolean } {
  const { data } = useQuery({
    queryKey: ['kits', archived],
    queryFn: async () => {
      return (await answered(api.kit.$get({ query: { archived: archived ? 'yes' : 'no' } }))) as StoredKit[]
    },
  })
  return { items: data ?? [], loaded: data !== undefined }
}

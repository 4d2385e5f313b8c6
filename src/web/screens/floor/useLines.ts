import { useQuery } from '@tanstack/react-query'
import { api, sentenceOf } from '../../api/client'

/** The lines in use, or those that were put away. */
export const useLines = (archived = false) =>
  useQuery({
    queryKey: ['lines', archived],
    queryFn: async () => {
      const response = await api.lines.$get({ query: { archived: archived ? 'yes' : 'no' } })
      if (!response.ok) throw new Error(await sentenceOf(response))
      return response.json()
    },
  })

import { useQuery } from '@tanstack/react-query'
import { answered, api } from '../../api/client'

/** The lines in use, or those that were put away. */
export const useLines = (archived = false) =>
  useQuery({
    queryKey: ['lines', archived],
    queryFn: () => answered(api.lines.$get({ query: { archived: archived ? 'yes' : 'no' } })),
  })

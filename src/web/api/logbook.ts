import { queryOptions, useQuery } from '@tanstack/react-query'
import type { Visit } from '../../core/logbook/visit'
import { answered, api } from './client'

/** The visits to a line, as they were stored. */
export const logbookQuery = (id: string) =>
  queryOptions({
    queryKey: ['logbook', id],
    queryFn: async () => (await answered(api.lines[':id'].logbook.$get({ param: { id } }))) as Visit[],
  })

export const useLogbook = (id: string) => useQuery(logbookQuery(id))

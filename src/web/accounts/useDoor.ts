import { useQuery } from '@tanstack/react-query'
import type { InferResponseType } from 'hono/client'
import { answered, api } from '../api/client'
import { markSignedOut } from './entry'

export type Own = NonNullable<InferResponseType<typeof api.door.$get, 200>['person']>

/** Whether accounts are needed here, and who is signed in; undefined until it was told. */
export const useDoor = () =>
  useQuery({
    queryKey: ['door'],
    queryFn: async () => {
      const told = await answered(api.door.$get())
      if (told.door && !told.person) markSignedOut()
      return told
    },
    staleTime: 60_000,
  }).data

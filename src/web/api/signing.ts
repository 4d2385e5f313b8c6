import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import type { InferRequestType, InferResponseType } from 'hono/client'
import type { SiteSettings } from '../../core/site/schema'
import type { SealedRevision } from '../../record/revision'
import { answered, api } from './client'

export type RevisionRow = InferResponseType<(typeof api.jobs)[':id']['revisions']['$get'], 200>[number]
type SignBody = InferRequestType<(typeof api.jobs)[':id']['sign']['$post']>['json']

export const useRevisions = (id: string) =>
  useQuery({
    queryKey: ['revisions', id],
    queryFn: async () => (await answered(api.jobs[':id'].revisions.$get({ param: { id } }))) as RevisionRow[],
  })

/** A revision as it was signed; nothing changes it any more. */
export const useRevision = (id: string, number: number | undefined) =>
  useQuery({
    queryKey: ['revision', id, number],
    enabled: number !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () =>
      (await answered(
        api.jobs[':id'].revisions[':number'].$get({ param: { id, number: String(number) } }),
      )) as SealedRevision,
  })

export function useSign(id: string) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: async (json: SignBody) => answered(api.jobs[':id'].sign.$post({ param: { id }, json })),
    onSuccess: () => client.invalidateQueries(),
  })
}

export function useReopen(id: string) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: async (json: { by: string; because: string; pin?: string }) =>
      answered(api.jobs[':id'].reopen.$post({ param: { id }, json })),
    onSuccess: () => client.invalidateQueries(),
  })
}

export const siteQuery = queryOptions({
  queryKey: ['site'],
  queryFn: async () => (await answered(api.site.$get())) as SiteSettings,
})

export const useSite = () => useQuery(siteQuery)

export function usePutSite() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: async (json: SiteSettings) => answered(api.site.$put({ json })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['site'] }),
  })
}

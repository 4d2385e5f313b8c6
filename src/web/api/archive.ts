import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, sentenceOf } from './client'

const shelves = { job: api.jobs, line: api.lines, kit: api.kit } as const

/** Puts a job, a line or a piece of kit away, or brings it back; every list is fetched anew. */
export function useArchive(kind: keyof typeof shelves, done?: (archived: boolean) => void) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: async ({ id, archived }: { id: string; archived: boolean }) => {
      const response = await shelves[kind][':id'].archived.$put({ param: { id }, json: { archived } })
      if (!response.ok) throw new Error(await sentenceOf(response))
      return archived
    },
    onSuccess: async (archived) => {
      done?.(archived)
      await client.invalidateQueries()
    },
  })
}

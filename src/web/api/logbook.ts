import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { jobFrom } from '../../core/job/make'
import { type AnyLine, kindOf } from '../../core/kinds'
import type { Visit } from '../../core/logbook/visit'
import { occasionNames } from '../../words/ready'
import { api, sentenceOf } from './client'
import { useNewIds } from './useNewIds'

async function answer<R extends { ok: boolean; status: number; json(): Promise<unknown> }>(response: R) {
  if (!response.ok) throw new Error(await sentenceOf(response))
  return response.json()
}

/** The visits to a line, as they were stored. */
export const useLogbook = (id: string) =>
  useQuery({
    queryKey: ['logbook', id],
    queryFn: async () => (await answer(await api.lines[':id'].logbook.$get({ param: { id } }))) as Visit[],
  })

/** The next job on a line, set up as the last visit ended; due on a day where one is given. */
export function useNextJob(lineId: string, line: AnyLine, unit: 'mm' | 'mil') {
  const client = useQueryClient()
  const ids = useNewIds()
  return useMutation({
    mutationFn: async ({ last, dueOn }: { last: string; dueOn?: string }) => {
      const found = await api.jobs[':id'].$get({ param: { id: last } })
      if (!found.ok) throw new Error(await sentenceOf(found))
      const { document: before } = await found.json()
      const kind = kindOf(line)
      const round = before.rounds.at(-1)
      const at = new Date().toISOString()
      const begun = round ? kind.nextVisit(round, at) : kind.makeRound(line, at, unit)
      const document = jobFrom(line, begun, occasionNames.periodic, 'periodic')
      const made = await api.jobs.$post({
        json: { id: ids.of(`${lineId} ${last} ${dueOn}`), lineId, document, ...(dueOn ? { dueOn } : {}) },
      })
      if (!made.ok) throw new Error(await sentenceOf(made))
      return (await made.json()).id
    },
    onSuccess: async () => {
      ids.done()
      await client.invalidateQueries()
    },
  })
}

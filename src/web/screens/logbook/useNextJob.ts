import { useMutation, useQueryClient } from '@tanstack/react-query'
import { jobFrom } from '../../../core/job/make'
import { type AnyLine, kindOf } from '../../../core/kinds'
import { occasionNames } from '../../../words/ready'
import { useNewIds } from '../../api/useNewIds'
import { lineKnownHere } from '../../notebook/learnedHere'
import { jobShelf } from '../../notebook/shelves'
import { make } from '../../tablet/made'

/** The next job on a line, set up as the last visit ended; due on a day where one is given. */
export function useNextJob(lineId: string, line: AnyLine, unit: 'mm' | 'mil') {
  const client = useQueryClient()
  const ids = useNewIds()
  return useMutation({
    mutationFn: async ({ last, dueOn }: { last: string; dueOn?: string }) => {
      const { document: before } = await jobShelf.fetch(last)
      const kind = kindOf(line)
      const known = await lineKnownHere(lineId, line)
      const round = before.rounds.at(-1)
      const at = new Date().toISOString()
      const begun = round ? kind.nextVisit(round, at) : kind.makeRound(known, at, unit)
      const document = jobFrom(known, begun, occasionNames.periodic, 'periodic')
      return make('job', { id: ids.of(`${lineId} ${last} ${dueOn}`), lineId, document, ...(dueOn ? { dueOn } : {}) })
    },
    onSuccess: async () => {
      ids.done()
      await client.invalidateQueries()
    },
  })
}

import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { type Differs, keepOwn, lineDiffers, type Sources, takeFromLine } from '../../../core/job/learned'
import type { AnyJob } from '../../../core/kinds'
import { describeLine } from '../../../words/describe'
import { jobWords } from '../../../words/page/job'
import { capital, jobName } from '../../../words/terms'
import type { DocumentSession } from '../../notebook/notebook'
import { Panel, shown } from '../../notebook/Saved'
import { lineShelf, useDocumentSession } from '../../notebook/useNotebook'
import { Button } from '../../parts/controls'

/** So many places are asked about at once. */
const most = 6

/**
 * Asks where the job's line says something else by now than the job does: changed in another job, on the line's own page, or since
 * this job was signed. Nothing is taken unasked: what was read here may have been read before the change.
 */
export function LineChanged({ lineId, notebook }: { lineId: string; notebook: DocumentSession<AnyJob> }) {
  const { document, status } = useDocumentSession(notebook)
  const line = useLineBeside(lineId, document.line, status.kind === 'saved')
  if (!line) return null
  const differs = lineDiffers(document, line.document, line.sources as Sources | null)
  if (differs.length === 0) return null
  const keep = (these: readonly Differs[]) => notebook.edit((job) => these.reduce(keepOwn, job))
  const take = (these: readonly Differs[]) => {
    // taken back, it is the job's own again, and no news for the line
    keep(these)
    notebook.edit((job) => these.reduce((now, one) => takeFromLine(now, one, line.document), job))
  }
  return (
    <Panel role="region" aria-label={jobWords.lineHasChanged} style={{ borderColor: 'var(--unsure)' }}>
      <b>{jobWords.lineHasChanged}</b>
      {differs.slice(0, most).map((one) => {
        const place = capital(describeLine(one.one === undefined ? line.document : document.line, one.path))
        return (
          <div key={one.path.join('/')}>
            <span>{jobWords.isNow(place, shown(one.other), one.changedIn ? jobName(one.changedIn) : '')}</span>
            <Button onPress={() => take([one])}>{jobWords.take(shown(one.other))}</Button>
            <Button onPress={() => keep([one])}>{jobWords.keepOwn(shown(one.one))}</Button>
          </div>
        )
      })}
      {differs.length > 1 ? (
        <div>
          {differs.length > most ? <span>{jobWords.andMore(differs.length - most)}</span> : null}
          <Button onPress={() => take(differs)}>{jobWords.takeAll}</Button>
          <Button onPress={() => keep(differs)}>{jobWords.keepAllOwn}</Button>
        </div>
      ) : null}
    </Panel>
  )
}

/**
 * The line as it is stored, once it is known to have what this job taught it last; undefined while something of the job is on its
 * way, or the server is not reached.
 *
 * @param own the job's copy of it
 */
function useLineBeside(lineId: string, own: AnyJob['line'], settled: boolean) {
  const now = useRef(own)
  now.current = own
  const { data, refetch } = useQuery({
    queryKey: ['line', lineId, 'beside'],
    queryFn: async () => {
      const beside = now.current
      return { stored: await lineShelf.fetch(lineId), beside }
    },
    enabled: settled,
  })
  const known = data?.beside === own
  useEffect(() => {
    if (settled && data && !known) void refetch()
  }, [settled, data, known, refetch])
  return settled && known ? data?.stored : undefined
}

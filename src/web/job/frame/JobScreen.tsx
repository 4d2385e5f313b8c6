import { Suspense, use, useCallback, useMemo } from 'react'
import { useNavigate, useParams, useSearchParams } from 'react-router'
import { type AnyJob, type AnyRound, type KindName, kindOf } from '../../../core/kinds'
import type { Terms } from '../../../words/terms'
import { newId } from '../../app/newId'
import { Waiting } from '../../app/Plain'
import { useSettingsOf } from '../../app/settings'
import { useDoor } from '../../door/useDoor'
import { pages } from '../../kinds'
import { loadKind } from '../../kinds/load'
import { jobShelf, useNotebook, useShelf } from '../../notebook/useNotebook'
import type { JobFrame } from './context'
import type { OpenJob } from './open'
import { remindersOf } from './reminders'
import { StepBoundary } from './StepBoundary'

/** A job, whatever its kind of line: what is stored and edited; its kind draws it and does its steps. */
export function JobScreen() {
  const { id = '' } = useParams()
  const { data, error, notebook } = useShelf(jobShelf, id)
  if (error) throw error
  if (!data || !notebook) return <Waiting />
  return (
    <StepBoundary notebook={notebook} steps={`/jobs/${id}`}>
      <Suspense fallback={<Waiting />}>
        <Opened key={id} kind={data.document.line.kind} open={{ stored: data, notebook }} />
      </Suspense>
    </StepBoundary>
  )
}

/** No number is told finer than this where nothing was read, mm. */
const usualResolution = 0.01

function Opened<K extends KindName>({ kind: name, open }: { kind: K; open: OpenJob }) {
  const { stored, notebook } = open
  const { document } = useNotebook(notebook)
  const settings = useSettingsOf(stored.lineId, document.line)
  const [params, setParams] = useSearchParams()
  const navigate = useNavigate()
  const signed = stored.state === 'signed'
  // a reader looks at a job that others work on
  const reads = useDoor()?.person?.role === 'reader'
  const frozen = signed || reads
  use(loadKind(name))
  const kind = kindOf(document.line)
  const { line, ready, seat } = document
  // a job always has a round; the one made here only stands in for a document that lost its own
  const round: AnyRound =
    document.rounds.find((r) => r.id === params.get('round')) ??
    document.rounds.at(-1) ??
    kind.makeRound(line, new Date(0).toISOString(), 'mm')
  const terms: Terms = useMemo(
    () => ({ line: kind.named(line), unit: settings.unit, resolution: usualResolution }),
    [kind, line, settings.unit],
  )
  const edit = useCallback(
    (change: (job: AnyJob) => AnyJob, mark?: string) => {
      if (!frozen) notebook.edit(change, mark)
    },
    [notebook, frozen],
  )
  const editRound = useCallback(
    (change: (round: AnyRound) => AnyRound, mark?: string) =>
      edit(
        (job) => ({ ...job, rounds: job.rounds.map((r) => (r.id === round.id ? change(r) : r)) }),
        mark && `${round.id}:${mark}`,
      ),
    [edit, round.id],
  )
  const beginRound = useCallback<JobFrame['beginRound']>(
    (done = (r) => r, begin = (r) => r) => {
      const id = newId('r')
      edit((job) => ({
        ...job,
        rounds: [
          ...job.rounds.map((r) => (r.id === round.id ? done(r) : r)),
          begin(kind.repeatRound(round, id, new Date().toISOString())),
        ],
      }))
      setParams({})
      navigate(`/jobs/${stored.id}/read?round=${id}`)
    },
    [edit, kind, navigate, round, setParams, stored.id],
  )
  const settle = useCallback(async () => {
    await notebook.flush()
    return notebook.unsent ? undefined : notebook.storedVersion
  }, [notebook])
  const reminders = useMemo(
    () => remindersOf({ line, ready, seat }, terms, (step) => navigate(`/jobs/${stored.id}/${step}`)),
    [line, ready, seat, terms, navigate, stored.id],
  )
  const frame: JobFrame = {
    id: stored.id,
    lineId: stored.lineId,
    number: stored.number,
    archived: stored.archivedAt !== null,
    document,
    round,
    terms,
    settings,
    frozen,
    signed,
    edit,
    editRound,
    beginRound,
    settle,
    reminders,
  }
  const { Job } = pages[name]
  // the document is of this kind, and so is everything in its frame
  return <Job open={open} frame={frame as unknown as JobFrame<K>} />
}

import { useCallback, useEffect, useMemo } from 'react'
import { useLocation, useNavigate, useParams, useSearchParams } from 'react-router'
import { type AnyJob, type AnyRound, type KindName, kindNames, kindOf, withActsDone } from '../../../core/kinds'
import type { Terms } from '../../../words/terms'
import { useDoor } from '../../accounts/useDoor'
import { newId } from '../../app/newId'
import { Waiting } from '../../app/Plain'
import { type Part, part } from '../../app/part'
import { useSettingsOf } from '../../app/settings'
import { pages } from '../../kinds'
import { loadKind } from '../../kinds/load'
import { jobShelf, useDocumentSession, useShelf } from '../../notebook/useNotebook'
import { jobPath, stepAt } from '../steps'
import type { JobFrame } from './context'
import type { OpenJob } from './open'
import { remindersOf } from './reminders'
import { StepBoundary } from './StepBoundary'

/** A job, whatever its kind of line: what is stored and edited; its kind draws it and does its steps. */
export function JobScreen() {
  const { id = '' } = useParams()
  const { data, error, notebook } = useShelf(jobShelf, id)
  if (error) throw error
  const kind = data?.document.line.kind
  const step = stepAt(useLocation().pathname)
  // what the job shows of itself, and its step in it, are fetched together
  useEffect(() => {
    if (!kind) return
    const { Job, steps } = pages[kind]
    Job.prefetch()
    if (step === 'line' || step === 'read' || step === 'move') steps[step].prefetch()
  }, [kind, step])
  if (!data || !notebook || !kind) return <Waiting />
  const Shown = opened[kind]
  return (
    <StepBoundary notebook={notebook} job={id}>
      <Shown key={id} kind={kind} open={{ stored: data, notebook }} />
    </StepBoundary>
  )
}

/** No number is told finer than this where nothing was read, mm. */
const usualResolution = 0.01

interface Opening<K extends KindName> {
  kind: K
  open: OpenJob
}

function Opened<K extends KindName>({ kind: name, open }: Opening<K>) {
  const { stored, notebook } = open
  const { document } = useDocumentSession(notebook)
  const settings = useSettingsOf(stored.lineId, document.line)
  const [params, setParams] = useSearchParams()
  const navigate = useNavigate()
  const signed = stored.state === 'signed'
  // a reader looks at a job that others work on
  const reads = useDoor()?.person?.role === 'reader'
  const frozen = signed || reads
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
    (done, begin = (r) => r) => {
      const id = newId('r')
      // what was planned is written down as done, unless somebody has said otherwise
      const written = done ?? ((r: AnyRound) => withActsDone(line, r, settings.unit))
      edit((job) => ({
        ...job,
        rounds: [
          ...job.rounds.map((r) => (r.id === round.id ? written(r) : r)),
          begin(kind.repeatRound(round, id, new Date().toISOString())),
        ],
      }))
      setParams({})
      navigate(jobPath(stored.id, 'read', id))
    },
    [edit, kind, line, navigate, round, setParams, settings.unit, stored.id],
  )
  const settle = useCallback(async () => {
    await notebook.flush()
    return notebook.unsent ? undefined : notebook.storedVersion
  }, [notebook])
  const reminders = useMemo(
    () => remindersOf({ line, ready, seat }, terms, (step) => navigate(jobPath(stored.id, step))),
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

/** The job of each kind, shown once what that kind can do and say is here. */
const opened = Object.fromEntries(
  kindNames.map((name) => {
    const fetch = async () => {
      await loadKind(name)
      return Opened
    }
    return [name, part<Opening<KindName>>(fetch, Waiting)]
  }),
) as Record<KindName, Part<Opening<KindName>>>

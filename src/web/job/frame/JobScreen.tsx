import { FlipHorizontal2, Printer } from 'lucide-react'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { Outlet, useLocation, useNavigate, useParams, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { newId } from '../../../core/frame/newId'
import { readPeg, worst } from '../../../core/kinds/train/advice/summary'
import { makeRound, repeatRound } from '../../../core/kinds/train/document/make'
import { solveRough } from '../../../core/kinds/train/document/rough'
import type { Job, Round, RoundPlan } from '../../../core/kinds/train/document/schema'
import { emptyPlan } from '../../../core/kinds/train/plan/choices'
import { nextPlan, withDone } from '../../../core/kinds/train/plan/next'
import { solveRound } from '../../../core/kinds/train/solve/round'
import { readyPeg } from '../../../core/ready/ready'
import { seatPeg } from '../../../core/seat/state'
import type { Handle } from '../../../drawing/scene'
import type { PlanSight } from '../../../drawing/train/sheet'
import { sightScene } from '../../../drawing/train/sight'
import { capital, footName, type Terms } from '../../../words/terms'
import { limitName } from '../../../words/train/plan'
import type { StoredJob } from '../../api/client'
import { typing } from '../../app/focus'
import { Waiting } from '../../app/Plain'
import { Header } from '../../app/Shell'
import { changeSettings, useSettings } from '../../app/settings'
import { narrow } from '../../app/style'
import { usePlanned } from '../../kinds/train/move/usePlanned'
import { describePath } from '../../notebook/describe'
import type { Notebook } from '../../notebook/notebook'
import { Clashes, Saved } from '../../notebook/Saved'
import { jobShelf, useNotebook, useShelf } from '../../notebook/useNotebook'
import { Button, ButtonAnchor } from '../../parts/controls'
import { useWidth } from '../../parts/useWidth'
import { Sight } from '../../sight/Sight'
import type { JobFrame } from './context'
import { PegRail, steps } from './PegRail'
import { remindersOf } from './reminders'
import { StepBoundary } from './StepBoundary'

const Frame = styled.div`
  display: grid; grid-template-columns: 84px minmax(0, 1fr); min-height: calc(100vh - 52px);
  ${narrow} { grid-template-columns: minmax(0, 1fr); }
`
const SightBox = styled.div`border-bottom: 1px solid var(--rule); background: var(--card); min-height: 120px;
  /* it stays in sight while a long bench scrolls below it */
  @media (min-width: 900px) and (min-height: 700px) { position: sticky; top: 0; z-index: 3; }`
const WideOnly = styled.span`${narrow} { display: none; }`
const Notice = styled.p`padding: 10px 20px; background: var(--card); border-bottom: 1px solid var(--rule); font-weight: 600;`

/** The frame of a job: header, peg rail, Sight; the step's work stands below. */
export function JobScreen() {
  const { id = '' } = useParams()
  const { data, error, notebook } = useShelf(jobShelf, id)
  if (error) throw error
  if (!data || !notebook) return <Waiting />
  return (
    <StepBoundary notebook={notebook} steps={`/jobs/${id}`}>
      <OpenJob key={id} stored={data} notebook={notebook} />
    </StepBoundary>
  )
}

function OpenJob({ stored, notebook }: { stored: StoredJob; notebook: Notebook<Job> }) {
  const { document } = useNotebook(notebook)
  const settings = useSettings()
  const [chosen, choose] = useState<string>()
  const [params, setParams] = useSearchParams()
  const { pathname } = useLocation()
  const navigate = useNavigate()
  const [sightRef, width] = useWidth()
  const frozen = stored.state === 'signed'

  const round =
    document.rounds.find((r) => r.id === params.get('round')) ?? document.rounds.at(-1) ?? emptyRound(document)
  // the readings and the line alone: what is planned, signed or noted does not solve them anew
  const { sets } = round
  // biome-ignore lint/correctness/useExhaustiveDependencies: of a round only its sets are solved
  const solved = useMemo(() => solveRound({ line: document.line }, round), [document.line, sets])
  const first = document.rounds[0]
  const ghost = useMemo(
    () => (first && first.id !== round.id ? solveRound(document, first) : undefined),
    [document, first, round.id],
  )
  const terms: Terms = useMemo(
    () => ({ line: document.line, unit: settings.unit, resolution: solved.resolution }),
    [document.line, settings.unit, solved.resolution],
  )
  // none of these hangs on a reading: they stay as they are from keystroke to keystroke
  const { line, ready, seat } = document
  const early = useMemo(
    () => ({
      coarse: solveRough({ line, ready, ...(seat ? { seat } : {}) }),
      ready: readyPeg({ line, ready }),
      seat: seatPeg({ line, seat }),
    }),
    [line, ready, seat],
  )
  const { coarse } = early
  // before the readings the Sight only shows where one is
  const many = document.line.machines.length > 3
  const height = width < 600 ? 280 : /(ready|seat)$/.test(pathname) ? 216 : many ? 300 : 244
  const moving = usePlanned(document, round, solved, /move$/.test(pathname))
  const { plan } = moving
  const [live, showLive] = useState<PlanSight['live']>()
  const planSight = useMemo(() => plan && { plan, live, draggable: !frozen }, [plan, live, frozen])
  const scene = useMemo(
    () =>
      width > 0
        ? sightScene(solved, terms, { width, height, flipped: settings.flipped, ghost, coarse, plan: planSight })
        : undefined,
    [solved, terms, width, height, settings.flipped, ghost, coarse, planSight],
  )

  const edit = useCallback(
    (change: (job: Job) => Job, mark?: string) => {
      if (!frozen) notebook.edit(change, mark)
    },
    [notebook, frozen],
  )
  const editRound = useCallback(
    (change: (round: Round) => Round, mark?: string) =>
      edit(
        (job) => ({ ...job, rounds: job.rounds.map((r) => (r.id === round.id ? change(r) : r)) }),
        mark && `${round.id}:${mark}`,
      ),
    [edit, round.id],
  )
  const editPlan = useCallback(
    (change: (plan: RoundPlan) => RoundPlan, mark?: string) =>
      editRound((r) => ({ ...r, plan: change(r.plan ?? emptyPlan()) }), mark && `plan:${mark}`),
    [editRound],
  )
  const { drag: dragTo, letGo, stoppedBy } = moving
  const drag = useCallback(
    (handle: Handle, value: number, done: boolean) => {
      const drawn = dragTo(handle, value)
      if (!done) return
      letGo()
      if (drawn) editPlan((p) => ({ ...p, stays: 'drawn', drawn }), 'drawn')
    },
    [dragTo, letGo, editPlan],
  )
  const stopped = stoppedBy
    ? `${capital(footName(stoppedBy.foot, terms))}: ${limitName(stoppedBy.limit, terms)}`
    : undefined
  const beginRound = useCallback(() => {
    const id = newId('r')
    edit((job) => ({
      ...job,
      rounds: [
        // what was planned is written down as done, to be put right where it was done otherwise
        ...job.rounds.map((r) =>
          r.id === round.id && plan?.feasible && !r.plan?.done ? withDone(r, plan, settings.unit) : r,
        ),
        {
          ...repeatRound(round, id, new Date().toISOString()),
          ...(plan?.feasible ? { plan: nextPlan(round, plan, settings.unit) } : {}),
        },
      ],
    }))
    setParams({})
    navigate(`/jobs/${stored.id}/read?round=${id}`)
  }, [edit, navigate, plan, round, settings.unit, setParams, stored.id])

  useEffect(() => {
    const go = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return
      const step = steps.find((one) => one.key === event.key)
      if (step && !typing(event)) navigate(`/jobs/${stored.id}/${step.path}`)
    }
    window.addEventListener('keydown', go)
    return () => window.removeEventListener('keydown', go)
  }, [navigate, stored.id])

  const reminders = useMemo(
    () => remindersOf({ line, ready, seat }, terms, (step) => navigate(`/jobs/${stored.id}/${step}`)),
    [line, ready, seat, terms, navigate, stored.id],
  )
  const frame: JobFrame = {
    id: stored.id,
    number: stored.number,
    archived: stored.archivedAt !== null,
    document,
    round,
    solved,
    terms,
    settings,
    frozen,
    chosen,
    choose,
    edit,
    editRound,
    beginRound,
    plan,
    least: moving.least,
    editPlan,
    showLive,
    reminders,
  }
  const step = pathname.endsWith('/line') ? 'Line' : steps.find(({ path }) => pathname.endsWith(`/${path}`))?.name
  // kept as it is from keystroke to keystroke
  const header = useMemo(
    () => (
      <Header
        step={step}
        crumbs={[
          { to: `/jobs/${stored.id}/line`, text: document.line.name || 'Line' },
          { text: `Job ${stored.number}${document.title ? `, ${document.title.toLowerCase()}` : ''}` },
        ]}
      >
        <Button
          look="quiet"
          aria-label="Flip: draw it as seen from the other side"
          aria-pressed={settings.flipped}
          onPress={() => changeSettings({ flipped: !settings.flipped })}
        >
          <FlipHorizontal2 size={18} aria-hidden="true" />
          <WideOnly>Flip</WideOnly>
        </Button>
        <ButtonAnchor
          $look="quiet"
          aria-label="PDF of this round"
          href={`/api/jobs/${stored.id}/report.pdf?unit=${settings.unit}&round=${round.id}`}
          target="_blank"
          rel="noreferrer"
          onClick={() => void notebook.flush()}
        >
          <Printer size={18} aria-hidden="true" />
          <WideOnly>PDF</WideOnly>
        </ButtonAnchor>
        <Saved notebook={notebook} />
      </Header>
    ),
    [
      step,
      stored.id,
      stored.number,
      document.line.name,
      document.title,
      settings.flipped,
      settings.unit,
      round.id,
      notebook,
    ],
  )
  return (
    <>
      {header}
      {frozen ? <Notice>Signed by {stored.signedBy}: nothing in this job can be changed.</Notice> : null}
      {stored.archivedAt ? <Notice>This job is put away. “Line” above brings it back to the Floor.</Notice> : null}
      <Clashes notebook={notebook} describe={(path) => describePath(document, path)} />
      <Frame>
        <PegRail
          id={stored.id}
          ready={early.ready}
          seat={early.seat}
          read={readPeg(solved)}
          move={worst(solved)}
          at={pathname}
        />
        <div>
          {pathname.endsWith('/line') ? null : (
            <SightBox ref={sightRef}>
              {scene ? (
                <Sight
                  scene={scene}
                  label="The line, drawn in both planes"
                  chosen={chosen}
                  onChoose={choose}
                  onDrag={drag}
                  note={stopped}
                />
              ) : null}
            </SightBox>
          )}
          <StepBoundary key={pathname} notebook={notebook}>
            <Outlet context={frame} />
          </StepBoundary>
        </div>
      </Frame>
    </>
  )
}

/** A job always has a round; this one only stands in for a document that lost its own. */
const emptyRound = (job: Job): Round => makeRound(job.line, new Date(0).toISOString(), 'mm')

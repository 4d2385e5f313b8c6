import { FlipHorizontal2, Grid3x3, Printer } from 'lucide-react'
import { type ReactNode, useDeferredValue, useLayoutEffect, useMemo } from 'react'
import { Outlet, useLocation, useNavigate } from 'react-router'
import styled from 'styled-components'
import { provedOf } from '../../../core/job/proved'
import { kindOf } from '../../../core/kinds'
import { readyPeg } from '../../../core/ready/ready'
import { seatPeg } from '../../../core/seat/state'
import type { VerdictState } from '../../../core/verdict/state'
import { describePath } from '../../../words/describe'
import { jobWords } from '../../../words/page/job'
import { meWords } from '../../../words/page/me'
import { padWords } from '../../../words/page/pad'
import { capital, jobName } from '../../../words/terms'
import { isShortcut } from '../../app/focus'
import { part } from '../../app/part'
import { Header } from '../../app/Shell'
import { changeSettings } from '../../app/settings'
import { narrow } from '../../app/style'
import { Clashes, Saved } from '../../notebook/Saved'
import { Button } from '../../parts/controls'
import { fileName } from '../../parts/files'
import { PdfLink } from '../../print/PdfLink'
import { printer } from '../../print/printer'
import { jobPath, type Step, stepAt, stepName, steps } from '../steps'
import type { JobFrame } from './context'
import { DueNotice } from './DueNotice'
import { LineChanged } from './LineChanged'
import type { OpenJob } from './open'
import { PegRail } from './PegRail'
import { StepBoundary } from './StepBoundary'

const Frame = styled.div`
  display: grid; grid-template-columns: 84px minmax(0, 1fr); min-height: calc(100vh - 97px);
  ${narrow} { grid-template-columns: minmax(0, 1fr); }
`
/** Steps where numbers are typed at the machine. */
const padSteps: readonly (Step | undefined)[] = ['read', 'seat', 'move']
const GlovePad = part(async () => (await import('../../pad/GlovePad')).GlovePad)

const WideOnly = styled.span`${narrow} { display: none; }`
const Notice = styled.p`padding: 10px 20px; background: var(--card); border-bottom: 1px solid var(--rule); font-weight: 600;`

/** The frame of a job: header, peg rail, the drawing, and below it the step's work. */
export function JobLayout({
  open,
  pegs,
  drawing,
  frame,
}: {
  open: OpenJob
  /** How far Read and Move have come. */
  pegs: { read: VerdictState; move: VerdictState }
  /** Stands over every step but the line's own. */
  drawing: ReactNode
  /** What the steps are handed. */
  frame: Pick<JobFrame, 'id' | 'document' | 'round' | 'settings' | 'frozen' | 'signed'>
}) {
  const { stored, notebook } = open
  const { document, settings, round } = frame
  const { pathname } = useLocation()
  const navigate = useNavigate()
  const { line, ready, seat } = document
  const early = useMemo(
    () => ({ ready: readyPeg({ line, ready }, kindOf(line).checks), seat: seatPeg(kindOf(line).seats(line), seat) }),
    [line, ready, seat],
  )
  // after the keystroke is drawn: it solves every round
  const later = useDeferredValue(document)
  const prove = useMemo(() => provedOf(later).proof.state, [later])

  // keys are there as soon as the screen is
  useLayoutEffect(() => {
    const go = (event: KeyboardEvent) => {
      const to = steps.find((one) => one.key === event.key)
      if (to && isShortcut(event)) navigate(jobPath(stored.id, to.step))
    }
    window.addEventListener('keydown', go)
    return () => window.removeEventListener('keydown', go)
  }, [navigate, stored.id])

  const at = stepAt(pathname)
  const step = at && stepName(at)
  // kept as it is from keystroke to keystroke
  const header = useMemo(
    () => (
      <Header
        step={step}
        crumbs={[
          { to: jobPath(stored.id, 'line'), text: document.line.name || jobWords.line },
          { text: [capital(jobName(stored.number)), document.title].filter(Boolean).join(', ') },
        ]}
      >
        <Button
          look="quiet"
          aria-label={padWords.show}
          aria-pressed={settings.pad}
          onPress={() => changeSettings({ pad: !settings.pad })}
        >
          <Grid3x3 size={18} aria-hidden="true" />
        </Button>
        <Button
          look="quiet"
          aria-label={jobWords.flipViewFromTheOther}
          aria-pressed={settings.flipped}
          onPress={() => changeSettings({ flipped: !settings.flipped })}
        >
          <FlipHorizontal2 size={18} aria-hidden="true" />
          <WideOnly>{jobWords.flip}</WideOnly>
        </Button>
        <PdfLink
          look="quiet"
          label={jobWords.pdfOfThisRound}
          href={`/api/jobs/${stored.id}/report.pdf?unit=${settings.unit}&round=${round.id}`}
          name={fileName(`${document.line.name} ${document.title}`)}
          here={async () =>
            (await printer()).report({ ...stored, document: notebook.read().document }, settings.unit, round.id)
          }
          before={() => void notebook.flush()}
        >
          <Printer size={18} aria-hidden="true" />
          <WideOnly>{jobWords.pdf}</WideOnly>
        </PdfLink>
        <Saved notebook={notebook} />
      </Header>
    ),
    [
      step,
      stored,
      document.line.name,
      document.title,
      settings.flipped,
      settings.pad,
      settings.unit,
      round.id,
      notebook,
    ],
  )
  return (
    <>
      {header}
      {frame.signed || frame.frozen || stored.archivedAt ? (
        <aside aria-label={jobWords.notices}>
          {frame.signed ? (
            <Notice>{jobWords.signedByThisJobCan(stored.signedBy ?? '')}</Notice>
          ) : frame.frozen ? (
            <Notice>{meWords.readerOnly}</Notice>
          ) : null}
          {stored.archivedAt ? <Notice>{jobWords.thisJobIsArchivedRestore}</Notice> : null}
        </aside>
      ) : null}
      {stored.state === 'due' ? <DueNotice key={stored.dueOn} job={stored} /> : null}
      <Clashes notebook={notebook} describe={(path) => describePath(document, path)} />
      {frame.frozen ? null : <LineChanged lineId={stored.lineId} notebook={notebook} />}
      <Frame>
        <PegRail
          id={stored.id}
          ready={early.ready}
          seat={early.seat}
          read={pegs.read}
          move={pegs.move}
          prove={prove}
          sign={frame.signed ? 'within' : 'nothing'}
          at={at}
          without={kindOf(line).seats(line).length === 0 ? 'seat' : undefined}
        />
        <div>
          {at === 'line' || at === 'sign' ? null : drawing}
          <StepBoundary key={pathname} notebook={notebook}>
            <Outlet context={frame} />
          </StepBoundary>
          {settings.pad && padSteps.includes(at) ? <GlovePad /> : null}
        </div>
      </Frame>
    </>
  )
}

import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { isPast } from 'date-fns/isPast'
import { Plus } from 'lucide-react'
import { useLayoutEffect, useRef, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { miniOf } from '../../../drawing/mini'
import { sayAgo, sayDay } from '../../../words/dates'
import { sayNext } from '../../../words/next'
import { dueWords } from '../../../words/page/due'
import { floorWords } from '../../../words/page/floor'
import { tabletWords } from '../../../words/page/tablet'
import { jobName } from '../../../words/terms'
import { answered, api, type JobRow, type JobState } from '../../api/client'
import { isShortcut } from '../../app/focus'
import { Header } from '../../app/Shell'
import { mono, narrow, phone } from '../../app/style'
import { stepName } from '../../job/steps'
import { Unsent } from '../../notebook/Unsent'
import { BroughtBack } from '../../parts/BroughtBack'
import { ButtonLink } from '../../parts/ButtonLink'
import { Button, ButtonAnchor, Choices, Muted, Select } from '../../parts/controls'
import { Peg, pegWord } from '../../parts/Peg'
import { SearchField } from '../../parts/SearchField'
import { listOrHere } from '../../tablet/list'
import { TabletPanel } from '../../tablet/TabletPanel'

const Page = styled.main`max-width: 1240px; margin: 0 auto; padding: 24px 20px 60px;`
const Top = styled.div`
  display: flex; flex-wrap: wrap; gap: 12px; align-items: center; margin-bottom: 20px;
  h1 { font-size: 26px; margin-right: auto; }
`
const List = styled.ul`list-style: none; margin: 0; padding: 0; border-top: 2px solid var(--ink);`
const Row = styled.li`
  border-bottom: 1px solid var(--rule);
  > a {
    display: grid; grid-template-columns: 116px minmax(180px, 1.2fr) 300px minmax(200px, 1.4fr) 130px; gap: 20px; align-items: center;
    padding: 8px 8px; text-decoration: none; min-height: 76px;
    ${narrow} { grid-template-columns: 84px minmax(0, 1fr) auto; gap: 4px 14px; }
    ${phone} { grid-template-columns: 84px minmax(0, 1fr); }
  }
  > a:hover { background: var(--card); }
  h2 { font-size: 17px; } small { color: var(--muted); font-size: 13.5px; }
`
const Next = styled.span`font-weight: 600; ${narrow} { grid-column: 2; grid-row: 2; }`
const When = styled.span`text-align: right; font-size: 14px; color: var(--muted); span { display: block; } ${narrow} { grid-column: 3; grid-row: 1 / 3; } ${phone} { grid-column: 2; grid-row: 3; text-align: left; span { display: inline; } span + span::before { content: ' · '; } } b { ${mono} color: var(--ink); font-weight: 500; }`
/** A peg a step, under the names that stand once over the list. */
const pegColumns = `display: grid; grid-template-columns: repeat(5, 1fr); justify-items: center; ${narrow} { display: none; }`
const Pegs = styled.span`${pegColumns}`
const Legend = styled.div`
  display: grid; grid-template-columns: 116px minmax(180px, 1.2fr) 300px minmax(200px, 1.4fr) 130px; gap: 20px; padding: 0 8px 6px; font-size: 12.5px; color: var(--muted);
  ${narrow} { display: none; } > span { ${pegColumns} grid-column: 3; white-space: nowrap; }
`
const Empty = styled.div`padding: 48px 8px; display: grid; gap: 16px; justify-items: start; font-size: 18px;`

const states: readonly { value: JobState | 'all' | 'away'; text: string }[] = [
  { value: 'all', text: floorWords.all },
  { value: 'in-hand', text: floorWords.inHand },
  { value: 'due', text: floorWords.due },
  { value: 'signed', text: floorWords.signed },
  { value: 'away', text: floorWords.archived },
]

/** The steps whose state a job shows in the list. */
const pegged = (['ready', 'seat', 'read', 'move', 'prove'] as const).map((step) => ({ step, name: stepName(step) }))
/** How many jobs are shown before the rest is asked for. */
const atFirst = 12

/** Home: what is in progress, due and signed. Search and filters live in the address. */
export function FloorScreen() {
  const [params, setParams] = useSearchParams()
  const navigate = useNavigate()
  const searchBox = useRef<HTMLInputElement>(null)
  const state = states.find((one) => one.value === params.get('state'))?.value ?? 'all'
  const search = params.get('search') ?? ''
  const area = params.get('area') ?? ''
  const page = Math.max(0, Number(params.get('page') ?? 0) || 0)
  // a page of jobs is shown from its first rows on; what is looked for further back is a tap away
  const [all, setAll] = useState(page > 0)
  const query = {
    ...(search ? { search } : {}),
    ...(state === 'all' ? {} : state === 'away' ? { archived: 'yes' as const } : { state }),
    ...(area ? { area } : {}),
    page: String(page),
  }
  const jobs = useQuery({
    queryKey: ['jobs', query],
    placeholderData: keepPreviousData,
    queryFn: () => listOrHere(query, () => answered(api.jobs.$get({ query }))),
  })
  const around = useQuery({
    queryKey: ['jobs', 'overview'],
    queryFn: () => answered(api.jobs.overview.$get()),
  })

  const change = (key: string, value: string) =>
    setParams(
      (old) => {
        const next = new URLSearchParams(old)
        if (value) next.set(key, value)
        else next.delete(key)
        if (key !== 'page') next.delete('page')
        return next
      },
      { replace: key === 'search' },
    )

  // keys are there as soon as the screen is
  useLayoutEffect(() => {
    const key = (event: KeyboardEvent) => {
      if (!isShortcut(event)) return
      if (event.key === 'n') navigate('/new')
      else if (event.key === '/') searchBox.current?.focus()
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', key)
    return () => window.removeEventListener('keydown', key)
  }, [navigate])

  const { data } = jobs
  const anyJobs = Object.values(around.data?.states ?? {}).some((n) => (n ?? 0) > 0)
  return (
    <>
      <Header crumbs={[]} />
      <Page id="bench">
        <BroughtBack />
        <Unsent />
        <Top>
          <h1>{floorWords.floor}</h1>
          <SearchField
            inputRef={searchBox}
            label={floorWords.searchLinesAndJobs}
            placeholder={floorWords.lineAreaInitialsJob14}
            value={search}
            onChange={(value) => change('search', value)}
          />
          {(around.data?.areas.length ?? 0) > 1 ? (
            <div>
              <Select
                aria-label={floorWords.area}
                value={area}
                options={[
                  { value: '', text: floorWords.allAreas },
                  ...(around.data?.areas ?? []).map((a) => ({ value: a, text: a })),
                ]}
                onPick={(value) => change('area', value)}
              />
            </div>
          ) : null}
          <Choices
            label={floorWords.whichJobs}
            value={state}
            options={states.flatMap(({ value, text }) => {
              const count =
                value === 'all' ? undefined : value === 'away' ? around.data?.archived : around.data?.states[value]
              if (value === 'away' && !count && state !== 'away') return []
              return { value, text: count ? `${text} ${count}` : text }
            })}
            onChange={(value) => change('state', value === 'all' ? '' : value)}
          />
          {state === 'due' ? (
            <ButtonAnchor href="/api/calendar/due.ics" aria-label={dueWords.calendarOf}>
              {dueWords.calendar}
            </ButtonAnchor>
          ) : null}
          <ButtonLink to="/new" $look="act">
            <Plus size={18} aria-hidden="true" /> {floorWords.newJob}
          </ButtonLink>
        </Top>
        {jobs.error ? <p role="alert">{jobs.error.message}</p> : null}
        {data?.here ? (
          <p role="status">{data.rows.length > 0 ? tabletWords.offlineList : tabletWords.noneHere}</p>
        ) : null}
        {data && data.rows.length > 0 ? (
          <>
            <Legend aria-hidden="true">
              <span>
                {pegged.map(({ step, name }) => (
                  <span key={step}>{name}</span>
                ))}
              </span>
            </Legend>
            <List aria-label={floorWords.jobs}>
              {(all ? data.rows : data.rows.slice(0, atFirst)).map((row) => (
                <JobLine key={row.id} row={row} bare={state === row.state} />
              ))}
            </List>
            {!all && data.rows.length > atFirst ? (
              <Top style={{ marginTop: 16 }}>
                <Button onPress={() => setAll(true)}>{floorWords.showMore(data.rows.length - atFirst)}</Button>
              </Top>
            ) : data.pages > 1 ? (
              <Top style={{ marginTop: 16 }}>
                <Button isDisabled={page === 0} onPress={() => change('page', String(page - 1))}>
                  {floorWords.newer}
                </Button>
                <Muted>{floorWords.pageOfJobs(page + 1, data.pages, data.total)}</Muted>
                <Button isDisabled={page + 1 >= data.pages} onPress={() => change('page', String(page + 1))}>
                  {floorWords.older}
                </Button>
              </Top>
            ) : null}
          </>
        ) : data && !data.here ? (
          <Empty>
            {anyJobs ? (
              <>
                <p>{floorWords.noJobsMatch}</p>
                <Button onPress={() => setParams({})}>{floorWords.showAllJobs}</Button>
              </>
            ) : (
              <>
                <p>{floorWords.noJobsYetAJob}</p>
                <ButtonLink to="/new" $look="act">
                  {floorWords.startTheFirstJob}
                </ButtonLink>
              </>
            )}
          </Empty>
        ) : null}
        <TabletPanel />
      </Page>
    </>
  )
}

const stateWord = (state: JobState): string =>
  ({ due: floorWords.due2, 'in-hand': floorWords.inHand2, signed: floorWords.signed2 })[state]

function JobLine({ row, bare }: { row: JobRow; bare: boolean }) {
  const { summary } = row
  const overdue = row.dueOn && isPast(new Date(`${row.dueOn}T23:59:59`))
  return (
    <Row>
      <Link to={`/jobs/${row.id}`} title={row.title}>
        <Mini row={row} />
        <span>
          <h2>{row.lineName}</h2>
          <small>{[row.area, jobName(row.number)].filter(Boolean).join(' · ')}</small>
        </span>
        <Pegs>
          {pegged.map(({ step, name }) => (
            <Peg key={step} peg={summary.pegs[step]} label={`${name}: ${pegWord(summary.pegs[step])}`} />
          ))}
        </Pegs>
        <Next>{row.state === 'signed' ? floorWords.signedBy(row.signedBy ?? '') : sayNext(summary)}</Next>
        <When>
          {row.state === 'due' && row.dueOn ? (
            <>
              <span>
                {overdue ? floorWords.overdueSince : `${floorWords.due2} `}
                {sayDay(new Date(row.dueOn))}
              </span>
              {row.assignedTo ? <span>{row.assignedTo}</span> : null}
            </>
          ) : (
            <>
              {row.archivedAt ? (
                <span>{floorWords.archived2}</span>
              ) : row.state === 'in-hand' || bare ? null : (
                <span>{stateWord(row.state)}</span>
              )}
              <span>{sayAgo(row.updatedAt)}</span>
            </>
          )}
        </When>
      </Link>
    </Row>
  )
}

const strokeOf = {
  axis: { stroke: 'var(--ink)', strokeWidth: 2.5 },
  unknown: { stroke: 'var(--ink)', strokeWidth: 1, strokeDasharray: '4 3' },
  reference: { stroke: 'var(--muted)', strokeDasharray: '1.5 4' },
  mark: { stroke: 'var(--kelp)', strokeWidth: 1.5 },
} as const

function Mini({ row }: { row: JobRow }) {
  const strokes = miniOf(row.summary, 112, 60)
  return (
    <svg width="112" height="60" viewBox="0 0 112 60" aria-hidden="true" style={{ maxWidth: '100%' }}>
      {strokes.map(({ look, points }) => (
        <polyline key={`${look} ${points.join()}`} points={points.join(' ')} fill="none" {...strokeOf[look]} />
      ))}
    </svg>
  )
}

import { useQuery } from '@tanstack/react-query'
import { lightFormat } from 'date-fns/lightFormat'
import { Fragment } from 'react'
import { Link, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { type AnyLine, kindNames } from '../../../core/kinds'
import { formatNumber } from '../../../core/quantity/number'
import { wordsOf } from '../../../words'
import { sayDate } from '../../../words/dates'
import { doorWords } from '../../../words/page/door'
import { siteViewWords as words } from '../../../words/page/siteView'
import { proofTerms } from '../../../words/prove'
import { capital, lengthWithUnit, methodNames } from '../../../words/terms'
import { answered, api } from '../../api/client'
import { Waiting } from '../../app/Plain'
import { Header } from '../../app/Shell'
import { useSettings } from '../../app/settings'
import { mono, narrow, phone, rowsAsCards } from '../../app/style'
import { ButtonLink } from '../../parts/ButtonLink'
import { Choices, Muted } from '../../parts/controls'
import { Peg, pegWord } from '../../parts/Peg'
import { Wide } from '../../parts/Wide'
import { dueCounts, dueDay, ordered, type SiteOrder } from './order'

const Page = styled.main`max-width: 1240px; margin: 0 auto; padding: 24px 20px 60px; ${narrow} { padding: 16px 12px; }
  h1 { font-size: 26px; } h2 { font-size: 17px; margin: 28px 0 8px; }`
const Top = styled.div`display: flex; flex-wrap: wrap; gap: 12px; align-items: center; margin-bottom: 8px; h1 { margin-right: auto; }`
const Counts = styled.p`display: flex; flex-wrap: wrap; gap: 4px 18px; margin: 0 0 16px; b { ${mono} font-weight: 600; } span { display: inline-flex; gap: 8px; align-items: center; }`
const Table = styled.table`
  border-collapse: collapse; width: 100%; border-top: 2px solid var(--ink);
  th, td { text-align: left; padding: 6px 18px 6px 8px; border-bottom: 1px solid var(--rule); vertical-align: middle; }
  thead th { color: var(--muted); font-size: 13px; font-weight: 500; white-space: nowrap; }
  tbody th { font-weight: 650; } td small { color: var(--muted); font-size: 13.5px; display: block; }
  th a, td a { display: inline-flex; align-items: center; min-height: 44px; }
  .area th { padding-top: 20px; font-size: 13px; letter-spacing: 0.04em; color: var(--muted); font-weight: 600; }
  .number { ${mono} }
  ${rowsAsCards} ${phone} { tr.area { padding-bottom: 0; border: 0; } th a, td a { min-width: 44px; } td:has(a)::before { line-height: 44px; } td > span { white-space: normal; } }
`
const State = styled.span`display: inline-flex; gap: 8px; align-items: center; white-space: nowrap;`

type View = Awaited<ReturnType<typeof fetchView>>
type Row = View['lines'][number]

const fetchView = () => answered(api.site.view.$get())

const orders: readonly { value: SiteOrder; text: string }[] = [
  { value: 'area', text: words.byArea },
  { value: 'due', text: words.byDue },
  { value: 'drift', text: words.byDrift },
]

const day = (iso: string) => sayDate(new Date(iso))

/** How the site stands: every line at a glance, what is overdue, what drifts; and what the work costs. */
export function SiteScreen() {
  const { data, error } = useQuery({ queryKey: ['lines', 'view'], queryFn: fetchView })
  const [params, setParams] = useSearchParams()
  if (error && !data) throw error
  if (!data) return <Waiting />
  const order = orders.find(({ value }) => value === params.get('order'))?.value ?? 'area'
  const today = lightFormat(new Date(), 'yyyy-MM-dd')
  const { overdue, soon } = dueCounts(data.lines, today)
  return (
    <>
      <Header crumbs={[{ text: words.site }]} />
      <Page id="bench">
        <Top>
          <h1>{words.site}</h1>
          <Choices
            label={words.order}
            value={order}
            options={orders}
            onChange={(value) => setParams(value === 'area' ? {} : { order: value }, { replace: true })}
          />
          <ButtonLink to="/lines">{words.lines(data.lines.length)}</ButtonLink>
          <ButtonLink to="/people">{doorWords.peopleAndMore}</ButtonLink>
        </Top>
        <Counts>
          <span>
            <Peg peg={overdue > 0 ? 'outside' : 'within'} size={13} label="" /> {words.overdue(overdue)}
          </span>
          <span>{words.soon(soon)}</span>
          <span>{data.first.moved > 0 ? words.rightFirst(data.first.right, data.first.moved) : words.noMoves}</span>
        </Counts>
        {data.lines.length === 0 ? (
          <Muted as="p">{words.noLines}</Muted>
        ) : (
          <Lines lines={ordered(data.lines, order)} grouped={order === 'area'} today={today} />
        )}
        {data.methods.length > 0 ? <Methods methods={data.methods} /> : null}
      </Page>
    </>
  )
}

function Lines({ lines, grouped, today }: { lines: readonly Row[]; grouped: boolean; today: string }) {
  return (
    <Wide>
      <Table aria-label={words.site}>
        <thead>
          <tr>
            {[words.line, words.asLeft, words.lastVisit, words.drift, words.next, words.open].map((text) => (
              <th key={text} scope="col">
                {text}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map((line, i) => (
            <Fragment key={line.id}>
              {grouped && line.area !== lines[i - 1]?.area ? (
                <tr className="area">
                  <th scope="rowgroup" colSpan={6}>
                    {line.area || words.noArea}
                  </th>
                </tr>
              ) : null}
              <LineRow line={line} today={today} place={grouped ? '' : line.area} />
            </Fragment>
          ))}
        </tbody>
      </Table>
    </Wide>
  )
}

function LineRow({ line, today, place }: { line: Row; today: string; place: string }) {
  const { unit } = useSettings()
  const { id, name, book, open, dueOn } = line
  const last = book?.last
  const due = dueDay(line)
  return (
    <tr>
      <th scope="row">
        <Link to={`/lines/${id}/logbook`}>{name}</Link>
        {place ? <Muted as="small"> {place}</Muted> : null}
      </th>
      <td data-of={words.asLeft}>
        <State>
          <Peg peg={last?.state ?? 'nothing'} size={14} label="" />
          {last ? pegWord(last.state) : words.noVisit}
        </State>
      </td>
      <td data-of={words.lastVisit}>
        {last ? <Link to={`/jobs/${last.job}`}>{`${day(last.at)}, ${words.job(last.number)}`}</Link> : null}
      </td>
      <td data-of={words.drift}>
        <DriftOf line={line.document as AnyLine | null} book={book} unit={unit} />
      </td>
      <td data-of={words.next}>
        {due ? (
          <>
            <State>
              {due < today ? <Peg peg="outside" size={13} label="" /> : null}
              {due < today ? words.overdueSince(day(due)) : dueOn ? words.dueOn(day(due)) : words.lookAgain(day(due))}
            </State>
            {dueOn ? null : <small>{words.notDueYet}</small>}
          </>
        ) : null}
      </td>
      <td data-of={words.open}>
        {open > 0 ? <Link to={`/?search=${encodeURIComponent(name)}&state=in-hand`}>{words.inHand(open)}</Link> : null}
      </td>
    </tr>
  )
}

function DriftOf({ line, book, unit }: { line: AnyLine | null; book: Row['book']; unit: 'mm' | 'mil' }) {
  if (!book?.last) return null
  const { drift } = book
  if (!drift || !line) return <Muted>{book.visits < 2 ? words.oneVisit : words.noDrift}</Muted>
  const terms = proofTerms(line, { unit, resolution: 0.01 })
  return (
    <>
      <b>{terms.went(drift.by, drift.plane)}</b>{' '}
      {words.plusMinus(lengthWithUnit(2 * drift.sd, { unit, resolution: 0.01 }))}
      <small>{`${capital(terms.at(drift.place))}, ${words.inDays(formatNumber(drift.days, 0))}`}</small>
    </>
  )
}

/** Ways of reading of every kind of line, by the names under which they are counted. */
const ownMethods = (): Readonly<Record<string, string>> =>
  Object.assign({}, methodNames, ...kindNames.map((kind) => wordsOf({ kind }).methods))

function Methods({ methods }: { methods: View['methods'] }) {
  const names = ownMethods()
  const nameOf = (method: string) => names[method] ?? capital(method)
  return (
    <>
      <h2>{words.byMethod}</h2>
      <Wide>
        <Table aria-label={words.byMethod}>
          <thead>
            <tr>
              {[words.method, words.visits, words.rounds, words.hours, words.firstEnough].map((text) => (
                <th key={text} scope="col">
                  {text}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {methods.map(({ method, visits, rounds, minutes, moved, right }) => (
              <tr key={method}>
                <th scope="row">{nameOf(method)}</th>
                <td className="number" data-of={words.visits}>
                  {visits}
                </td>
                <td className="number" data-of={words.rounds}>
                  {formatNumber(rounds, rounds % 1 === 0 ? 0 : 1)}
                </td>
                <td className="number" data-of={words.hours}>
                  {minutes > 0 ? formatNumber(minutes / 60, 1) : words.notTyped}
                </td>
                <td className="number" data-of={words.firstEnough}>
                  {moved > 0 ? words.ofMoved(right, moved) : '–'}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      </Wide>
      <Muted as="p">{words.nobody}</Muted>
    </>
  )
}

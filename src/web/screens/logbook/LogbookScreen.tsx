import { formatISO } from 'date-fns/formatISO'
import { useMemo, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import styled from 'styled-components'
import type { AnyLine } from '../../../core/kinds'
import { median } from '../../../core/logbook/book'
import { counted } from '../../../core/logbook/counted'
import { type Interval, intervalsOf, likelyCause } from '../../../core/logbook/drift'
import { nextCheck, usualChance } from '../../../core/logbook/next'
import { emptyLogbook, type Logbook } from '../../../core/logbook/schema'
import { comparable, type Visit } from '../../../core/logbook/visit'
import type { Plane } from '../../../core/quantity/axis'
import { fromMm } from '../../../core/quantity/units'
import { dayOf, sayDate, sayLongDate } from '../../../words/dates'
import { describeLine } from '../../../words/describe'
import { driftCauseTexts, sayDrift, sayNext, visitFlagTexts } from '../../../words/logbook'
import { logbookWords as words } from '../../../words/page/logbook'
import { type ProofTerms, proofTerms } from '../../../words/prove'
import { capital, couplingName, length, unitName } from '../../../words/terms'
import { useLogbook } from '../../api/logbook'
import { Waiting } from '../../app/Plain'
import { part } from '../../app/part'
import { Header } from '../../app/Shell'
import { useSettingsOf } from '../../app/settings'
import { narrow, phone } from '../../app/style'
import { jobPath } from '../../job/steps'
import type { DocumentSession } from '../../notebook/notebook'
import { Clashes, Saved } from '../../notebook/Saved'
import { lineShelf, useDocumentSession, useShelf } from '../../notebook/useNotebook'
import { Button, Card, Choices, Fault, Field, Input, Muted } from '../../parts/controls'
import { Peg, pegWord } from '../../parts/Peg'
import { Wide } from '../../parts/Wide'
import type { TimeSeries } from './TimeChart'
import { useNextJob } from './useNextJob'

/** A slope in what it is shown in: mm over 100 mm, or mil over an inch. */
const slopeIn = (rad: number, unit: ProofTerms['unit']): number => rad * (unit === 'mil' || unit === 'in' ? 1000 : 100)

const TimeChart = part(async () => (await import('./TimeChart')).TimeChart)

const Page = styled.main`
  max-width: 1280px; margin: 0 auto; padding: 20px 20px 60px; display: grid; gap: 16px; ${narrow} { padding: 12px; }
  h1 { font-size: 26px; } h2 { font-size: 17px; margin-bottom: 6px; }
`
const Two = styled.div`display: grid; grid-template-columns: 1fr 1fr; gap: 16px; ${narrow} { grid-template-columns: minmax(0, 1fr); }`
const Sheet = styled(Card)`
  display: grid; gap: 10px; align-content: start; > div { min-width: 0; } .scroll { overflow-x: auto; }
  table { border-collapse: collapse; width: 100%; } th, td { text-align: left; padding: 5px 12px 5px 0; white-space: nowrap; border-top: 1px solid var(--rule); font-variant-numeric: tabular-nums; } thead th { border-top: 0; color: var(--muted); font-size: 13px; font-weight: 500; } tbody th { font-weight: 600; } ${phone} { tr:has(.drift) :is(th, td) { white-space: normal; } } td a, th a { display: inline-block; min-height: 44px; padding: 11px 0; }
`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 12px; align-items: end;`

/** What a line did between the visits to it, and when to look again. */
export function LogbookScreen() {
  const { id = '' } = useParams()
  const { data, error, notebook } = useShelf(lineShelf, id)
  const visits = useLogbook(id)
  if (error ?? visits.error) throw error ?? visits.error
  if (!data || !notebook || !visits.data) return <Waiting />
  return <Opened id={id} notebook={notebook} stored={visits.data} />
}

function Opened({
  id,
  notebook,
  stored,
}: {
  id: string
  notebook: DocumentSession<AnyLine>
  stored: readonly Visit[]
}) {
  const { document: line } = useDocumentSession(notebook)
  const { unit } = useSettingsOf(id, line)
  const logbook = line.logbook ?? emptyLogbook
  const terms = useMemo(() => proofTerms(line, { unit, resolution: 0.01 }), [line, unit])
  const all = useMemo(() => comparable(stored), [stored])
  const { visits: kept, below: chance } = useMemo(() => counted({ visits: stored, logbook }), [stored, logbook])
  const edit = (change: Partial<Logbook>, mark?: string) =>
    notebook.edit((now) => ({ ...now, logbook: { ...(now.logbook ?? emptyLogbook), ...change } }), mark)
  const next = useMemo(() => nextCheck(kept, chance), [kept, chance])
  const today = formatISO(new Date(), { representation: 'date' })
  const passed = next !== undefined && next.on < today
  // a day that has passed is today
  const dueOn = passed ? today : next?.on
  const intervals = useMemo(() => intervalsOf(kept), [kept])
  const latest = intervals.at(-1)
  const job = useNextJob(id, line, unit)
  const navigate = useNavigate()
  const last = all.at(-1)
  return (
    <>
      <Header
        crumbs={[
          { to: '/lines', text: words.lines },
          { to: `/lines/${id}`, text: line.name || words.logbook },
          { text: words.logbook },
        ]}
      >
        <Saved notebook={notebook} />
      </Header>
      <Clashes notebook={notebook} describe={(path) => describeLine(line, path)} />
      <Page id="bench">
        <h1>{words.logbook}</h1>
        {!next || !last ? (
          <p>{words.noVisits}</p>
        ) : (
          <>
            <Two>
              <Sheet aria-label={words.nextCheck}>
                <h2>{words.nextCheck}</h2>
                <p style={{ fontWeight: 650 }}>{`${sayNext(next, terms).title} ${sayLongDate(dayOf(next.on))}`}</p>
                <Muted>{sayNext(next, terms).detail}</Muted>
                {passed ? (
                  <p>
                    <Peg peg="outside" size={13} label="" /> {words.overdue}
                  </p>
                ) : null}
                <Field label={words.below}>
                  <Input
                    style={{ width: 110 }}
                    inputMode="numeric"
                    maxLength={6}
                    placeholder={String(100 * usualChance)}
                    value={logbook.below}
                    onChange={({ target }) => edit({ below: target.value }, 'below')}
                  />
                </Field>
                <Row>
                  <Button
                    look="act"
                    isDisabled={job.isPending}
                    onPress={() => dueOn && job.mutate({ last: last.job, dueOn })}
                  >
                    {passed ? words.makeDueToday : words.makeDue(sayDate(dayOf(next.on)))}
                  </Button>
                  <Button
                    isDisabled={job.isPending}
                    onPress={() =>
                      job.mutate({ last: last.job }, { onSuccess: (made) => navigate(jobPath(made, 'ready')) })
                    }
                  >
                    {words.nextJob}
                  </Button>
                </Row>
                {job.isSuccess ? <Muted role="status">{words.made}</Muted> : null}
                {job.error ? <Fault role="alert">{job.error.message}</Fault> : null}
              </Sheet>
              <Sheet aria-label={words.drift}>
                <h2>{words.drift}</h2>
                {latest ? <Latest interval={latest} terms={terms} /> : <Muted>{words.tooFew}</Muted>}
              </Sheet>
            </Two>
            <OverTime visits={kept} terms={terms} />
            <Visits all={all} logbook={logbook} edit={edit} terms={terms} />
          </>
        )}
      </Page>
    </>
  )
}

function Latest({ interval, terms }: { interval: Interval; terms: ProofTerms }) {
  const cause = likelyCause(interval)
  return (
    <>
      <p style={{ fontWeight: 650 }}>{sayDrift(interval, terms)}</p>
      {cause ? <Muted>{driftCauseTexts[cause]}</Muted> : null}
      <Wide>
        <table>
          <thead>
            <tr>
              <th scope="col">{words.station}</th>
              <th scope="col">{`${words.driftOf(interval.days.toFixed(0))}, ${unitName[terms.unit]}`}</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {interval.places.map(({ place, plane, by, sd, seen }) => (
              <tr key={`${place}${plane}`}>
                <th scope="row">{terms.at(place)}</th>
                <td className="drift">
                  {terms.went(by, plane)} <Muted>{words.plusMinus(length(2 * sd, terms))}</Muted>
                </td>
                <td>
                  <Peg peg={seen ? 'outside' : 'within'} size={12} label="" /> {seen ? words.seen : words.notSeen}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
    </>
  )
}

type Shown = 'stations' | 'offset' | 'slope'

/** As found, and as left where it was moved. */
const sidesOf = ({ found, left, moves }: Visit) => [
  { side: found, found: true },
  ...(moves > 0 ? [{ side: left, found: false }] : []),
]

/** Every station that is told from another, over time. */
function stationSeries(visits: readonly Visit[], plane: Plane, terms: ProofTerms): TimeSeries[] {
  const moved = visits.at(-1)?.left.places.filter((one) => one.plane === plane && one.sd > 0) ?? []
  return moved.map(({ place }) => ({
    name: terms.at(place),
    points: visits.flatMap((visit) =>
      sidesOf(visit).flatMap(({ side, found }) => {
        const known = side.places.find((one) => one.place === place && one.plane === plane)
        return known ? [{ at: side.at, value: fromMm(known.position, terms.unit), found }] : []
      }),
    ),
  }))
}

const ofJoint = {
  offset: { vertical: 'offsetZ', horizontal: 'offsetY' },
  slope: { vertical: 'slopeZ', horizontal: 'slopeY' },
} as const

/** Every coupling over time, with what is allowed where every coupling is allowed the same. */
function jointSeries(visits: readonly Visit[], what: 'offset' | 'slope', plane: Plane, terms: ProofTerms) {
  const joints = visits.at(-1)?.joints ?? []
  const shown = (value: number) => (what === 'offset' ? fromMm(value, terms.unit) : slopeIn(value, terms.unit))
  const series: TimeSeries[] = joints.map(({ id }) => ({
    name: capital(couplingName(id, terms)),
    points: visits.flatMap((visit) =>
      sidesOf(visit).flatMap(({ side, found }) => {
        const known = side.joints.find((one) => one.id === id)?.misalignment[ofJoint[what][plane]]
        return known === undefined ? [] : [{ at: side.at, value: shown(known), found }]
      }),
    ),
  }))
  const allowed = [...new Set(joints.flatMap(({ limits }) => limits?.[what] ?? []))]
  return { series, band: allowed.length === 1 && allowed[0] !== undefined ? shown(allowed[0]) : undefined }
}

/** Stations and couplings over time. */
function OverTime({ visits, terms }: { visits: readonly Visit[]; terms: ProofTerms }) {
  const [plane, setPlane] = useState<Plane>('vertical')
  const [shown, show] = useState<Shown>('stations')
  const { series, band } = useMemo(
    () =>
      shown === 'stations'
        ? { series: stationSeries(visits, plane, terms), band: undefined }
        : jointSeries(visits, shown, plane, terms),
    [visits, plane, terms, shown],
  )
  const coupled = (visits.at(-1)?.joints.length ?? 0) > 0
  const marks = useMemo(() => visits.map(({ left, number }) => ({ at: left.at, name: words.job(number) })), [visits])
  const name = plane === 'vertical' ? words.upAndDown : words.sideways
  const unit = shown === 'slope' ? words.slopeUnit(terms.unit) : unitName[terms.unit]
  return (
    <Sheet aria-label={words.overTime}>
      <h2>{words.overTime}</h2>
      <Row>
        {coupled ? (
          <Choices
            label={words.show}
            value={shown}
            options={[
              { value: 'stations', text: words.stations },
              { value: 'offset', text: words.offset },
              { value: 'slope', text: words.angle },
            ]}
            onChange={show}
          />
        ) : null}
        <Choices
          label={words.plane}
          value={plane}
          options={[
            { value: 'vertical', text: words.upAndDown },
            { value: 'horizontal', text: words.sideways },
          ]}
          onChange={setPlane}
        />
      </Row>
      <TimeChart
        label={words.chart(name)}
        unit={`${terms.plane(plane)}, ${unit}`}
        series={series}
        visits={marks}
        band={band}
      />
    </Sheet>
  )
}

function Visits(props: {
  all: readonly Visit[]
  logbook: Logbook
  edit: (change: Partial<Logbook>) => void
  terms: ProofTerms
}) {
  const { all, logbook, edit, terms } = props
  const timed = all.filter(({ minutes }) => minutes > 0)
  return (
    <Sheet aria-label={words.visits}>
      <h2>{words.visits}</h2>
      {timed.length > 0 ? (
        <Muted>
          {words.medianMinutes(
            String(median(timed.map(({ minutes }) => minutes))),
            String(median(all.map(({ rounds }) => rounds))),
          )}
        </Muted>
      ) : null}
      <Wide>
        <table>
          <thead>
            <tr>
              <th scope="col">{words.day}</th>
              <th scope="col">{words.reason}</th>
              <th scope="col">{words.verdict}</th>
              <th scope="col">{words.rounds}</th>
              <th scope="col">{words.minutes}</th>
              <th scope="col">{`${words.softFoot}, ${unitName[terms.unit]}`}</th>
              <th scope="col">{words.station}</th>
              <th scope="col">{`${words.asFound}, ${unitName[terms.unit]}`}</th>
              <th scope="col">{`${words.asLeft}, ${unitName[terms.unit]}`}</th>
            </tr>
          </thead>
          <tbody>
            {[...all].reverse().map((visit) => {
              const moved = visit.left.places.filter(({ sd }) => sd > 0)
              const out = visit.flags.length > 0 && !logbook.putBack.includes(visit.job)
              return (moved.length > 0 ? moved : [undefined]).map((one, i) => (
                <tr key={`${visit.job}${one?.place}${one?.plane}`}>
                  {i === 0 ? (
                    <>
                      <th scope="rowgroup" rowSpan={moved.length || 1} style={{ verticalAlign: 'top' }}>
                        <Link to={jobPath(visit.job, 'prove')}>
                          {sayDate(new Date(visit.left.at))}, {words.job(visit.number)}
                        </Link>
                        {visit.signed ? null : (
                          <>
                            <br />
                            <Muted>{words.notSigned}</Muted>
                          </>
                        )}
                        {visit.flags.map((flag) => (
                          <p key={flag} style={{ whiteSpace: 'normal', maxWidth: 260, fontWeight: 400 }}>
                            <Muted>{visitFlagTexts[flag]}</Muted>
                          </p>
                        ))}
                        {visit.flags.length > 0 ? (
                          <Button
                            onPress={() =>
                              edit({
                                putBack: out
                                  ? [...logbook.putBack, visit.job]
                                  : logbook.putBack.filter((job) => job !== visit.job),
                              })
                            }
                          >
                            {out ? words.putBack : words.takeOut}
                          </Button>
                        ) : null}
                      </th>
                      <td rowSpan={moved.length || 1} style={{ verticalAlign: 'top' }}>
                        {visit.title}
                      </td>
                      <td rowSpan={moved.length || 1} style={{ verticalAlign: 'top' }}>
                        <Peg peg={visit.state} size={14} label={pegWord(visit.state)} />
                        {out ? ` ${words.leftOut}` : ''}
                      </td>
                      <td rowSpan={moved.length || 1} style={{ verticalAlign: 'top' }}>
                        {visit.rounds}
                      </td>
                      <td rowSpan={moved.length || 1} style={{ verticalAlign: 'top' }}>
                        {visit.minutes || ''}
                      </td>
                      <td rowSpan={moved.length || 1} style={{ verticalAlign: 'top' }}>
                        {softFoot(visit, terms)}
                      </td>
                    </>
                  ) : null}
                  <td>{one ? `${terms.at(one.place)}, ${terms.plane(one.plane)}` : ''}</td>
                  <td>{one ? foundOf(visit, one.place, one.plane, terms) : ''}</td>
                  <td>{one ? terms.stands(one.position, one.plane) : ''}</td>
                </tr>
              ))
            })}
          </tbody>
        </table>
      </Wide>
    </Sheet>
  )
}

/** The largest rise of a foot as found, and what was left of it. */
function softFoot({ feet: { found, left } }: Visit, terms: ProofTerms): string {
  if (found === null) return ''
  return left === null ? length(found, terms) : words.rises(length(found, terms), length(left, terms))
}

function foundOf({ found }: Visit, place: string, plane: Plane, terms: ProofTerms): string {
  const one = found.places.find((own) => own.place === place && own.plane === plane)
  return one ? terms.stands(one.position, plane) : ''
}

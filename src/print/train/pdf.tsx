import { Document, Page, Svg, Text, View } from '@react-pdf/renderer'
import { machineDoubted } from '../../core/kinds/train/advice/doubt'
import { findingsFor } from '../../core/kinds/train/advice/findings'
import { seatsOf, solveSeatOf } from '../../core/kinds/train/document/seats'
import { secondPlane } from '../../core/kinds/train/document/stations'
import type { JobPlan } from '../../core/kinds/train/plan/plan'
import { type JobSolution, solveRound } from '../../core/kinds/train/solve/round'
import { probeKinds } from '../../core/probes'
import { planes } from '../../core/quantity/axis'
import { type Quantity, showQuantity } from '../../core/quantity/quantity'
import { readyState } from '../../core/ready/ready'
import { openSeats } from '../../core/seat/state'
import type { ProbeState } from '../../core/shafts/state'
import { isCoupled, sags, setPurpose } from '../../core/shafts/typed'
import { lineDrawing } from '../../drawing/train/lineDrawing'
import { plannedFor } from '../../planner/train/plannedFor'
import { cautionTexts } from '../../words/cautions'
import { t } from '../../words/language'
import { sayPlus } from '../../words/probes'
import { saySag } from '../../words/readings'
import { checkTexts } from '../../words/ready'
import { saySeat } from '../../words/seat'
import {
  angleName,
  capital,
  couplingName,
  dimension,
  footName,
  inText,
  jobName,
  lengthWithUnit,
  lowerFirst,
  methodNames,
  place,
  purposeNames,
  sideName,
  signedLength,
  stateName,
  unitName,
} from '../../words/terms'
import { say } from '../../words/train/findings'
import { sayMove } from '../../words/train/plan'
import type { TrainTerms } from '../../words/train/terms'
import type { PrintedJob } from '../kind'
import { thePaper } from '../paper'
import { Drawing, dayOf, onPaper, PageHead, PegMark, Row, s } from '../parts'
import { asPrintedAll } from '../type'

/** One printed page of a job's round: drawing, dimensions, readings, positions, moves. PDF with its fonts inside. */
export async function reportPdf(
  stored: PrintedJob<'train'>,
  unit: 'mm' | 'mil',
  roundId?: string,
): Promise<Uint8Array> {
  const job = asPrintedAll(stored)
  const { document } = job
  const round = document.rounds.find((r) => r.id === roundId) ?? document.rounds.at(-1)
  if (!round) throw new Error('A job has at least one round.')
  const read = solveRound(document, round)
  const plan = await plannedFor(document, round, read)
  const solved = plan ? { ...read, solution: plan.solution } : read
  const terms: TrainTerms = { line: document.line, unit, resolution: solved.resolution }
  return thePaper().render(<Report job={job} solved={solved} plan={plan} terms={terms} />)
}

interface DisplayContext {
  job: PrintedJob<'train'>
  solved: JobSolution
  plan: JobPlan | undefined
  terms: TrainTerms
}

function Report({ job, solved, plan, terms }: DisplayContext) {
  const { document } = job
  const { line } = document
  const number = document.rounds.indexOf(solved.round) + 1
  const said = findingsFor(solved, 'read').filter(
    ({ kind }) => !['next-reading', 'ready-to-move', 'feet', 'closed'].includes(kind),
  )
  const stays = line.machines.find((machine) => machine.id === line.fixed)
  return (
    <Document title={t`${line.name}, job ${job.number}`} creator="Vane Peg" producer="Vane Peg">
      <Page size="A4" style={s.page}>
        <PageHead
          title={line.name}
          under={[line.area, jobName(job.number), document.title, t`round ${number} of ${document.rounds.length}`]}
          takenAt={solved.round.takenAt}
          terms={terms}
        />
        <Drawing scene={lineDrawing(solved, terms, onPaper)} />
        <View style={s.columns}>
          <View style={s.column}>
            <Text style={s.h}>{t`Line and dimensions`}</Text>
            <Row
              left={solved.round.plan && solved.round.plan.stays !== 'fixed' ? t`Fixed machine` : t`Fixed`}
              right={`${stays?.name ?? ''}. ${line.fixedBecause}`}
            />
            <Row left={t`Speed`} right={line.speed ? t`${line.speed} rpm` : t`not entered`} />
            {line.couplings.map((coupling) => (
              <Row
                key={coupling.id}
                left={`${coupling.name}, ${coupling.kind}`}
                right={[
                  `x = ${at(solved, coupling.id, terms)}`,
                  given(t`diameter`, coupling.diameter),
                  coupling.kind === 'spacer' ? given(t`flex planes apart`, coupling.span) : '',
                ]
                  .filter(Boolean)
                  .join(', ')}
              />
            ))}
            {line.machines.flatMap((machine) =>
              machine.feet.map((foot) => (
                <Row
                  key={foot.id}
                  left={capital(footName(foot.id, terms))}
                  right={[`x = ${at(solved, foot.id, terms)}`, growthText(solved, foot.id, terms)]
                    .filter(Boolean)
                    .join(', ')}
                />
              )),
            )}
          </View>
          <View style={s.column}>
            <Text style={s.h}>{t`Result`}</Text>
            {said.map((finding) => {
              const { title, detail } = say(finding, terms)
              return (
                <View key={title} style={{ flexDirection: 'row', gap: 5, marginBottom: 2.5 }}>
                  <Svg width={8} height={9} viewBox="0 0 8 9">
                    <PegMark x={4} y={5.5} size={3} peg={finding.peg} />
                  </Svg>
                  <View style={{ flex: 1 }}>
                    <Text style={{ fontWeight: 700 }}>{title}</Text>
                    {detail ? <Text style={s.muted}>{detail}</Text> : null}
                  </View>
                </View>
              )
            })}
          </View>
        </View>
        <Text style={s.h}>
          {t`Readings, as read and corrected for sag (`}
          {unitName[terms.unit]})
        </Text>
        {solved.dials.map((dial) => {
          const own = { ...terms, resolution: dial.step }
          return (
            <View key={dial.id} style={s.row} wrap={false}>
              <View style={{ width: 128 }}>
                <Text>{dialTitle(dial, terms)}</Text>
                <Text style={s.muted}>{hungText(solved, dial, terms)}</Text>
              </View>
              {dial.readings.map((reading) => (
                <View key={reading.angleId} style={{ flex: 1 }}>
                  <Text style={[s.muted, { textAlign: 'right' }]}>
                    {angleName(reading.angle, terms, dial.set.angleAs)}
                  </Text>
                  <Text style={s.number}>{signedLength(reading.shown, own)}</Text>
                  <Text style={[s.number, s.muted]}>{signedLength(reading.corrected, own)}</Text>
                </View>
              ))}
              {dial.sweep ? (
                <View style={{ flex: 3 }}>
                  <Text style={{ textAlign: 'right' }}>
                    {t`swept: ${dial.sweep.points} points over ${dial.sweep.coverage.toFixed(0)}°`}
                  </Text>
                  {dial.sweep.rough === undefined ? null : (
                    <Text style={[s.muted, { textAlign: 'right' }]}>
                      {t`scatters by ${lengthWithUnit(dial.sweep.rough, { ...own, resolution: 0.0001 })}`}
                    </Text>
                  )}
                </View>
              ) : sags(dial.dial) && !dial.dial.floats ? (
                <View style={{ flex: 1 }}>
                  <Text style={[s.muted, { textAlign: 'right' }]}>{t`closes to`}</Text>
                  <Text style={s.number}>{dial.closure === null ? t`not read` : signedLength(dial.closure, own)}</Text>
                </View>
              ) : null}
            </View>
          )
        })}
        <Text style={s.h}>{t`Positions before the move, and moves`}</Text>
        {(plan?.stations ?? [])
          .filter(({ machine, vertical, horizontal }) => machine !== line.fixed || vertical || horizontal)
          .map((station) => {
            const found = solved.solution.feet.find(({ foot }) => foot === station.foot)
            const doubtful = machineDoubted(solved, station.machine)
            return (
              <View key={station.foot} style={s.row} wrap={false}>
                <Text style={{ width: 128 }}>{capital(footName(station.foot, terms))}</Text>
                {planes.map((plane) => {
                  const known = found?.[plane]
                  const { text, short } = sayMove(station, plane, doubtful, terms)
                  return (
                    <View key={plane} style={{ flex: 1 }}>
                      <Text style={{ fontWeight: 700 }}>{text}</Text>
                      <Text style={s.muted}>
                        {known
                          ? `${doubtful ? t`not sure: ` : ''}${place(known.position, plane, terms)}, ± ${lengthWithUnit(2 * station.moveSd[plane], terms)}`
                          : t`${plane} plane`}
                      </Text>
                      {short ? <Text style={s.muted}>{short}</Text> : null}
                    </View>
                  )
                })}
              </View>
            )
          })}
        <Text style={{ marginTop: 6 }}>{beforeReading(document, terms)}</Text>
        {document.note ? (
          <Text style={{ marginTop: 6 }}>
            {t`Note:`} {document.note}
          </Text>
        ) : null}
        <View style={s.sign}>
          <Text style={s.line}>
            {t`Done by`} {document.doneBy}
          </Text>
          <Text style={s.line}>
            {t`Date`} {dayOf(job.signedAt)}
          </Text>
          <Text style={s.line}>{t`Checked by`}</Text>
        </View>
        <Text style={s.safety}>
          {t`Lock out and try before loosening a bolt or turning a shaft. Site permits and local rules apply. Makers’ tolerances override those above. ± is 2 SD of readings and taped dimensions.`}{' '}
        </Text>
      </Page>
    </Document>
  )
}

/** A probe with its method, and its coupling where the train has several. */
function dialTitle(state: ProbeState, terms: TrainTerms): string {
  const several = terms.line.couplings.length > 1
  const set = state.setNumber ? t`, set ${state.setNumber}` : ''
  const coupling = several ? `, ${inText(couplingName(state.set.coupling, terms))}` : ''
  return `${stateName(state, terms)}, ${methodNames[state.set.method].toLowerCase()}${set}${coupling}`
}

/** Where a probe hung, how it sagged, and how its set was turned. */
function hungText(solved: JobSolution, state: ProbeState, terms: TrainTerms): string {
  const { dial, set } = state
  const parts = [
    probeKinds[dial.type].stations === 0
      ? t`face, ${dial.side ?? 'front'}`
      : `x = ${at(solved, state.channel?.endsWith('2') ? secondPlane(dial.id) : dial.id, terms)}`,
    saySag(state, { ...terms, resolution: state.step }),
    sayPlus(dial, state.channel, { side: (side) => sideName(side, terms) }),
    set.turned === 'one' ? t`bracket’s shaft only turned` : '',
    isCoupled(set) ? purposeNames[setPurpose(set)] : '',
  ]
  return parts.filter(Boolean).join(', ')
}

/** A dimension of the line as it was typed; nothing of one that was not. */
const given = (what: string, quantity: Quantity | undefined): string =>
  quantity?.text ? `${what} ${showQuantity(quantity, quantity.unit)} ${unitName[quantity.unit]}` : ''

/** How a station grows from cold to running: "grows 0.12 up"; nothing where nobody gave it. */
function growthText({ train }: JobSolution, id: string, terms: TrainTerms): string {
  const growth = train.machines.flatMap(({ feet }) => feet).find((foot) => foot.id === id)?.growth
  const ways = planes.flatMap((plane) => {
    const mm = growth?.[plane]
    if (mm === undefined) return []
    const way =
      plane === 'vertical' ? (mm < 0 ? t`down` : t`up`) : t`toward ${sideName(mm < 0 ? 'near' : 'far', terms)}`
    return [`${lengthWithUnit(Math.abs(mm), terms)} ${way}`]
  })
  return ways.length > 0 ? t`grows ${ways.join(', ')}` : ''
}

const at = (solved: JobSolution, id: string, terms: TrainTerms): string => {
  const x = solved.stations.x.get(id)
  return x === undefined ? t`not entered` : dimension(x, terms.unit)
}

/** One line on what was done before the readings: cautions, checks, feet. */
function beforeReading(document: PrintedJob<'train'>['document'], terms: TrainTerms): string {
  const ready = readyState(document)
  const open = ready.openCautions.map((id) => cautionTexts[id].title)
  const bad = ready.checks.filter(({ state }) => state === 'bad' || state === 'over')
  const skipped = ready.checks.filter(({ state }) => state === 'skipped')
  const name = (id: string, own?: string) => own ?? lowerFirst(checkTexts[id]?.title ?? id)
  const feet = openSeats(seatsOf(document.line), document.seat).map((state) => {
    const [finding] = state.findings
    return finding ? saySeat({ kind: 'seat-found', peg: 'outside', state, finding, first: true }, terms).title : ''
  })
  const unmeasured = document.line.machines.filter(
    ({ id }) =>
      id !== document.line.fixed &&
      (['before', 'after'] as const).every((pass) => solveSeatOf(document, id, pass).findings.length === 0),
  )
  return [
    open.length === 0
      ? t`All cautions initialed.`
      : open.length === 8
        ? t`No cautions initialed.`
        : t`Cautions not initialed: ${open.join(', ')}.`,
    ...(document.ready?.permit ? [t`Permit ${document.ready.permit}.`] : []),
    ...(bad.length ? [t`Not OK: ${bad.map(({ id, own }) => name(id, own)).join(', ')}.`] : []),
    ...skipped.map(({ id, own }) => t`Skipped: ${name(id, own)} (${document.ready?.checks[id]?.note ?? ''}).`),
    ...feet,
    ...unmeasured.map(({ name }) => t`Soft foot of the ${inText(name)} not measured at every foot.`),
  ].join(' ')
}

import { Document, G, Page, Rect, Line as Stroke, Svg, Text, View } from '@react-pdf/renderer'
import { allWithin, machineDoubted } from '../../core/kinds/train/advice/doubt'
import { planFindings } from '../../core/kinds/train/advice/planFindings'
import { seatFeet } from '../../core/kinds/train/document/seats'
import { boltWork, orderAdvice } from '../../core/kinds/train/plan/bolts'
import { expectedReadings } from '../../core/kinds/train/plan/outcome'
import type { JobPlan, PlannedStation } from '../../core/kinds/train/plan/plan'
import { type JobSolution, solveRound } from '../../core/kinds/train/solve/round'
import { planes } from '../../core/quantity/axis'
import { quantityMm, showQuantity } from '../../core/quantity/quantity'
import { lengthUnitFor } from '../../core/quantity/usual'
import { tighteningOrder } from '../../core/seat/layout'
import { roundsOf } from '../../core/seat/schema'
import { feetDrawing } from '../../drawing/feet'
import { ink, muted } from '../../drawing/print'
import { lineDrawing } from '../../drawing/train/lineDrawing'
import { plannedFor } from '../../planner/train/plannedFor'
import { t } from '../../words/language'
import { orderInWords, passes } from '../../words/seat'
import {
  angleInText,
  capital,
  footName,
  inText,
  isZero,
  jobName,
  lowerFirst,
  machineName,
  sideName,
  signedLength,
  stateName,
  type Terms,
  unitName,
} from '../../words/terms'
import { halfSet, pushText } from '../../words/train/bolts'
import { moveWords } from '../../words/train/page/move'
import { packAct, sayMove, sayPlan, schools, shimSize, staysNames } from '../../words/train/plan'
import type { TrainTerms } from '../../words/train/terms'
import { withinWords } from '../../words/within'
import type { PrintedJob } from '../kind'
import { thePaper } from '../paper'
import { Drawing, onPaper, PageHead, PegMark, s } from '../parts'
import { asPrintedAll } from '../type'

/** The page to carry to the machine: what goes in and out under every foot, side moves, stops, order. PDF with its fonts inside. */
export async function moveSheetPdf(
  stored: PrintedJob<'train'>,
  unit: 'mm' | 'mil',
  roundId?: string,
): Promise<Uint8Array | undefined> {
  const job = asPrintedAll(stored)
  const { document } = job
  const round = document.rounds.find((r) => r.id === roundId) ?? document.rounds.at(-1)
  if (!round) throw new Error('A job has at least one round.')
  const solved = solveRound(document, round)
  const plan = await plannedFor(document, round, solved)
  if (!plan?.known) return undefined
  const terms: TrainTerms = { line: document.line, unit, resolution: solved.resolution }
  return thePaper().render(<MoveSheet job={job} solved={solved} plan={plan} terms={terms} />)
}

interface DisplayContext {
  job: PrintedJob<'train'>
  solved: JobSolution
  plan: JobPlan
  terms: TrainTerms
}

function MoveSheet({ job, solved, plan, terms }: DisplayContext) {
  const { document } = job
  const { line } = document
  const number = document.rounds.indexOf(solved.round) + 1
  const still = allWithin(solved)
  const moved = line.machines.filter(
    ({ id }) => !still && plan.stations.some((one) => one.machine === id && (one.vertical || one.horizontal)),
  )
  const school = schools[solved.round.plan?.order ?? orderAdvice(solved).school]
  const findings = planFindings(solved, plan, line)
  const unsure = findings.filter(({ kind }) => kind === 'not-sure').map((finding) => sayPlan(finding, terms))
  const promised = plan.feasible && unsure.length === 0
  const said = findings.filter(({ kind }) => kind !== 'order' && kind !== 'not-sure')
  return (
    <Document title={t`${line.name}, job ${job.number}, moves`} creator="Vane Peg" producer="Vane Peg">
      <Page size="A4" style={s.page}>
        <PageHead
          title={t`${line.name}: moves`}
          under={[
            line.area,
            jobName(job.number),
            document.title,
            t`after round ${number}`,
            staysNames[plan.stays].toLowerCase(),
          ]}
          takenAt={solved.round.takenAt}
          terms={terms}
        />
        {still ? <Text style={{ fontWeight: 700, fontSize: 11, marginTop: 6 }}>{withinWords.noMoves}</Text> : null}
        {unsure.map(({ title, detail }) => (
          <Text key={title} style={{ fontWeight: 700, fontSize: 11, marginTop: 6 }}>{`${title} ${detail ?? ''}`}</Text>
        ))}
        <View style={{ border: `1 solid ${ink}`, padding: 5, marginTop: 6 }}>
          <Text style={{ fontWeight: 700 }}>
            {t`Before you loosen a bolt: lock out, try, permit in hand. Support the machine before you change shims. Use rated lifting gear. Fingers clear of the feet. Beware of stored energy and hot surfaces. Never reach in while shafts turn.`}{' '}
          </Text>
          <Text style={s.muted}>{t`Site permits and local rules apply. Makers’ tolerances override these.`}</Text>
        </View>
        <Drawing
          scene={lineDrawing(solved, terms, { ...onPaper, ...(still ? {} : { plan: { plan, draggable: false } }) })}
        />
        {(still ? [] : said).map((finding) => {
          const { title } = sayPlan(finding, terms)
          return (
            <View key={title} style={{ flexDirection: 'row', gap: 5, marginTop: 2 }}>
              <Svg width={8} height={9} viewBox="0 0 8 9">
                <PegMark x={4} y={5.5} size={3} peg={finding.peg} />
              </Svg>
              <Text style={{ flex: 1 }}>
                {finding.kind === 'tied-moved'
                  ? `${title} ${finding.agreed ? t`Agreed by ${finding.agreed.by}.` : t`Agreed, initials:`}`
                  : title}
              </Text>
            </View>
          )
        })}
        {moved.map((machine) => (
          <Machine key={machine.id} machine={machine.id} {...{ job, solved, plan, terms }} />
        ))}
        <Stops moved={moved.map(({ id }) => id)} {...{ solved, plan, terms }} />
        {still ? null : (
          <View style={s.columns}>
            <View style={s.column}>
              <Text style={s.h}>
                {t`Sequence:`} {lowerFirst(school.name)}
              </Text>
              {school.steps.map((step, i) => (
                <Text key={step}>{`${i + 1}. ${step}`}</Text>
              ))}
              {moved.map(({ id, name }) => {
                const feet = seatFeet(line, id)
                const torque = document.seat?.[id]?.torque
                return (
                  <Text key={id} style={[s.muted, { marginTop: 3 }]}>
                    {t`Tighten the`} {inText(name)}: {orderInWords(feet, tighteningOrder(feet), terms)}
                    {t`: by hand, snug,`} {torque || t`to torque`}
                    {`, ${passes(roundsOf(document.seat?.[id]))}.`}{' '}
                  </Text>
                )
              })}
            </View>
            <View style={s.column}>
              {plan.picks.length ? <Text style={s.h}>{t`Pick list`}</Text> : null}
              {plan.picks.map(({ machine, thickness, count }) => {
                const stock = solved.round.plan?.stock[machine]
                const unit = lengthUnitFor(terms.unit)
                const slot =
                  stock && quantityMm(stock.slot) !== undefined
                    ? t`, slot ${showQuantity(stock.slot, unit)} ${unitName[unit]}`
                    : ''
                return (
                  <Text key={`${machine}${thickness}`}>
                    {`${count} × ${shimSize(thickness, terms)} ${unitName[terms.unit]}${slot}, ${inText(machineName(machine, terms))}`}
                  </Text>
                )
              })}
              {promised ? (
                <Text style={s.h}>
                  {t`Expected next readings (`}
                  {unitName[terms.unit]})
                </Text>
              ) : null}
              {(promised ? expectedReadings(solved, plan.moves) : []).map(({ state, readings }) => (
                <Text key={state.id}>
                  {`${stateName(state, terms, true)}: ${readings
                    .map(
                      ({ degrees, value }) =>
                        `${angleInText(degrees, terms, state.set.angleAs)} ${signedLength(value, terms)}`,
                    )
                    .join(', ')}`}
                </Text>
              ))}
              {promised && solved.dials.some(({ dial }) => dial.floats) ? (
                <Text>{moveWords.heldAgainstOneStop}</Text>
              ) : null}
            </View>
          </View>
        )}
        <View style={s.sign}>
          <Text style={s.line}>{t`Done by`}</Text>
          <Text style={s.line}>{t`Date and time`}</Text>
          <Text style={s.line}>{t`Torque checked by`}</Text>
        </View>
      </Page>
    </Document>
  )
}

/** A machine's feet from above: at each what goes in and out, and the push of each station. */
function Machine({ machine, job, solved, plan, terms }: DisplayContext & { machine: string }) {
  const { line } = job.document
  const feet = seatFeet(line, machine)
  const width = 520
  const drawing = feetDrawing(feet, width, { width: 150, height: 40 }, false, 62)
  const stations = plan.stations.filter((station) => station.machine === machine)
  const doubted = machineDoubted(solved, machine)
  const footOf = (id: string) => stations.flatMap((station) => station.feet).find((foot) => foot.id === id)
  return (
    <View wrap={false}>
      <Text style={s.h}>
        {machineName(machine, terms)}
        {t`, from above:`} {sideName('far', terms)} {t`side on top,`} {endsOf(line, machine)}
      </Text>
      <View style={{ position: 'relative', height: drawing.height }}>
        <Svg viewBox={`0 0 ${width} ${drawing.height}`} style={{ width, height: drawing.height }}>
          <G>
            <Stroke
              x1={0}
              y1={drawing.shaft.y}
              x2={width}
              y2={drawing.shaft.y}
              stroke={muted}
              strokeWidth={1}
              strokeDasharray="8 3 2 3"
            />
            {drawing.pads.map((pad) => (
              <Rect
                key={pad.id}
                x={pad.x - 75}
                y={pad.y - 20}
                width={150}
                height={40}
                fill="#FFFFFF"
                stroke={ink}
                strokeWidth={0.8}
              />
            ))}
          </G>
        </Svg>
        {drawing.pads.map((pad) => {
          const foot = footOf(pad.id)
          const station = stations.find(({ feet: own }) => own.some(({ id }) => id === pad.id))
          return (
            <View key={pad.id} style={{ position: 'absolute', left: pad.x - 71, top: pad.y - 17, width: 142 }}>
              <Text style={[s.muted, { fontSize: 7 }]}>
                {station && foot ? `${footName(station.foot, terms)}, ${sideName(foot.side, terms)}` : ''}
              </Text>
              <Text style={{ fontWeight: 700 }}>{station ? padText(station, foot, doubted, terms) : ''}</Text>
              <Text style={[s.muted, { fontSize: 7 }]}>
                {foot?.change
                  ? t`then ${foot.change.pack.shims.map((size) => shimSize(size, terms)).join(' + ') || 'none'}${foot.change.pack.shims.length ? ` ${unitName[terms.unit]}` : ''}`
                  : ''}
              </Text>
            </View>
          )
        })}
      </View>
      {stations.map((station) => (
        <View key={station.foot} style={s.row}>
          <Text style={{ width: 150 }}>{capital(footName(station.foot, terms))}</Text>
          {planes.map((plane) => {
            const { text, short } = sayMove(station, plane, doubted, terms)
            return (
              <View key={plane} style={{ flex: 1 }}>
                <Text style={{ fontWeight: 700 }}>{station[plane] === null ? `${text}, ${plane}` : text}</Text>
                {short ? <Text style={s.muted}>{short}</Text> : null}
              </View>
            )
          })}
        </View>
      ))}
    </View>
  )
}

function padText(
  station: PlannedStation,
  foot: PlannedStation['feet'][number] | undefined,
  doubted: boolean,
  terms: TrainTerms,
): string {
  const change = foot && packAct(foot, terms)
  if (change) return doubted ? t`Not sure: ${change}` : capital(change)
  return sayMove(station, 'vertical', doubted, terms).text
}

/** Which end of the train lies on the left of a machine's drawing. */
function endsOf(line: Terms['line'], machine: string): string {
  const m = line.machines.findIndex(({ id }) => id === machine)
  const [before, after] = [line.machines[m - 1], line.machines[m + 1]]
  return before ? t`${inText(before.name)} to the left` : after ? t`${inText(after.name)} to the right` : ''
}

function Stops({ moved, solved, plan, terms }: { moved: readonly string[] } & Omit<DisplayContext, 'job'>) {
  const works = moved.flatMap((machine, i) => {
    const work = boltWork(solved, plan, machine, 'horizontal', { before: moved.slice(0, i) })
    return work && work.watches.length > 0 && work.by.some((by) => !isZero(by, terms)) ? [work] : []
  })
  const [first] = works
  if (!first) return null
  return (
    <View wrap={false}>
      <Text style={s.h}>
        {t`At the jack bolts: dial readings at each stop (`}
        {unitName[terms.unit]})
      </Text>
      <Text style={s.muted}>{halfSet(first, terms)}</Text>
      {works.map((work) => (
        <View key={work.machine}>
          {work.steps.map((step, i) => (
            <View key={step.foot} style={s.row}>
              <Text style={{ flex: 1.2 }}>
                {`${i + 1}. ${machineName(work.machine, terms)}: ${lowerFirst(pushText(step, 'horizontal', terms))}`}
              </Text>
              {work.watches.map((watch, w) => (
                <Text key={watch.id} style={{ flex: 1 }}>
                  {`${stateName(watch.state, terms, true)}: ${i === 0 ? t`from ${signedLength(watch.now, terms)} to ` : ''}${signedLength(step.readings[w] ?? 0, terms)}`}
                </Text>
              ))}
            </View>
          ))}
        </View>
      ))}
    </View>
  )
}

import { ArrowDown, ArrowUp, FileDown } from 'lucide-react'
import { memo, useDeferredValue } from 'react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { allWithin, machineDoubted } from '../../../../core/kinds/train/advice/doubt'
import type { Finding } from '../../../../core/kinds/train/advice/finding'
import { findingsFor } from '../../../../core/kinds/train/advice/findings'
import { type PlanFinding, planFindings } from '../../../../core/kinds/train/advice/planFindings'
import { seatFeet } from '../../../../core/kinds/train/document/seats'
import type { PlannedStation } from '../../../../core/kinds/train/plan/plan'
import type { Plane } from '../../../../core/quantity/axis'
import { tighteningOrder } from '../../../../core/seat/layout'
import { roundsOf } from '../../../../core/seat/schema'
import { isCoupled } from '../../../../core/shafts/typed'
import { orderInWords, passes } from '../../../../words/seat'
import {
  capital,
  dimension,
  feetAlone,
  footName,
  inText,
  isZero,
  lengthWithUnit,
  place,
  planeName,
  sideName,
  type Terms,
  wayName,
} from '../../../../words/terms'
import { moveWords } from '../../../../words/train/page/move'
import { sayMove, sayPlan } from '../../../../words/train/plan'
import { mono } from '../../../app/style'
import { BenchHead, WorkArea, WorkAreaAndFindings } from '../../../job/frame/WorkArea'
import { StillToGain } from '../../../job/move/StillToGain'
import { jobPath } from '../../../job/steps'
import { Card, Fault } from '../../../parts/controls'
import { fileName } from '../../../parts/files'
import { PdfLink } from '../../../print/PdfLink'
import { printer } from '../../../print/printer'
import { type Act, type FindingItem, FindingsPanel } from '../../../say/FindingsPanel'
import { type TrainFrame, useTrainFrame } from '../frame'
import { sayItems } from '../sayItems'
import { After } from './After'
import { Bolts } from './Bolts'
import { Compare } from './Compare'
import { Limits } from './Limits'
import { Order } from './Order'
import { Outcome } from './Outcome'
import { Packs } from './Packs'
import { PlanLine } from './PlanLine'
import { Picks, StockOf } from './Stock'
import { WhatStays } from './WhatStays'

const Feet = styled.div`display: grid; grid-template-columns: repeat(auto-fit, minmax(280px, 1fr)); gap: 16px; margin: 8px 0 12px;`
const Station = styled(Card)<{ $chosen: boolean }>`
  display: grid; gap: 0; align-content: start; padding: 12px 16px; ${({ $chosen }) => ($chosen ? 'border-color: var(--kelp); box-shadow: 0 0 0 1px var(--kelp);' : '')}
  h3 { font-size: 16px; display: flex; justify-content: space-between; gap: 12px; small { color: var(--muted); font-weight: 400; ${mono} font-size: 13px; } }
`
const Foot = styled.section`
  display: grid; gap: 4px; align-content: start; & + & { border-top: 1px solid var(--rule); margin-top: 10px; padding-top: 6px; }
  > p:first-of-type { font-size: 19px; font-weight: 700; display: flex; align-items: center; gap: 10px; min-height: 40px; }
  > p { color: var(--ink); } > p + p { color: var(--muted); font-size: 14px; }
`
/** What lies below the edge of the window is not laid out before it comes into sight: a train of five has many cards. */
const Moves = styled.section`content-visibility: auto; contain-intrinsic-size: auto 560px; margin: 0 -3px 20px; padding: 0 3px; h2 { font-size: 16px; }`
const Tighten = styled.p`color: var(--muted); & + & { margin-top: 8px; }`

/** What to do at every foot: shims in or out, and which way to push by how much. */
export function MoveStep() {
  const frame = useTrainFrame()
  // while the target line is dragged, drawing and cards come first; what hangs on them comes as soon as there is time
  const later = useDeferredValue(frame)
  const { document, solved, terms, plan } = frame
  const navigate = useNavigate()
  const { line } = document
  const known = plan?.known ?? false
  const measured = solved.solution.couplings.some(({ result }) => result.ok)
  const within = allWithin(solved)
  // a machine that stays is left out, unless its limits are what it is about
  const shown = line.machines.filter(
    ({ id }) => !(plan?.stays === 'fixed' && id === line.fixed) && plan?.stations.some((one) => one.machine === id),
  )
  const moved = shown.filter(({ id }) =>
    plan?.stations.some((one) => one.machine === id && (one.vertical || one.horizontal)),
  )

  const actsFor = (finding: Finding): Act[] => {
    switch (finding.kind) {
      case 'not-closed':
      case 'not-a-number':
      case 'unsolved':
      case 'not-returned':
        return [{ text: moveWords.goToRead, main: true, run: () => navigate(jobPath(frame.id, 'read')) }]
      case 'dimension-fault':
      case 'dimension-doubt':
      case 'no-limits':
        return [{ text: moveWords.goToLine, run: () => navigate(jobPath(frame.id, 'line')) }]
      case 'engaged':
        return finding.accepted || frame.frozen
          ? []
          : [{ text: moveWords.planFromItAnyway, run: () => acceptEngaged(finding.coupling) }]
      case 'not-fitting':
      case 'sets-disagree':
        return [{ text: moveWords.goToRead, main: true, run: () => navigate(jobPath(frame.id, 'read')) }]
      case 'read-again':
        return frame.frozen ? [] : [{ text: moveWords.movedStartNextRound, main: true, run: frame.beginRound }]
      default:
        return []
    }
  }
  const planActs = (finding: PlanFinding): Act[] => {
    if (finding.kind === 'no-growth')
      return [{ text: moveWords.goToLine, run: () => navigate(jobPath(frame.id, 'line')) }]
    if (finding.kind === 'tied-moved' && !finding.agreed && !frame.frozen) {
      const by = frame.settings.initials.trim()
      if (!by) return [{ text: moveWords.enterInitialsInReadyFirst, run: () => navigate(jobPath(frame.id, 'ready')) }]
      const { machine, most } = finding
      const agreed = {
        by,
        at: new Date().toISOString(),
        vertical: Math.abs(most.vertical.move),
        horizontal: Math.abs(most.horizontal.move),
      }
      return [
        {
          text: moveWords.agreed(by),
          run: () => frame.editPlan((p) => ({ ...p, agreed: { ...p.agreed, [machine]: agreed } })),
        },
      ]
    }
    if (finding.kind !== 'in-the-way' || frame.frozen) return []
    const { stays, blocked } = finding
    if (plan?.blocking[0]?.foot !== blocked.foot || plan.blocking[0].limit !== blocked.limit) return []
    return [
      ...(stays === 'fixed'
        ? [
            {
              text: moveWords.holdTwoFeet,
              main: true,
              // what is in the way in one plane is no reason to move another machine in the other
              run: () => frame.editPlan((p) => ({ ...p, stays: 'hold', holdIn: blocked.plane })),
            },
          ]
        : []),
      ...(stays === 'fixed' || stays === 'hold'
        ? [{ text: moveWords.findFewestMoves, run: () => frame.editPlan((p) => ({ ...p, stays: 'least' })) }]
        : []),
    ]
  }

  /** Who says so, and when: it is on the record and on the printed page. */
  const acceptEngaged = (coupling: string) => {
    const by = `${frame.settings.initials || moveWords.noInitials}, ${new Date().toISOString().slice(0, 10)}`
    frame.editRound((round) => ({
      ...round,
      sets: round.sets.map((set) =>
        set.coupling === coupling && isCoupled(set) ? { ...set, engagedAccepted: by } : set,
      ),
    }))
  }

  const items = (() => {
    const asPlanned = plan ? { ...solved, solution: plan.solution } : solved
    // the moves of each foot stand in the column
    const read = sayItems(findingsFor(asPlanned, 'move'), terms, actsFor).map((item) => ({
      ...item,
      inColumn: item.key.startsWith('feet'),
    }))
    if (within) return read
    const planned = planFindings(solved, plan, line).map(
      (finding, i): FindingItem => ({
        key: `plan:${finding.kind}:${'foot' in finding ? finding.foot : 'machine' in finding ? finding.machine : 'blocked' in finding ? finding.blocked.foot + finding.blocked.limit : i}`,
        peg: finding.peg,
        said: sayPlan(finding, terms),
        acts: planActs(finding),
      }),
    )
    const urgent = planned.filter(({ peg }) => peg === 'outside' || peg === 'unsure')
    const [lock, ...rest] = read
    return [...(lock ? [lock] : []), ...urgent, ...rest, ...planned.filter((item) => !urgent.includes(item))]
  })()

  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        <BenchHead>
          <div>
            <h1>{moveWords.moves}</h1>
          </div>
          {known && !within ? (
            <PdfLink
              href={`/api/jobs/${frame.id}/move.pdf?unit=${terms.unit}&round=${frame.round.id}`}
              name={fileName(`${frame.document.line.name} moves`)}
              here={async () =>
                (await printer()).moves(
                  { number: frame.number, document: frame.document },
                  frame.settings.unit,
                  frame.round.id,
                )
              }
            >
              <FileDown size={18} aria-hidden="true" /> {moveWords.moveSheet}
            </PdfLink>
          ) : null}
        </BenchHead>
        <Outcome frame={frame} />
        <StillToGain within={within}>
          <PlanLine frame={frame}>
            <WhatStays frame={frame} />
            {measured ? <Compare frame={later} /> : null}
          </PlanLine>
          {known ? (
            shown.map((machine) => (
              <Moves key={machine.id} aria-label={moveWords.moves2(machine.name)}>
                <h2>{machine.name}</h2>
                <Feet>
                  {plan?.stations
                    .filter((station) => station.machine === machine.id)
                    .map((station) => (
                      <Station
                        key={station.foot}
                        $chosen={frame.chosen === station.foot}
                        onPointerEnter={() => frame.choose(station.foot)}
                      >
                        <h3>
                          {capital(feetAlone(station.foot, terms))}
                          <small>{moveWords.x(dimension(station.x, terms.unit))}</small>
                        </h3>
                        {(['vertical', 'horizontal'] as const).map((plane) => (
                          <StationPlane key={plane} station={station} plane={plane} frame={frame} terms={terms} />
                        ))}
                      </Station>
                    ))}
                </Feet>
                <StockOf machine={machine.id} frame={frame} />
              </Moves>
            ))
          ) : (
            <Card>
              <p>{measured ? moveWords.noPlanYetSoNo : moveWords.notEnoughReadingsYetSo}</p>
            </Card>
          )}
          {known ? (
            <>
              <Picks frame={later} />
              <Order frame={frame} />
              {moved.map((machine) => {
                const feet = seatFeet(line, machine.id)
                const torque = document.seat?.[machine.id]?.torque
                return (
                  <Tighten key={machine.id}>
                    {moveWords.tightenTheInSequenceBy(
                      inText(machine.name),
                      orderInWords(feet, tighteningOrder(feet), terms),
                      torque || moveWords.toTorque,
                      passes(roundsOf(document.seat?.[machine.id])),
                    )}
                  </Tighten>
                )
              })}
              <Bolts frame={later} moved={moved.map(({ id }) => id).join()} />
              <After frame={later} />
            </>
          ) : null}
        </StillToGain>
      </WorkArea>
      <FindingsPanel items={[...frame.reminders, ...items]} />
    </WorkAreaAndFindings>
  )
}

interface StationCardProps {
  station: PlannedStation
  plane: Plane
  frame: TrainFrame
  terms: Terms
}

/** A card is drawn again only when something on it is another: most stations stay as they are while one is dragged or typed at. */
const StationPlane = memo(
  OneStation,
  (a, b) =>
    a.plane === b.plane &&
    a.terms === b.terms &&
    a.frame.solved === b.frame.solved &&
    a.frame.frozen === b.frame.frozen &&
    a.frame.editPlan === b.frame.editPlan &&
    a.frame.document.line === b.frame.document.line &&
    a.frame.plan?.feasible === b.frame.plan?.feasible &&
    onCard(a) === onCard(b),
)

/** What a card shows of the plan: the move and what was typed there; the packs on the card of the shims alone. */
function onCard({ station, plane, frame }: StationCardProps): string {
  const { plan } = frame.round
  const own = [station.foot, station[plane], station.wanted[plane], station.moveSd[plane], plan?.limits[station.foot]]
  if (plane === 'horizontal') return JSON.stringify(own)
  return JSON.stringify([own, station.feet, station.feet.map(({ id }) => plan?.packs[id])])
}

function OneStation({ station, plane, frame, terms }: StationCardProps) {
  const move = station[plane]
  const position = frame.solved.solution.feet.find(({ foot }) => foot === station.foot)?.[plane]?.position ?? 0
  const doubted = machineDoubted(frame.solved, station.machine)
  const { text, short } = sayMove(station, plane, doubted, terms)
  return (
    <Foot aria-label={`${footName(station.foot, terms)}, ${planeName[plane]}`}>
      {move === null ? (
        <>
          <p>{moveWords.notMeasured}</p>
          <p>{plane === 'vertical' ? moveWords.readTopAndBottom : moveWords.readBothSides}</p>
        </>
      ) : (
        <>
          <p>
            <Direction move={move} plane={plane} terms={terms} />
            {text}
            {plane === 'vertical' && !isZero(move, terms) ? moveWords.bothFeet : ''}
          </p>
          {short ? <Fault as="p">{short}</Fault> : null}
          {station.machine === frame.document.line.fixed ? (
            <p>{moveWords.theOthersAreMeasuredFrom}</p>
          ) : (
            <p>
              {moveWords.standsNow(place(position, plane, terms), lengthWithUnit(2 * station.moveSd[plane], terms))}
            </p>
          )}
          {plane === 'vertical' ? <Packs station={station} frame={frame} /> : null}
          <Limits station={station} plane={plane} frame={frame} />
        </>
      )}
    </Foot>
  )
}

/** An arrow as the drawing shows it: shims up or down; far is up in the plan. */
function Direction({ move, plane, terms }: { move: number; plane: Plane; terms: Terms }) {
  if (isZero(move, terms)) return null
  const up = move > 0
  const Arrow = up ? ArrowUp : ArrowDown
  const label =
    plane === 'vertical' ? wayName[up ? 'up' : 'down'] : moveWords.toward(sideName(up ? 'far' : 'near', terms))
  return <Arrow size={26} strokeWidth={2.5} color="var(--kelp)" aria-label={label} />
}

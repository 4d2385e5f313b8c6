import { memo, useEffect, useMemo, useState } from 'react'
import styled from 'styled-components'
import { type BoltWork, boltWork, type WatchSide } from '../../../../core/kinds/train/plan/bolts'
import { lineFrom, stillToGo } from '../../../../core/kinds/train/plan/stop'
import type { Plane } from '../../../../core/quantity/axis'
import { parseNumber } from '../../../../core/quantity/number'
import { fromMm, toMm } from '../../../../core/quantity/units'
import {
  capital,
  feetAlone,
  footName,
  inText,
  machineName,
  sideName,
  signedLength,
  stateName,
  unitName,
} from '../../../../words/terms'
import { creepText, halfSet, parallelText, pushText, toGoText } from '../../../../words/train/bolts'
import { moveWords } from '../../../../words/train/page/move'
import { mono } from '../../../app/style'
import { Button, Card, Choices, Input, Muted } from '../../../parts/controls'
import { Fold } from '../../../parts/Fold'
import { Peg } from '../../../parts/Peg'
import { Wide } from '../../../parts/Wide'
import type { TrainFrame } from '../frame'
import { standInFor, useLive } from './useLive'

const Sheet = styled(
  Card,
)`margin-top: 18px; display: grid; gap: 10px; h2 { font-size: 16px; } tbody th { white-space: normal; } .scroll { overflow-x: auto; }
  table { border-collapse: collapse; width: 100%; } th, td { padding: 6px 12px 6px 0; text-align: left; white-space: nowrap; border-top: 1px solid var(--rule); } thead th { border: 0; color: var(--muted); font-size: 13px; font-weight: 500; white-space: normal; vertical-align: bottom; max-width: 170px; } tbody th { font-weight: 600; } td { ${mono} font-size: 16px; } td input { width: 104px; ${mono} text-align: right; }
  td.live { font-size: 20px; font-weight: 700; }`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px 14px; align-items: center;`
const ToGo = styled.div`display: grid; grid-template-columns: repeat(auto-fit, minmax(260px, 1fr)); gap: 12px; > div { border: 1px solid var(--rule); border-radius: 4px; padding: 10px 14px; display: grid; gap: 6px; } b { font-size: 18px; } button { padding: 0 10px; }`

/** At the jack bolts, or under the feet: what every dial shows when each foot is far enough, live where something is read. */
export const Bolts = memo(function Bolts({ frame, moved }: { frame: TrainFrame; moved: string }) {
  const { solved, plan, terms } = frame
  const machines = moved ? moved.split(',') : []
  const [machine, setMachine] = useState(machines[0] ?? '')
  const [plane, setPlane] = useState<Plane>('horizontal')
  const [first, setFirst] = useState<0 | 1>(0)
  const [watched, setWatched] = useState<WatchSide>('far')
  const chosen = machines.includes(machine) ? machine : (machines[0] ?? '')
  const before = machines.slice(0, machines.indexOf(chosen))
  const beforeKey = before.join()
  const work = useMemo(
    () =>
      plan &&
      boltWork(solved, plan, chosen, plane, { before: beforeKey ? beforeKey.split(',') : [], first, side: watched }),
    [solved, plan, chosen, plane, beforeKey, first, watched],
  )
  if (machines.length === 0) return null
  return (
    <Sheet aria-label={moveWords.atTheBolts}>
      <Fold title={plane === 'horizontal' ? moveWords.atTheJackBolts : moveWords.atTheFeetLive}>
        <Row>
          {machines.length > 1 ? (
            <Choices
              label={moveWords.machineBeingMoved}
              value={chosen}
              options={machines.map((id) => ({ value: id, text: machineName(id, terms) }))}
              onChange={setMachine}
            />
          ) : null}
          <Choices
            label={moveWords.direction}
            value={plane}
            options={[
              { value: 'horizontal', text: moveWords.sideways },
              { value: 'vertical', text: moveWords.upAndDown },
            ]}
            onChange={setPlane}
          />
          {work ? (
            <Choices
              label={moveWords.whichFeetFirst}
              value={String(first) as '0' | '1'}
              options={work.pushed.bolts.map(({ foot }, i) => ({
                value: String(i) as '0' | '1',
                text: moveWords.first(capital(feetAlone(foot, terms))),
              }))}
              onChange={(value) => setFirst(value === '0' ? 0 : 1)}
            />
          ) : null}
          {plane === 'horizontal' ? (
            <Choices
              label={moveWords.watchedFrom}
              value={watched}
              options={(['near', 'far'] as const).map((side) => ({
                value: side,
                text: moveWords.watchedFromThe(sideName(side, terms)),
              }))}
              onChange={setWatched}
            />
          ) : null}
        </Row>
        {work && work.watches.length > 0 ? (
          <Work key={`${chosen}${plane}${watched}`} work={work} frame={frame} before={before} />
        ) : (
          <Muted>{moveWords.noDialCanTrackThis}</Muted>
        )}
      </Fold>
    </Sheet>
  )
})

function Work({ work, frame, before }: { work: BoltWork; frame: TrainFrame; before: readonly string[] }) {
  const { terms, solved, showLive } = frame
  const live = useLive(work, frame)
  const [typed, setTyped] = useState<Record<string, string>>({})
  const streamed = live.shown.length > 0
  const readings = useMemo(
    () =>
      work.watches.map((watch, i) => {
        if (streamed) return live.shown[i]
        const number = parseNumber(typed[watch.id] ?? '')
        return number.ok ? toMm(number.value, number.unit ?? terms.unit) : undefined
      }),
    [work, streamed, live.shown, typed, terms.unit],
  )
  const line = useMemo(() => lineFrom(work.watches, readings), [work, readings])
  const toGo = line && stillToGo(work.pushed, line, work.goal)
  const { machine, plane, pushed } = work
  useEffect(() => {
    const { train, solution } = solved
    const neighbor = train.machines.findIndex(({ id }) => id === machine) - pushed.side
    const links = solution.chains[plane][neighbor]
    if (!line || !links) return showLive(undefined)
    // against the neighbor as the drawing has it
    const along = (x: number) =>
      links.reduce((sum, { sign, step }) => sum + sign * (step.line.offset + step.line.slope * (x - step.x)), 0)
    const base = { offset: along(pushed.couplingX), slope: along(pushed.couplingX + 1) - along(pushed.couplingX) }
    showLive({
      machine,
      plane,
      x: pushed.couplingX,
      axis: { offset: base.offset + pushed.side * line.offset, slope: base.slope + pushed.side * line.slope },
    })
  }, [line, machine, plane, pushed, solved, showLive])
  useEffect(() => () => showLive(undefined), [showLive])
  // the dials decide: they are read finer than what they tell of the feet
  const done = work.watches.every(
    ({ goal, state }, i) => Math.abs((readings[i] ?? Number.POSITIVE_INFINITY) - goal) <= 0.6 * state.step,
  )
  const kind = standInFor(work)
  return (
    <>
      <p>
        {halfSet(work, terms)}
        {before.length
          ? moveWords.theMovedFirst(before.map((id) => inText(machineName(id, terms))).join(moveWords.andThe))
          : ''}
      </p>
      <Wide>
        <table>
          <thead>
            <tr>
              <th scope="col">{moveWords.inWord(unitName[terms.unit])}</th>
              <th scope="col">{moveWords.start}</th>
              {work.steps.map((step) => (
                <th key={step.foot} scope="col">
                  {moveWords.stopAt(pushText(step, plane, terms))}
                </th>
              ))}
              <th scope="col">{moveWords.now}</th>
            </tr>
          </thead>
          <tbody>
            {work.watches.map((watch, i) => (
              <tr key={watch.id}>
                <th scope="row">{stateName(watch.state, terms, true)}</th>
                <td>{signedLength(watch.now, terms)}</td>
                {work.steps.map((step) => (
                  <td key={step.foot}>{signedLength(step.readings[i] ?? 0, terms)}</td>
                ))}
                {streamed ? (
                  <td className="live">
                    {live.shown[i] === undefined ? moveWords.notANumber : signedLength(live.shown[i] ?? 0, terms)}
                  </td>
                ) : (
                  <td>
                    <Input
                      aria-label={moveWords.showsNow(stateName(watch.state, terms, true), unitName[terms.unit])}
                      value={typed[watch.id] ?? ''}
                      maxLength={12}
                      onChange={({ target }) => setTyped((all) => ({ ...all, [watch.id]: target.value }))}
                    />
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
      {toGo ? (
        <ToGo role="status" aria-label={moveWords.toGo}>
          {work.pushed.bolts.map(({ foot }, i) => {
            const mm = toGo[i] ?? 0
            const doubt = 2 * (work.doubt[i] ?? 0)
            const there = Math.abs(mm) <= Math.max(doubt, terms.resolution / 2)
            const over = !there && Math.sign(mm) === -Math.sign(work.by[i] ?? 0)
            return (
              <div key={foot}>
                <span>
                  <Peg peg={there ? 'within' : over ? 'outside' : 'unsure'} size={14} label="" />{' '}
                  {capital(footName(foot, terms))}
                </span>
                <b>{capital(toGoText(mm, over, work, doubt, terms))}</b>
                {live.simulated && live.state === 'open' ? (
                  <Row>
                    {[-0.1, -0.02, 0.02, 0.1].map((by) => (
                      <Button key={by} onPress={() => live.push(foot, by)}>
                        {plane === 'horizontal'
                          ? `${Math.abs(fromMm(by, terms.unit)).toFixed(terms.unit === 'mm' ? 2 : 1)} ${sideName(by > 0 ? 'far' : 'near', terms)}`
                          : `${Math.abs(fromMm(by, terms.unit)).toFixed(terms.unit === 'mm' ? 2 : 1)} ${by > 0 ? moveWords.up : moveWords.down}`}
                      </Button>
                    ))}
                  </Row>
                ) : null}
              </div>
            )
          })}
        </ToGo>
      ) : null}
      {done ? (
        <p role="status">
          <b>{moveWords.inPosition}</b> {moveWords.tightenInSequenceWatchingThe}
        </p>
      ) : null}
      <Row>
        {kind && live.state === 'closed' ? <Button onPress={live.connect}>{moveWords.tryItOnASimulated}</Button> : null}
        {live.state === 'closed' ? null : (
          <>
            <Button onPress={live.hangUp}>{moveWords.disconnect}</Button>
            {live.simulated ? <Button onPress={live.tighten}>{moveWords.tightenTheBolts}</Button> : null}
            <Muted role="status">
              {live.state === 'open'
                ? streamed
                  ? moveWords.simulatedRigSetUpAs
                  : moveWords.turningTheShaftsToWhere
                : moveWords.noConnectionTryingAgain}
            </Muted>
          </>
        )}
      </Row>
      <Muted>{creepText(work, terms)}</Muted>
      {work.parallel ? <Muted>{parallelText(work, terms)}</Muted> : null}
    </>
  )
}

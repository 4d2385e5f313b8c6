import { useCallback, useState } from 'react'
import styled from 'styled-components'
import {
  beginPlotting,
  type Hub,
  hubs,
  judgePlot,
  lineAt,
  makePlot,
  type Plotting,
  type PlottingAct,
  plotFeet,
  plotted,
  reach,
  square,
  truthAt,
} from '../../core/practice/plot'
import { formatNumber, formatSigned } from '../../core/quantity/number'
import { hubDials, hubDots, plotFootNames, sayPlotSlip, plottingWords as words } from '../../words/plotting'
import { mono, rowsAsCards } from '../app/style'
import { Button, Field, Muted, NumberInput } from '../parts/controls'
import { Peg } from '../parts/Peg'
import { BlankSheet } from './BlankSheet'
import { Asking, type InOrder, LessonFrame } from './LessonFrame'
import { onPaper, SquaredPaper, type Squares } from './SquaredPaper'
import { useKept } from './useKept'

const Table = styled.table`border-collapse: collapse; th, td { padding: 5px 18px 5px 0; text-align: left; border-bottom: 1px solid var(--rule); } td { ${mono} } th { font-weight: 500; } thead th { color: var(--muted); font-size: 13.5px; } ${rowsAsCards}`
const Dot = styled.label`display: grid; grid-template-columns: minmax(0, 1fr) 110px; gap: 2px 12px; align-items: center; span { grid-column: 1 / -1; color: var(--muted); font-size: 14px; } input { width: 100%; min-height: 44px; accent-color: var(--kelp); } b { ${mono} text-align: right; }`

const game = { begin: beginPlotting, acted: plotted, same: (kept: Partial<Plotting>) => kept.lesson === 'graph' }

/** The lesson of the graph: two dots put on squared paper, the line through them, the feet read off; the truth laid over it. */
export function PlottingScreen(order: InOrder) {
  const kept = useKept<Plotting, PlottingAct>('vane-peg-practice:graph', game)
  const { state, act } = kept
  const [printing, print] = useState(false)
  const done = useCallback(() => print(false), [])
  const { hands, seed } = state
  const plot = makePlot(seed)
  const ends = { from: plot.at.left - 4 * square.along, to: plot.at.back + 4 * square.along }
  const squares: Squares = {
    from: ends.from / square.along,
    along: Math.round((ends.to - ends.from) / square.along),
    up: reach / square.up,
  }
  const at = (x: number, mm: number) => onPaper(squares, x / square.along, mm / square.up)
  const path = (height: (x: number) => number): string =>
    [ends.from, ends.to]
      .map(
        (x, i) =>
          `${i ? 'L' : 'M'}${at(x, height(x))
            .map((one) => one.toFixed(1))
            .join(' ')}`,
      )
      .join('')
  const put = (x: number, y: number) => {
    const along = x * square.along
    const hub: Hub = Math.abs(along - plot.at.left) < Math.abs(along - plot.at.right) ? 'left' : 'right'
    act({ do: 'dot', hub, mm: y * square.up })
  }
  return (
    <LessonFrame
      order={order}
      words={words}
      rig={words.paper}
      beside={words.square(formatNumber(square.along, 0), formatNumber(square.up, 2))}
      kept={kept}
      atDesk
      answers={<Answers state={state} act={act} />}
      more={<Button onPress={() => print(true)}>{words.blank}</Button>}
    >
      {printing ? <BlankSheet done={done} /> : null}
      <Table aria-label={words.sheet}>
        <thead>
          <tr>
            {[words.dial, words.at, words.bottom, words.sag].map((text) => (
              <th key={text} scope="col">
                {text}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {hubs.map((hub) => (
            <tr key={hub}>
              <th scope="row">{hubDials[hub]}</th>
              <td data-of={words.at}>{formatSigned(plot.at[hub], 0)}</td>
              <td data-of={words.bottom}>{formatSigned(plot.bottom[hub], 2)}</td>
              <td data-of={words.sag}>{formatSigned(plot.sag[hub], 2)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <SquaredPaper squares={squares} onPoint={put}>
        <text x={6} y={16}>
          {words.high}
        </text>
        <text x={6} y={2 * squares.up * 12 - 8}>
          {words.low}
        </text>
        <text x={6} y={squares.up * 12 - 6}>
          {words.fixed}
        </text>
        {plotFeet.map((foot) => {
          const [x, y] = at(plot.at[foot], 0)
          return (
            <g key={foot}>
              <path d={`M${x} ${y}l-7 14h14z`} fill="var(--ink)" />
              <text className="middle" x={x} y={y + 30}>
                {foot === 'front' ? words.front : words.back}
              </text>
            </g>
          )
        })}
        {hubs.map((hub) => {
          const [x] = at(plot.at[hub], 0)
          return <path key={hub} d={`M${x} 0V${2 * squares.up * 12}`} stroke="var(--muted)" strokeDasharray="3 5" />
        })}
        {state.checked ? (
          <path d={path((x) => truthAt(plot, x))} stroke="var(--kelp)" strokeWidth={7} opacity={0.35} fill="none" />
        ) : null}
        {hands.put.length === hubs.length ? (
          <path d={path((x) => lineAt(plot, hands.dots, x))} stroke="var(--ink)" strokeWidth={2} fill="none" />
        ) : null}
        {hands.put.map((hub) => {
          const [x, y] = at(plot.at[hub], hands.dots[hub])
          return <circle key={hub} cx={x} cy={y} r={7} fill="var(--card)" stroke="var(--ink)" strokeWidth={3} />
        })}
      </SquaredPaper>
      {hubs.map((hub) => (
        <Dot key={hub}>
          <span>{hubDots[hub]}</span>
          <input
            type="range"
            min={-reach}
            max={reach}
            step={0.01}
            value={hands.dots[hub]}
            aria-valuetext={words.dotSaid(formatSigned(hands.dots[hub], 2))}
            onChange={({ target }) => act({ do: 'dot', hub, mm: Number(target.value) })}
          />
          <b>{hands.put.includes(hub) ? words.dotSaid(formatSigned(hands.dots[hub], 2)) : ''}</b>
        </Dot>
      ))}
    </LessonFrame>
  )
}

function Answers({ state, act }: { state: Plotting; act: (one: PlottingAct) => void }) {
  const judged = judgePlot(state)
  return (
    <>
      {plotFeet.map((foot) => (
        <Field key={foot} label={words.feetHigh(plotFootNames[foot])}>
          <NumberInput
            inputMode="text"
            maxLength={8}
            autoComplete="off"
            value={state.feet[foot]}
            onChange={({ target }) => act({ do: 'foot', foot, text: target.value })}
          />
        </Field>
      ))}
      <Asking
        check={words.check}
        hints={words.hints}
        taken={state.hints}
        act={act}
        outcome={state.checked ? { passed: judged.passed, slips: judged.slips.map(sayPlotSlip) } : undefined}
      >
        <ul aria-label={words.dotsTitle} style={{ listStyle: 'none', margin: 0, padding: 0, display: 'grid', gap: 6 }}>
          {hubs.map((hub) => (
            <li key={hub}>
              <Peg peg={judged.dots[hub].right ? 'within' : 'outside'} size={12} label="" /> {hubDots[hub]}{' '}
              <Muted>{words.truth(formatSigned(judged.dots[hub].truth, 2))}</Muted>
            </li>
          ))}
          {plotFeet.map((foot) => (
            <li key={foot}>
              <Peg peg={judged.feet[foot].right ? 'within' : 'outside'} size={12} label="" /> {plotFootNames[foot]}:{' '}
              {words.onLine(formatSigned(judged.feet[foot].line, 2))},{' '}
              <Muted>{words.truth(formatSigned(judged.feet[foot].truth, 2))}</Muted>
            </li>
          ))}
        </ul>
      </Asking>
    </>
  )
}

import { memo, useDeferredValue, useState } from 'react'
import styled from 'styled-components'
import type { ProbeState } from '../../core/shafts/state'
import type { Point } from '../../drawing/scene'
import { stripDrawing } from '../../drawing/strip'
import { dots, LiveLayer } from './LiveLayer'
import type { LiveTraces } from './live'

const Paper = styled.svg`display: block; width: 100%; overflow: visible;`
/** The points of a polyline, to a tenth of a px. */
const wave = (points: readonly Point[]): string => points.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ')

interface StripProps {
  dial: ProbeState
  label: string
  width: number
  height: number
  margin: number
  chosen?: string | undefined
  trial?: ProbeState | undefined
  /** What a device is sending, where one is on the line. */
  live?: LiveTraces | undefined
}

/**
 * A dial's readings unrolled round the turn: hollow as read, filled with the sag taken off, the fitted wave through them,
 * whiskers for what is left over, dashed what aligned shafts would read. Drawn after the number typed and the drawing.
 */
export function RingStrip({ dial, ...more }: StripProps) {
  return <Strip dial={useDeferredValue(dial)} {...more} />
}

const Strip = memo(function Strip(props: StripProps) {
  const { dial, width, height } = props
  const [reach, setReach] = useState<readonly [number, number]>()
  const strip = stripDrawing(dial, width, height, props.margin, props.trial, props.live ? reach : undefined)
  const widen = (low: number, high: number) => {
    const room = 0.25 * (high - low)
    setReach([low - room, high + room])
  }
  return (
    <Paper viewBox={`0 0 ${width} ${height}`} style={{ height }} role="img" aria-label={props.label}>
      {strip.columns.map((column) => (
        <line
          key={column.angleId}
          x1={column.x}
          x2={column.x}
          y1={0}
          y2={height}
          stroke={column.angleId === props.chosen ? 'var(--kelp)' : 'var(--rule)'}
          strokeWidth={column.angleId === props.chosen ? 2 : 1}
        />
      ))}
      <line
        x1={props.margin}
        x2={width - props.margin}
        y1={strip.zero}
        y2={strip.zero}
        stroke="var(--muted)"
        strokeWidth={1}
      />
      <text x={props.margin - 12} y={strip.zero + 4} fontSize={12} fill="var(--muted)" textAnchor="end">
        0
      </text>
      <polyline points={wave(strip.aligned)} fill="none" stroke="var(--kelp)" strokeWidth={1.5} strokeDasharray="3 4" />
      <polyline points={wave(strip.fitted)} fill="none" stroke="var(--ink)" strokeWidth={2} />
      {strip.sweep.length ? (
        <path d={dots(strip.sweep)} stroke="var(--ink)" strokeWidth={3} strokeLinecap="round" />
      ) : null}
      {props.live ? <LiveLayer id={dial.id} traces={props.live} strip={strip} onReach={widen} /> : null}
      {strip.trial ? (
        <g>
          <polyline
            points={wave(strip.trial.wave)}
            fill="none"
            stroke="var(--unsure)"
            strokeWidth={2.5}
            strokeDasharray="7 4"
          />
          {strip.trial.points.map(([px, py]) => (
            <circle key={px} cx={px} cy={py} r={8} fill="none" stroke="var(--unsure)" strokeWidth={2} />
          ))}
        </g>
      ) : null}
      {strip.points.map(({ angleId, raw, corrected, whiskerTo }) => (
        <g key={angleId}>
          {whiskerTo !== undefined && Math.abs(whiskerTo - corrected[1]) > 6 ? (
            <line
              x1={corrected[0]}
              x2={corrected[0]}
              y1={corrected[1]}
              y2={whiskerTo}
              stroke="var(--outside)"
              strokeWidth={2}
            />
          ) : null}
          <line x1={raw[0]} x2={raw[0]} y1={raw[1]} y2={corrected[1]} stroke="var(--muted)" strokeWidth={1} />
          <circle cx={raw[0]} cy={raw[1]} r={5} fill="var(--paper)" stroke="var(--muted)" strokeWidth={1.5} />
          <circle cx={corrected[0]} cy={corrected[1]} r={5} fill="var(--ink)" />
        </g>
      ))}
    </Paper>
  )
})

import { Minus, Plus } from 'lucide-react'
import { type RefCallback, useState } from 'react'
import styled from 'styled-components'
import { quantityFault } from '../../../core/frame/quantity'
import type { Unit } from '../../../core/frame/units'
import type { Job } from '../../../core/job/schema'
import type { DialState } from '../../../core/job/solve'
import { dialTerms } from '../../../words/findings'
import {
  angleName,
  dialName,
  dimension,
  length,
  machineName,
  signedLength,
  type Terms,
  unitName,
} from '../../../words/terms'
import { mono, narrow } from '../../app/style'
import { Button, Fault, Muted } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { QuantityInput } from '../../parts/Quantity'
import { useWidth } from '../../parts/useWidth'
import { RingStrip } from '../../strip/RingStrip'

type Reading = Job['rounds'][number]['sets'][number]['probes'][number]['readings'][string]

const Box = styled.section<{ $chosen: boolean }>`
  padding: 6px 0 14px; & + & { border-top: 1px solid var(--rule); padding-top: 12px; }
  h2 { font-size: 16px; display: inline-flex; align-items: center; gap: 8px; ${({ $chosen }) => ($chosen ? 'text-decoration: underline 2px var(--kelp); text-underline-offset: 4px;' : '')} }
`
const Head = styled.div`
  display: flex; align-items: baseline; ${narrow} { flex-wrap: wrap; } gap: 4px 12px; margin-bottom: 6px;
  > :last-child { margin-left: auto; font-size: 14px; }
`
const Cells = styled.div`position: relative; min-height: 64px; ${narrow} { display: grid; grid-template-columns: repeat(auto-fit, minmax(96px, 1fr)); gap: 8px; }`
const Cell = styled.div<{ $width: number }>`
  position: absolute; width: ${({ $width }) => $width}px; transform: translateX(-50%);
  border: 1px solid var(--rule); border-radius: 4px; background: var(--card); padding: 4px 2px 0 8px;
  &:focus-within { border-color: var(--kelp); box-shadow: 0 0 0 1px var(--kelp); }
  &[data-bad='true'] { border: 2px solid var(--outside); }
  label, .label { display: flex; justify-content: space-between; font-size: 12.5px; color: var(--muted); padding-right: 8px; }
  input { border: 0; min-height: 34px; font-size: 18px; font-weight: 600; background: none; padding: 0 8px 4px 0; border-radius: 2px; }
  input:focus-visible { outline: none; }
  &:focus-within .turns { display: flex; }
  ${narrow} { position: relative; left: auto !important; transform: none; width: auto; }
`
const Closure = styled.span`display: inline-flex; align-items: center; gap: 8px; white-space: nowrap; b { ${mono} }`
/** Hangs under the cell that has the focus, so that nothing else moves. */
const Turns = styled.div`
  position: absolute; z-index: 2; top: calc(100% + 3px); left: 50%; transform: translateX(-50%); min-width: 168px;
  display: none; align-items: center; justify-content: space-between; background: var(--card); border: 1px solid var(--kelp); border-radius: 4px; font-size: 13px;
  b { ${mono} } button { padding: 0; }
`

interface Props {
  dial: DialState
  terms: Terms
  unit: Unit
  frozen: boolean
  chosen: boolean
  x: number | undefined
  couplingX: number
  cellRef: (angleId: string) => RefCallback<HTMLInputElement>
  onFocus: () => void
  onReading: (angleId: string, change: (reading: Reading) => Reading) => void
  /** To the next cell as the shaft turns. */
  onward: (angleId: string) => void
  /** To the same angle on another dial. */
  across: (angleId: string, by: 1 | -1) => void
}

const emptyReading = (unit: Unit): Reading => ({ value: { text: '', unit }, turns: 0 })

/** One dial: its strip, its cells under their angles, whole turns, closure. */
export function DialBench(props: Props) {
  const { dial, terms, unit } = props
  const [ref, width] = useWidth()
  const [angleId, setAngleId] = useState<string>()
  const name = dialName(dial.dial.on, terms)
  const own = dialTerms(dial, terms)
  const margin = 62
  const angles = dial.set.angles
  const cellWidth = Math.max(64, Math.min(112, (width - 2 * margin) / Math.max(1, angles.length - 1) - 8))
  const span = [Math.min(0, ...angles.map((a) => a.degrees)), Math.max(360, ...angles.map((a) => a.degrees))] as const
  const at = (degrees: number) => margin + ((degrees - span[0]) / (span[1] - span[0])) * (width - 2 * margin)
  const active = angles.find((angle) => angle.id === angleId)
  const turn = (by: number) => {
    if (!active || props.frozen) return
    props.onReading(active.id, (r) => ({ ...r, turns: Math.max(-20, Math.min(20, r.turns + by)) }))
  }
  const doesNotClose = dial.closure !== null && Math.abs(dial.closure) > dial.closureLimit + 1e-9
  const suspected = dial.suspects[0] && dial.readings[dial.suspects[0].reading]?.angleId

  return (
    <Box $chosen={props.chosen} aria-label={name}>
      <Head>
        <h2>
          <svg width="12" height="11" viewBox="0 0 12 11" aria-hidden="true">
            <path d="M0 0H12L6 11Z" fill="var(--kelp)" />
          </svg>
          {name}
        </h2>
        <Muted>
          on the {machineName(dial.dial.on, terms).toLowerCase()} rim
          {props.x === undefined ? '' : `, ${dimension(Math.abs(props.x - props.couplingX), unit)} out`}
          {dial.sagMissing ? ', no sag given' : `, sag ${signedLength(dial.sag, own)} ${unitName[unit]}`}
        </Muted>
        <Closure role="status">
          {dial.closure === null ? (
            <>
              <Peg peg="nothing" size={14} label="" /> closure: not all four quarters are read
            </>
          ) : (
            <>
              <Peg peg={doesNotClose ? 'outside' : 'within'} size={14} label="" />
              {doesNotClose ? 'does not close, by' : 'closes to'}{' '}
              <b>{length(doesNotClose ? Math.abs(dial.closure) : dial.closure, own)}</b> {unitName[unit]}
            </>
          )}
        </Closure>
      </Head>
      <div ref={ref}>
        {width > 0 ? (
          <RingStrip
            dial={dial}
            width={width}
            height={92}
            margin={margin}
            chosen={angleId}
            label={`${name}: readings round the turn, the wave through them and, dashed, what aligned shafts would read`}
          />
        ) : null}
        <Cells>
          {angles.map((angle) => {
            const label = angleName(angle.degrees, terms)
            const found = dial.dial.readings[angle.id] ?? emptyReading(unit)
            const fault = quantityFault(found.value)
            return (
              <Cell
                key={angle.id}
                $width={cellWidth}
                style={{ left: at(angle.degrees) }}
                data-bad={Boolean(fault) || (doesNotClose && suspected === angle.id)}
              >
                <span className="label" aria-hidden="true">
                  {label}
                  {found.turns !== 0 ? (
                    <span>{`${found.turns > 0 ? '+' : '−'}${Math.abs(found.turns)} turn${Math.abs(found.turns) > 1 ? 's' : ''}`}</span>
                  ) : null}
                </span>
                <QuantityInput
                  signed
                  label={`${name}, ${label.toLowerCase()}, ${unitName[unit]}`}
                  quantity={found.value}
                  unit={unit}
                  readOnly={props.frozen}
                  describedBy={fault ? `${dial.dial.id}-fault` : undefined}
                  inputRef={props.cellRef(angle.id)}
                  onFocus={() => {
                    setAngleId(angle.id)
                    props.onFocus()
                  }}
                  onChange={(value) => props.onReading(angle.id, (r) => ({ ...r, value }))}
                  onKeyDown={(event) => {
                    const key = event.key
                    if (key === 'Enter') props.onward(angle.id)
                    else if (key === 'ArrowDown') props.across(angle.id, 1)
                    else if (key === 'ArrowUp') props.across(angle.id, -1)
                    else if (key === 'PageUp') turn(1)
                    else if (key === 'PageDown') turn(-1)
                    else return
                    event.preventDefault()
                  }}
                />
                {angleId === angle.id && !props.frozen ? (
                  <Turns className="turns" role="group" aria-label={`Whole turns at ${label.toLowerCase()}`}>
                    <Button
                      look="quiet"
                      excludeFromTabOrder
                      aria-label="One turn of the dial less"
                      onPress={() => turn(-1)}
                    >
                      <Minus size={16} />
                    </Button>
                    <span>
                      <b>{found.turns}</b> turns
                    </span>
                    <Button
                      look="quiet"
                      excludeFromTabOrder
                      aria-label="One turn of the dial more"
                      onPress={() => turn(1)}
                    >
                      <Plus size={16} />
                    </Button>
                  </Turns>
                ) : null}
              </Cell>
            )
          })}
        </Cells>
      </div>
      {dial.faults[0] ? <Fault id={`${dial.dial.id}-fault`}>{dial.faults[0].message}</Fault> : null}
    </Box>
  )
}

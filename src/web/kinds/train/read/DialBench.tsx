import { type RefCallback, useLayoutEffect, useMemo, useRef, useState } from 'react'
import styled from 'styled-components'
import type { Job } from '../../../../core/kinds/train/document/schema'
import { goesRound } from '../../../../core/probes'
import { formatNumber } from '../../../../core/quantity/number'
import type { Unit } from '../../../../core/quantity/units'
import type { ProbeState } from '../../../../core/shafts/state'
import { readingKey, sags } from '../../../../core/shafts/typed'
import { spreadCells } from '../../../../drawing/strip'
import { probeWords, sayPlus } from '../../../../words/probes'
import { saySag } from '../../../../words/readings'
import {
  angleInText,
  angleName,
  capital,
  dimension,
  inText,
  length,
  machineName,
  sideName,
  signedLength,
  stateName,
  type Terms,
  unitName,
} from '../../../../words/terms'
import { readWords } from '../../../../words/train/page/read'
import { dialTerms } from '../../../../words/train/said'
import { sayTrouble } from '../../../../words/troubles'
import { mono, narrow } from '../../../app/style'
import { Fault, Muted } from '../../../parts/controls'
import { Peg } from '../../../parts/Peg'
import { useWidth } from '../../../parts/useWidth'
import type { LiveTraces } from '../../../strip/live'
import { RingStrip } from '../../../strip/RingStrip'
import { PlusWay } from '../setUp/CountsPlus'
import { type CellHands, ReadingCell } from './ReadingCell'

type Reading = Job['rounds'][number]['sets'][number]['probes'][number]['readings'][string]

const Box = styled.section<{ $chosen: boolean }>`
  padding: 6px 0 14px; & + & { border-top: 1px solid var(--rule); padding-top: 12px; }
  h2 { font-size: 16px; display: inline-flex; align-items: center; gap: 8px; ${({ $chosen }) => ($chosen ? 'text-decoration: underline 2px var(--kelp); text-underline-offset: 4px;' : '')} }
`
const Head = styled.div`
  display: flex; align-items: baseline; ${narrow} { flex-wrap: wrap; } gap: 4px 12px; margin-bottom: 6px;
  > :last-child { margin-left: auto; font-size: 14px; }
`
const flow = 'display: grid; grid-template-columns: repeat(auto-fit, minmax(96px, 1fr)); gap: 8px;'
const Cells = styled.div<{ $flowing: boolean; $empty: boolean }>`
  position: relative; min-height: ${({ $empty }) => ($empty ? 0 : 64)}px; ${narrow} { ${flow} }
  ${({ $flowing }) => ($flowing ? `${flow} > div { position: relative; left: auto !important; transform: none; width: auto; }` : '')}
`
const Closure = styled.span`display: inline-flex; align-items: center; gap: 8px; white-space: nowrap; b { ${mono} }`
interface Props {
  dial: ProbeState
  terms: Terms
  unit: Unit
  frozen: boolean
  chosen: boolean
  x: number | undefined
  couplingX: number
  /** The same probe as it would be without a slip that is being tried on. */
  trial?: ProbeState | undefined
  /** What devices are sending now, where one is on the line. */
  live?: LiveTraces | undefined
  cellRef: (angleId: string) => RefCallback<HTMLInputElement>
  onFocus: () => void
  onReading: (angleId: string, change: (reading: Reading) => Reading) => void
  /** To the next cell as the shaft turns, or the one before. */
  onward: (angleId: string, by: 1 | -1) => void
  /** To the same angle on another dial. */
  across: (angleId: string, by: 1 | -1) => void
}

/** One dial: its strip, its cells under their angles, whole turns, closure. */
export function DialBench(props: Props) {
  const { dial, terms, unit } = props
  const [ref, width] = useWidth()
  const [angleId, setAngleId] = useState<string>()
  const name = stateName(dial, terms)
  const plus = sayPlus(dial.dial, dial.channel, { side: (side) => sideName(side, terms) })
  const dialSags = sags(dial.dial)
  const own = dialTerms(dial, terms)
  const margin = 62
  const angles = dial.set.angles
  const cellWidth = Math.max(72, Math.min(112, width / Math.max(1, angles.length) - 8))
  const flowing = angles.length * (cellWidth + 8) > width
  const span = [Math.min(0, ...angles.map((a) => a.degrees)), Math.max(360, ...angles.map((a) => a.degrees))] as const
  const places = spreadCells(
    angles.map(({ degrees }) => margin + ((degrees - span[0]) / (span[1] - span[0])) * (width - 2 * margin)),
    cellWidth + 8,
    cellWidth / 2,
    width - cellWidth / 2,
  )
  const latest = useRef(props)
  useLayoutEffect(() => {
    latest.current = props
  })
  const hands = useMemo(
    (): CellHands => ({
      cellRef: (id) => (element) => latest.current.cellRef(id)(element),
      focus: (id) => {
        setAngleId(id)
        latest.current.onFocus()
      },
      type: (id, value) => latest.current.onReading(id, (r) => ({ ...r, value })),
      turn: (id, by) =>
        latest.current.onReading(id, (r) => ({ ...r, turns: Math.max(-20, Math.min(20, r.turns + by)) })),
      onward: (id, by) => latest.current.onward(id, by),
      across: (id, by) => latest.current.across(id, by),
    }),
    [],
  )
  const doesNotClose = dial.closure !== null && Math.abs(dial.closure) > dial.closureLimit + 1e-9
  const suspected = dial.suspects[0] && dial.readings[dial.suspects[0].reading]?.angleId

  return (
    <Box $chosen={props.chosen} aria-label={dial.setNumber ? readWords.ofSet(name, dial.setNumber) : name}>
      <Head>
        <h2>
          <svg width="12" height="11" viewBox="0 0 12 11" aria-hidden="true">
            <path d="M0 0H12L6 11Z" fill="var(--kelp)" />
          </svg>
          {name}
        </h2>
        <Muted>
          {whereOf(dial, terms)}
          {props.x === undefined || (!goesRound(dial.dial) && (dial.channel === 'gap' || props.x === props.couplingX))
            ? ''
            : readWords.out(whereOf(dial, terms) ? ', ' : '', dimension(Math.abs(props.x - props.couplingX), unit))}
          {dialSags ? `, ${saySag(dial, own)}` : ''}
        </Muted>
        <Closure role="status">
          {dial.sweep ? (
            <>
              <Peg peg={dial.sweep.coverage >= 180 ? 'within' : 'unsure'} size={14} label="" />
              <b>{dial.sweep.points}</b> {readWords.pointsOver} <b>{formatNumber(dial.sweep.coverage, 0)}°</b>
            </>
          ) : !dialSags || dial.dial.floats ? null : dial.closure === null ? (
            <>
              <Peg peg="nothing" size={14} label="" /> {readWords.closureReadAllFourQuarters}
            </>
          ) : (
            <>
              <Peg peg={doesNotClose ? 'outside' : 'within'} size={14} label="" />
              {doesNotClose ? readWords.doesNotCloseOffBy : readWords.closesTo}{' '}
              <b>{length(doesNotClose ? Math.abs(dial.closure) : dial.closure, own)}</b> {unitName[unit]}
            </>
          )}
        </Closure>
      </Head>
      {plus ? <Muted as="p">{capital(plus)}.</Muted> : null}
      <PlusWay probe={dial.dial} channel={dial.channel} terms={terms} />
      <div ref={ref}>
        {width > 0 && goesRound(dial.dial) ? (
          <RingStrip
            dial={dial}
            trial={props.trial}
            live={props.live}
            width={width}
            height={92}
            margin={margin}
            chosen={angleId}
            label={readWords.readingsOverTheTurnThe(name)}
          />
        ) : null}
        <Cells data-column $flowing={flowing} $empty={angles.length === 0}>
          {angles.map((angle, i) => {
            const found = dial.dial.readings[readingKey(angle.id, dial.channel)]
            const computed = dial.computed?.angleId === angle.id ? signedLength(dial.computed.value, own) : undefined
            return (
              <ReadingCell
                key={angle.id}
                angleId={angle.id}
                dialName={name}
                label={angleName(angle.degrees, terms, dial.set.angleAs)}
                inText={angleInText(angle.degrees, terms, dial.set.angleAs)}
                ownAngle={ownAngle(dial, angle)}
                placeholder={presetHint(dial, angle.degrees, own) ?? computed}
                computed={computed !== undefined && !found?.value.text}
                text={found?.value.text ?? ''}
                typedUnit={found?.value.unit ?? unit}
                turns={found?.turns ?? 0}
                turning={goesRound(dial.dial)}
                unit={unit}
                width={cellWidth}
                left={places[i] ?? 0}
                active={angleId === angle.id}
                frozen={props.frozen}
                suspected={doesNotClose && suspected === angle.id}
                faultId={`${dial.id}-fault`}
                hands={hands}
              />
            )
          })}
        </Cells>
      </div>
      {dial.faults[0] ? <Fault id={`${dial.id}-fault`}>{sayTrouble(dial.faults[0].trouble)}</Fault> : null}
    </Box>
  )
}

/** Where a probe stands, in words. */
function whereOf({ dial, channel }: ProbeState, terms: Terms): string {
  const machine = inText(machineName(dial.on, terms))
  return probeWords[dial.type].where(machine, dial, channel)
}

/** What a dial pre-set to its sag is to be set to on top. */
const presetHint = ({ set, dial, sag, sagMissing }: ProbeState, degrees: number, own: Terms): string | undefined =>
  set.zeroed === 'sag' && sags(dial) && !sagMissing && degrees % 360 === 0 ? signedLength(-sag, own) : undefined

/** The probe's own angle where it differs from the set's. */
function ownAngle({ dial }: ProbeState, { id, degrees }: { id: string; degrees: number }): string | undefined {
  const own = dial.own?.[id]
  return own === undefined || Math.abs(own - degrees) < 0.05 ? undefined : `${formatNumber(own, 1)}°`
}

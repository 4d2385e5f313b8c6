import { useState } from 'react'
import styled from 'styled-components'
import type { RigCommand } from '../../../core/device/protocol'
import type { SheaveRound } from '../../../core/kinds/belt/solve/round'
import type { FacePlane, Stop } from '../../../core/kinds/belt/solve/stops'
import { beltPageWords as words } from '../../../words/belt/page/page'
import { deviceWords } from '../../../words/page/device'
import { lengthWithUnit, signedLength } from '../../../words/terms'
import { mono } from '../../app/style'
import { LineRow } from '../../device/OneNumber'
import { useIndicator } from '../../device/useIndicator'
import { Choices, Muted } from '../../parts/controls'
import { useBeltFrame } from './frame'

const Fold = styled.details`margin-top: 12px; summary { min-height: 44px; display: flex; align-items: center; cursor: pointer; font-weight: 600; }`
const Rows = styled.div`display: grid; gap: 12px;`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px 24px; align-items: baseline;`
const Big = styled.output`${mono} font-size: 34px; line-height: 1.1;`
const Handle = styled.label`display: grid; grid-template-columns: auto minmax(110px, 1fr); gap: 12px; align-items: center; input { accent-color: var(--kelp); min-height: 44px; }`

/** As near to the stop as this counts as there: what the target is read to. */
const thereWithin = 0.02

const between = (before: FacePlane, after: FacePlane, share: number): FacePlane => ({
  offset: before.offset + share * (after.offset - before.offset),
  toe: before.toe + share * (after.toe - before.toe),
  tilt: before.tilt + share * (after.tilt - before.tilt),
})

/** At the machine: what the target shows while one act is done, where to stop, and what is still to go. */
export function LiveMove({ one: { sheave, stops } }: { one: SheaveRound }) {
  const { told, id, round, settings, document } = useBeltFrame()
  const [act, setAct] = useState<Stop['act']>(stops?.[0]?.act ?? 'tilt')
  const [share, setShare] = useState(0)
  const stop = stops?.find((each) => each.act === act)
  const commands: RigCommand[] = stop
    ? [
        { type: 'face', of: sheave.id, ...between(stop.before, stop.after, share / 100) },
        { type: 'aim', touch: 'face', of: sheave.id, angle: stop.angle, radius: stop.radius },
      ]
    : []
  const indicator = useIndicator(`${id}${round.id}${sheave.id}`, commands)
  if (!stops || !stop) return null
  const { shows } = indicator
  const left = typeof shows === 'number' ? stop.to - shows : undefined
  const onward = Math.sign(stop.to - stop.from)
  const far = document.line.sides.far || 'far'
  return (
    <Fold>
      <summary>{words.live}</summary>
      <Rows>
        <Choices
          label={words.liveAct}
          value={act}
          options={stops.map((each) => ({ value: each.act, text: words.acts[each.act] }))}
          onChange={(next) => {
            setAct(next)
            setShare(0)
          }}
        />
        <p>
          {act === 'toe' ? words.target.toe(far) : words.target[act]}{' '}
          {words.begins(
            `${signedLength(stop.from, told)} ${settings.unit}`,
            `${signedLength(stop.to, told)} ${settings.unit}`,
          )}
        </p>
        <LineRow indicator={indicator} />
        {indicator.state === 'closed' ? null : (
          <>
            <Row>
              <Big aria-label={deviceWords.shows}>
                {typeof shows === 'number' ? `${signedLength(shows, told)} ${settings.unit}` : '…'}
              </Big>
              <b>
                {words.stopAt} {signedLength(stop.to, told)} {settings.unit}
              </b>
              <b role="status">
                {left === undefined
                  ? ''
                  : Math.abs(left) <= thereWithin
                    ? words.there
                    : left * onward > 0
                      ? words.toGo(lengthWithUnit(Math.abs(left), told))
                      : words.past(lengthWithUnit(Math.abs(left), told))}
              </b>
            </Row>
            {indicator.simulated ? (
              <Handle>
                <Muted>{words.slid}</Muted>
                <input
                  type="range"
                  min={0}
                  max={130}
                  value={share}
                  aria-valuetext={`${share} %`}
                  onChange={({ target }) => setShare(Number(target.value))}
                />
              </Handle>
            ) : null}
          </>
        )}
      </Rows>
    </Fold>
  )
}

import { useEffect, useRef, useState } from 'react'
import styled from 'styled-components'
import type { RigCommand } from '../../core/device/protocol'
import type { Unit } from '../../core/quantity/units'
import { deviceWords as words } from '../../words/page/device'
import { lengthWithUnit, signedLength } from '../../words/terms'
import { isShortcut } from '../app/focus'
import { mono } from '../app/style'
import { Button, Card, Muted } from '../parts/controls'
import { Peg } from '../parts/Peg'
import { type Indicator, useIndicator } from './useIndicator'

const Sheet = styled(Card)`display: grid; gap: 10px; margin-bottom: 16px;`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px 16px; align-items: center;`
const Status = styled.span`display: inline-flex; gap: 8px; align-items: center; font-weight: 600;`
const Big = styled.output`${mono} font-size: 34px; min-width: 7ch; text-align: right; line-height: 1.1;`

/** The next number to be read: where the tip goes, in words and for a simulated rig. */
export interface NextNumber {
  place: string
  /** Undefined while a simulated tip can't be put there. */
  commands: readonly RigCommand[] | undefined
  /** Tells one place from another. */
  key: string
}

interface Props {
  /** The same name meets the same simulated rig. */
  seed: string
  next: NextNumber | undefined
  unit: Unit
  resolution: number
  onTake: (mm: number) => void
}

/** An indicator on the line: one number for each act, taken into the place that comes next. */
export function OneNumber({ seed, next, unit, resolution, onTake }: Props) {
  const indicator = useIndicator(seed, next?.commands ?? [])
  const { state, shows, still, moves } = indicator
  const [byStill, setByStill] = useState(false)
  const [taken, setTaken] = useState('')
  const terms = { unit, resolution }
  const can = state === 'open' && next?.commands !== undefined && typeof shows === 'number'
  const take = () => {
    if (!can || !next || typeof shows !== 'number') return
    hands.current.at = moves
    onTake(shows)
    setTaken(words.taken(lengthWithUnit(shows, terms), next.place))
  }
  const hands = useRef({ take, at: -1 })
  hands.current.take = take
  // by itself, once at each place: not before the tip was seen to move there and stands still again
  useEffect(() => {
    if (byStill && still && moves > hands.current.at) hands.current.take()
  }, [byStill, still, moves])
  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      if (event.key === 'c' && isShortcut(event)) hands.current.take()
    }
    window.addEventListener('keydown', key)
    return () => window.removeEventListener('keydown', key)
  }, [])
  if (!next && state === 'closed') return null
  return (
    <Sheet as="section" aria-label={words.indicator}>
      <LineRow indicator={indicator} />
      {state === 'closed' ? null : (
        <>
          <Row>
            <Big aria-label={words.shows} hidden={!next?.commands}>
              {typeof shows === 'number'
                ? `${signedLength(shows, terms)} ${unit}`
                : shows === null
                  ? words.nothing
                  : '…'}
            </Big>
            <Muted hidden={!next?.commands}>{still ? words.still : words.moving}</Muted>
            <b>{next ? (next.commands ? words.tip(next.place) : words.noPlace) : words.nothingLeft}</b>
          </Row>
          <Row>
            <Button look="act" isDisabled={!can} onPress={take}>
              {words.take}
            </Button>
            <Button
              aria-pressed={byStill}
              onPress={() => {
                hands.current.at = -1
                setByStill(!byStill)
              }}
            >
              {byStill ? words.takingStill : words.takeStill}
            </Button>
            <Status role="status">{taken}</Status>
          </Row>
          {indicator.simulated ? <Muted as="p">{words.onceTaken}</Muted> : null}
        </>
      )}
    </Sheet>
  )
}

/** Which device, whether it is on the line, and the act that puts it there. */
export function LineRow({ indicator: { state, connect, hangUp } }: { indicator: Indicator }) {
  return (
    <Row>
      <b>{words.simulatedIndicator}</b>
      {state === 'closed' ? (
        <Button onPress={connect}>{words.connect}</Button>
      ) : (
        <Button onPress={hangUp}>{words.disconnect}</Button>
      )}
      <Status role="status" aria-label={words.connection}>
        <Peg peg={state === 'open' ? 'within' : state === 'closed' ? 'nothing' : 'outside'} size={14} label="" />
        {words.line[state]}
      </Status>
    </Row>
  )
}

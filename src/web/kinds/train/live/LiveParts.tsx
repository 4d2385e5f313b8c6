import { type RefObject, useSyncExternalStore } from 'react'
import styled from 'styled-components'
import { aimOf } from '../../../../core/device/aim'
import type { DeviceReading } from '../../../../core/device/protocol'
import type { Line } from '../../../../core/kinds/train/document/schema'
import { anglesApart, type Match, type SweepTrace } from '../../../../core/kinds/train/solve/capture'
import { formatNumber } from '../../../../core/quantity/number'
import { toMm, type Unit } from '../../../../core/quantity/units'
import type { ReadSet } from '../../../../core/shafts/schema'
import { lengthWithUnit, probeName, signedLength, unitName } from '../../../../words/terms'
import { liveWords } from '../../../../words/train/page/live'
import { mono } from '../../../app/style'
import { Fault } from '../../../parts/controls'
import { Inclined } from './Inclined'
import { Target } from './Target'

// what changes twenty times a second keeps its room: nothing beside or under it moves
const Dials = styled.div<{
  $heads: boolean
}>`display: grid; grid-template-columns: repeat(auto-fill, ${({ $heads }) => ($heads ? 336 : 264)}px); max-width: 100%; gap: 8px 16px; min-height: 66px;`
const One = styled.div`display: flex; gap: 12px; align-items: center; b { ${mono} font-size: 20px; display: block; } small { color: var(--muted); font-size: 13px; white-space: nowrap; font-variant-numeric: tabular-nums; }`

/** Above this the two shafts do not stand together, degrees. */
const apartMay = 1

/** Where every probe stands and what it shows, and whether they stand together. */
export function Standing(props: {
  readings: Latest<DeviceReading>
  matches: readonly Match[]
  set: ReadSet
  line: Line
  unit: 'mm' | 'mil'
}) {
  const { matches, set, line, unit } = props
  const reading = useSyncExternalStore(props.readings.subscribe, props.readings.get)
  if (!reading) return null
  const apart = anglesApart(reading)
  return (
    <>
      <Dials $heads={matches.some(({ range }) => range)}>
        {matches.map(({ id, probe, unit: own, range }) => {
          const now = reading.probes.find((one) => one.id === id)
          return (
            <One key={id}>
              <Inclined degrees={now?.angle ?? 0} />
              {range ? <Target values={now?.values ?? []} range={range} /> : null}
              <div>
                <small>{probeName(set, probe, { line })}</small>
                <b>{formatNumber(now?.angle ?? 0, 1)}°</b>
                <small>
                  {now?.values
                    ? `${now.values.map((value) => signedLength(toMm(value, own), { unit, resolution: 0.001 })).join('  ')} ${unitName[unit]}`
                    : now?.fault === 'no-beam'
                      ? liveWords.noBeamOnTheDetector
                      : liveWords.outOfRange}
                </small>
                {range && now?.values ? <Aimed values={now.values} range={range} own={own} unit={unit} /> : null}
              </div>
            </One>
          )
        })}
      </Dials>
      {apart > apartMay ? <Fault role="alert">{liveWords.theShaftsAreApartTake(formatNumber(apart, 1))}</Fault> : null}
    </>
  )
}

/** What is left of a detector, and whether the beam is near enough to its middle. */
function Aimed(props: { values: readonly number[]; range: number; own: Unit; unit: 'mm' | 'mil' }) {
  const { left, closeEnough } = aimOf(props.values, props.range)
  const told = lengthWithUnit(Math.max(0, toMm(left, props.own)), { unit: props.unit, resolution: 0.1 })
  return (
    <small style={{ display: 'block' }}>
      {closeEnough ? liveWords.aimedWithLeft(told) : liveWords.aimNearerTheMiddle(told)}
    </small>
  )
}

/** How far a sweep has come. */
export function Swept(props: { readings: Latest<DeviceReading>; sweep: RefObject<SweepTrace | undefined> }) {
  useSyncExternalStore(props.readings.subscribe, props.readings.get)
  return liveWords.pointsOfTheTurn(props.sweep.current?.points ?? 0, props.sweep.current?.coverage ?? 0)
}

/** The latest of something that comes often. */
export class Latest<T> {
  private value: T | undefined
  private readonly listeners = new Set<() => void>()
  put(value: T): void {
    this.value = value
    for (const listener of this.listeners) listener()
  }
  get = (): T | undefined => this.value
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
}

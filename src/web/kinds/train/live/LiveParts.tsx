import { type RefObject, useSyncExternalStore } from 'react'
import styled from 'styled-components'
import type { DeviceReading } from '../../../../core/device/protocol'
import { formatNumber } from '../../../../core/frame/number'
import { toMm } from '../../../../core/frame/units'
import type { Line } from '../../../../core/kinds/train/document/schema'
import { anglesApart, type Match, type SweepTrace } from '../../../../core/kinds/train/solve/capture'
import type { ReadSet } from '../../../../core/shafts/schema'
import { probeName, signedLength, unitName } from '../../../../words/terms'
import { liveWords } from '../../../../words/train/page/live'
import { mono } from '../../../app/style'
import { Fault } from '../../../parts/controls'
import { Inclined } from './Inclined'

// what changes twenty times a second keeps its room: nothing beside or under it moves
const Dials = styled.div`display: grid; grid-template-columns: repeat(auto-fill, 264px); gap: 8px 16px; min-height: 66px;`
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
      <Dials>
        {matches.map(({ id, probe, unit: own }) => {
          const now = reading.probes.find((one) => one.id === id)
          return (
            <One key={id}>
              <Inclined degrees={now?.angle ?? 0} />
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
              </div>
            </One>
          )
        })}
      </Dials>
      {apart > apartMay ? <Fault role="alert">{liveWords.theShaftsAreApartTake(formatNumber(apart, 1))}</Fault> : null}
    </>
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

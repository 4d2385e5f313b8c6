import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import styled from 'styled-components'
import type { DeviceReading, Hello } from '../../../../core/device/protocol'
import type { Line } from '../../../../core/kinds/train/document/schema'
import {
  captureOf,
  type Match,
  matchProbes,
  mountingOf,
  StandingStill,
  SweepTrace,
  withCapture,
  withDeviceMounting,
} from '../../../../core/kinds/train/solve/capture'
import { probeKinds } from '../../../../core/probes'
import { formatNumber } from '../../../../core/quantity/number'
import { lengthUnitFor } from '../../../../core/quantity/usual'
import { type StandInKind, standInKinds, standInNames, standInOf } from '../../../../core/rig/standIn'
import type { ReadSet } from '../../../../core/shafts/schema'
import type { ProbeState } from '../../../../core/shafts/state'
import type { LiveTrace } from '../../../../drawing/strip'
import { plural } from '../../../../words/language'
import { deviceWords } from '../../../../words/page/device'
import { angleInText, angleName } from '../../../../words/terms'
import { liveWords } from '../../../../words/train/page/live'
import { isShortcut } from '../../../app/focus'
import { mono } from '../../../app/style'
import { DeviceLine, type LineState, seedOf, standInAddress } from '../../../device/connection'
import { Button, Card, Fault, Muted, Select } from '../../../parts/controls'
import { Peg } from '../../../parts/Peg'
import type { LiveTraces } from '../../../strip/live'
import { Latest, Standing, Swept } from './LiveParts'

const Sheet = styled(Card)`display: grid; gap: 8px; margin-bottom: 16px;`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px 14px; align-items: center;`
const Turning = styled.div`display: flex; flex-wrap: wrap; align-items: center; gap: 0 4px; button { padding: 0 8px; }`
const Handle = styled.label`flex: 1 1 240px; display: grid; grid-template-columns: auto minmax(110px, 1fr) 52px; gap: 10px; align-items: center; margin-right: 8px; input { accent-color: var(--kelp); min-height: 44px; } b { ${mono} text-align: right; }`
const Small = styled.p`color: var(--muted); font-size: 13.5px;`
const Status = styled.span`display: inline-flex; gap: 8px; align-items: center; font-weight: 600;`

interface Props {
  set: ReadSet
  states: readonly ProbeState[]
  onSet: (change: (set: ReadSet) => ReadSet, mark?: string) => void
  traces: LiveTraces
  onSettings: () => void
  frame: Frame
}

/** What the panel needs of the job around it. */
interface Frame {
  jobId: string
  line: Line
  x: ReadonlyMap<string, number>
  unit: 'mm' | 'mil'
}

/** A device on the line: both angles live, capture by key or by standing still, a sweep while the shafts turn. */
export function Live({ set, states, onSet, traces, onSettings, frame }: Props) {
  const { jobId, line, x, unit } = frame
  const setId = set.id
  const [kind, setKind] = useState<StandInKind>(standInOf(set.probes.map(({ type }) => type)) ?? 'dials')
  const [state, setState] = useState<LineState>('closed')
  const [hello, setHello] = useState<Hello>()
  const [heard, setHeard] = useState(false)
  const [readings] = useState(() => new Latest<DeviceReading>())
  const [battery, setBattery] = useState<number>()
  const [lost, setLost] = useState(0)
  const [target, setTarget] = useState(0)
  const [sweeping, setSweeping] = useState(false)
  const [byStill, setByStill] = useState(false)
  const [captured, setCaptured] = useState<string>()
  const line$ = useRef<DeviceLine>(undefined)
  const latest = useRef<DeviceReading>(undefined)
  const recent = useRef<DeviceReading[]>([])
  const sweep = useRef<SweepTrace>(undefined)
  const still = useRef({ watch: new StandingStill(), at: Number.NaN })
  const drawn = useRef(0)

  const matches = useMemo((): Match[] => (hello ? matchProbes(hello, set, line) : []), [hello, set, line])
  const hands = useRef({ matches, set, states, byStill })
  hands.current = { matches, set, states, byStill }

  const capture = useCallback(
    (readings: readonly DeviceReading[]) => {
      const found = captureOf(readings, hands.current.matches)
      if (!found) return setCaptured(liveWords.nothingToCaptureAProbe)
      onSet((s) => withCapture(s, found, unit))
      const at = found.probes.reduce((sum, { angle }) => sum + angle, 0) / found.probes.length
      setCaptured(liveWords.capturedAt(formatNumber(at, 1)))
    },
    [onSet, unit],
  )

  // one drawing a frame, however many messages came; React draws only what is not moving
  const draw = useCallback(() => {
    drawn.current = 0
    const now = latest.current
    if (!now) return
    setHeard(true)
    readings.put(now)
    const trace = sweep.current
    const all: Record<string, LiveTrace> = {}
    for (const { id, probe } of hands.current.matches) {
      const angle = now.probes.find((one) => one.id === id)?.angle
      if (angle === undefined) continue
      for (const state of hands.current.states)
        if (state.dial.id === probe.id) all[state.id] = { angle, bins: trace ? trace.trace(state.id, state.level) : [] }
    }
    traces.put(all)
  }, [readings, traces])

  const connect = () => {
    line$.current?.close()
    setLost(0)
    let expected = 0
    /** A new line counts and keeps time from nothing: what came over the old one says nothing of what is late. */
    const afresh = () => {
      expected = 0
      latest.current = undefined
      recent.current = []
      still.current = { watch: new StandingStill(), at: Number.NaN }
    }
    line$.current = new DeviceLine(standInAddress(kind, seedOf(`${jobId}${set.id}`), liveRate()), {
      onState: (now) => {
        if (now === 'connecting') afresh()
        setState(now)
      },
      onMessage: (message) => {
        if (message.type === 'status') return setBattery(message.battery)
        if (message.type === 'hello') return setHello(message)
        if (message.seq > expected) setLost((n) => n + message.seq - expected)
        expected = Math.max(expected, message.seq + 1)
        sweep.current?.add(message)
        if (latest.current && message.seq < latest.current.seq) {
          setLost((n) => Math.max(0, n - 1)) // it was only late
          return
        }
        latest.current = message
        recent.current = [...recent.current.filter(({ at }) => message.at - at < 400 && at <= message.at), message]
        const stood = still.current.watch.add(message)
        const [first] = message.probes
        if (stood && first && hands.current.byStill && !(Math.abs(first.angle - still.current.at) < 8)) {
          still.current.at = first.angle
          capture(stood)
        }
        drawn.current ||= requestAnimationFrame(draw)
      },
    })
  }
  const put = useRef(onSet)
  useLayoutEffect(() => {
    put.current = onSet
  })
  // a sweep under way is written down every second, as one step of undo: a reload costs no more than that
  useEffect(() => {
    if (!sweeping) return undefined
    const write = () => {
      const going = sweep.current
      if (going && going.points > 0) put.current((s) => going.into(s), `${setId}:sweep`)
    }
    const timer = setInterval(write, 1000)
    return () => {
      clearInterval(timer)
      write()
    }
  }, [sweeping, setId])
  useEffect(
    () => () => {
      line$.current?.close()
      cancelAnimationFrame(drawn.current)
      traces.put({})
    },
    [traces],
  )

  // a simulated rig hangs its probes as the job says; where the job says nothing, the job takes the rig's
  const told = hello !== undefined
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each greeting; later changes are sent by the next
  useEffect(() => {
    if (!hello?.device.simulated || matches.length === 0) return
    const bare = matches.some(({ probe }) => probeKinds[probe.type].stations > 0 && probe.station.distance.text === '')
    if (bare) onSet((s) => withDeviceMounting(s, hello, matches, lengthUnitFor(unit), unit))
    else {
      const hung = mountingOf(matches, x.get(set.coupling) ?? 0, x)
      const differs = hung.some((one) => {
        const now = hello.hung?.find(({ id }) => id === one.id)
        return now && JSON.stringify({ ...now, ...one }) !== JSON.stringify(now)
      })
      if (differs) line$.current?.send({ type: 'hang', probes: hung })
    }
  }, [told, hello, matches.length])

  useEffect(() => {
    if (state === 'open') line$.current?.send({ type: 'turn', to: target })
  }, [state, target])

  const captureNow = useCallback(() => capture(recent.current.slice(-5)), [capture])
  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      if (event.key === 'c' && state === 'open' && isShortcut(event)) captureNow()
    }
    window.addEventListener('keydown', key)
    return () => window.removeEventListener('keydown', key)
  }, [captureNow, state])

  const beginSweep = () => {
    sweep.current = new SweepTrace(matches)
    setSweeping(true)
    setCaptured(undefined)
  }
  const endSweep = () => {
    const done = sweep.current
    sweep.current = undefined
    setSweeping(false)
    if (!done || done.points === 0) return setCaptured(liveWords.theSweepHasNoPoints)
    onSet((s) => done.into(s), `${setId}:sweep`)
    setCaptured(liveWords.sweptPointsOver(done.points, done.coverage))
  }
  const open = state === 'open' || state === 'lost' || state === 'connecting'

  if (standInOf(set.probes.map(({ type }) => type)) === undefined)
    return <Sheet>{liveWords.noDeviceReadsThisMethod}</Sheet>
  return (
    <Sheet aria-label={liveWords.devices}>
      <Row>
        <Select
          aria-label={liveWords.device}
          value={kind}
          disabled={open}
          style={{ width: 232 }}
          options={standInKinds.map((value) => ({ value, text: liveWords.simulated(standInNames[value]) }))}
          onPick={(value) => setKind(value as StandInKind)}
        />
        {open ? (
          <Button onPress={() => line$.current?.close()}>{deviceWords.disconnect}</Button>
        ) : (
          <Button look="act" onPress={connect}>
            {deviceWords.connect}
          </Button>
        )}
        <Status role="status" aria-label={liveWords.connection}>
          <Peg peg={state === 'open' ? 'within' : state === 'closed' ? 'nothing' : 'outside'} size={14} label="" />
          {deviceWords.line[state]}
        </Status>
        {battery === undefined ? null : (
          <Muted>{liveWords.battery(formatNumber(100 * battery, 0), battery < 0.1 ? ': nearly empty' : '')}</Muted>
        )}
        {hello?.device.simulated && state === 'open' ? (
          <Select
            aria-label={liveWords.faultsOnTheSimulatedRig}
            style={{ width: 'auto', marginLeft: 'auto' }}
            value="none"
            options={[
              { value: 'none', text: liveWords.noFault },
              { value: 'disconnect', text: liveWords.dropTheConnection },
              { value: 'slack', text: liveWords.slackInTheCoupling },
              { value: 'out-of-range', text: liveWords.outOfRange },
              { value: 'flat-battery', text: liveWords.batteryLow },
            ]}
            onPick={(trouble) => line$.current?.send({ type: 'trouble', kind: trouble as 'none' })}
          />
        ) : null}
      </Row>
      {hello && matches.length < hello.probes.length ? (
        <Fault>
          {liveWords.thisDeviceHasProbesThe(hello.probes.length, matches.length)}{' '}
          <Button look="quiet" onPress={onSettings}>
            {liveWords.setUp}
          </Button>
        </Fault>
      ) : null}
      {heard && matches.length > 0 ? (
        <>
          <Standing readings={readings} matches={matches} set={set} line={line} unit={unit} />
          <Row>
            <Button look="act" isDisabled={state !== 'open' || sweeping} onPress={captureNow}>
              {liveWords.captureHereC}
            </Button>
            <Button
              aria-pressed={byStill}
              isDisabled={state !== 'open' || sweeping}
              onPress={() => {
                still.current.at = Number.NaN
                setByStill(!byStill)
              }}
            >
              {byStill ? liveWords.autoCapture : liveWords.captureWhenStill}
            </Button>
            {sweeping ? (
              <Button look="act" onPress={endSweep}>
                {liveWords.stopSweep}
              </Button>
            ) : (
              <Button isDisabled={state !== 'open'} onPress={beginSweep}>
                {liveWords.sweep}
              </Button>
            )}
            <Status role="status" aria-label={liveWords.capturedReadings}>
              {sweeping ? <Swept readings={readings} sweep={sweep} /> : (captured ?? '')}
            </Status>
            <Muted style={{ marginLeft: 'auto', visibility: lost > 0 ? undefined : 'hidden' }}>
              {liveWords.lost(plural(lost, { one: '1 message', other: `${lost} messages` }))}
            </Muted>
          </Row>
          {hello?.device.simulated ? (
            <>
              <Turning>
                <Handle>
                  {liveWords.turnTheShafts}
                  <input
                    type="range"
                    min={0}
                    max={380}
                    step={1}
                    value={target}
                    aria-label={liveWords.turnTheShaftsDegrees}
                    aria-valuetext={angleName(target, { line }, set.angleAs)}
                    onChange={(event) => setTarget(Number(event.target.value))}
                  />
                  <b>{target}°</b>
                </Handle>
                {[0, 90, 180, 270, 360].map((degrees) => (
                  <Button
                    key={degrees}
                    look="quiet"
                    aria-label={liveWords.toWord(angleInText(degrees, { line }, set.angleAs))}
                    onPress={() => setTarget(degrees)}
                  >
                    {angleInText(degrees, { line }, set.angleAs)}
                  </Button>
                ))}
              </Turning>
              <Small>{liveWords.simulatedRigAtTheMachine}</Small>
            </>
          ) : null}
        </>
      ) : null}
    </Sheet>
  )
}

/** Messages a second asked of a stand-in; `?rate=` in the address changes it. */
const liveRate = (): number => Number(new URLSearchParams(window.location.search).get('rate')) || 20

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { DeviceReading, Hello, RigCommand } from '../../../../core/device/protocol'
import type { BoltWork } from '../../../../core/kinds/train/plan/bolts'
import { captureOf, matchProbes, mountingOf } from '../../../../core/kinds/train/solve/capture'
import { channelNames } from '../../../../core/probes/kind'
import { type StandInKind, standInOf } from '../../../../core/rig/standIn'
import { DeviceLine, type LineState, seedOf, standInAddress } from '../../../device/connection'
import type { TrainFrame } from '../frame'

/** Readings that one shown number is the mean of. */
const smoothed = 5
/** What a rig says within this time of being set may still be of how it stood before, ms. */
const settling = 500
/** Degrees from where the probes are watched at which they count as there. */
const there = 0.6

export interface LiveBolts {
  state: LineState
  /** What every watched probe shows now, mm, in the order of the work's watches; undefined until it stands still there. */
  shown: readonly (number | undefined)[]
  simulated: boolean
  connect: () => void
  hangUp: () => void
  push: (foot: string, by: number) => void
  tighten: () => void
}

/** The stand-in that carries a work's probes; undefined for methods that none serves. */
export function standInFor({ watches }: BoltWork): StandInKind | undefined {
  return standInOf(watches.map(({ state }) => state.dial.type))
}

/**
 * A line to a rig that stands as the job says. What its probes show when they first stand still counts as the beginning; what
 * they do from there is added to what they would show set to half of their swing.
 */
export function useLive(work: BoltWork, frame: TrainFrame): LiveBolts {
  const { solved, document } = frame
  const kind = standInFor(work)
  const [state, setState] = useState<LineState>('closed')
  const [hello, setHello] = useState<Hello>()
  const [shown, setShown] = useState<readonly (number | undefined)[]>([])
  const line = useRef<DeviceLine>(undefined)
  const recent = useRef<DeviceReading[]>([])
  const start = useRef<(number | undefined)[]>(undefined)
  const drawn = useRef(0)
  const settled = useRef(0)
  const set = work.watches[0]?.state.set

  const matches = useMemo(
    () => (hello && set ? matchProbes(hello, set, document.line) : []),
    [hello, set, document.line],
  )
  const rigFor = useMemo((): RigCommand[] => {
    const c = solved.train.couplings.findIndex(({ id }) => id === work.coupling)
    const coupling = solved.train.couplings[c]
    const result = solved.solution.couplings[c]?.result
    if (!coupling || !result?.ok) return []
    const { misalignment } = result.fit
    const own =
      work.plane === 'horizontal'
        ? { offsetY: work.now.offset, slopeY: work.now.slope }
        : { offsetZ: work.now.offset, slopeZ: work.now.slope }
    const feet = work.pushed.bolts.map(({ foot, x }) => ({
      id: foot,
      distance: work.pushed.side * (x - coupling.x),
    }))
    return [
      {
        type: 'set',
        ...misalignment,
        ...own,
        moves: work.pushed.side === 1 ? 'right' : 'left',
        feet: feet as [{ id: string; distance: number }, { id: string; distance: number }],
      },
      { type: 'turn', to: work.at },
    ]
  }, [solved, work])

  const hands = useRef({ work, matches, rigFor })
  hands.current = { work, matches, rigFor }

  const read = useCallback(() => {
    drawn.current = 0
    const now = hands.current
    const seen = captureOf(recent.current, now.matches)
    if (!seen || recent.current.length < smoothed) return
    const at = now.work.at
    if (seen.probes.some(({ angle }) => Math.abs(angle - at) > there + 2.6)) return
    const values = now.work.watches.map(({ state: of }) => {
      const found = seen.probes.find(({ probe }) => probe === of.dial.id)
      return found?.values[
        Math.max(
          0,
          channelNames.findIndex((name) => name === of.channel),
        )
      ]
    })
    start.current ??= values
    const from = start.current
    setShown(
      now.work.watches.map((watch, i) => {
        const [a, b] = [values[i], from[i]]
        return a === undefined || b === undefined ? undefined : watch.now + a - b
      }),
    )
  }, [])

  const connect = useCallback(() => {
    if (!kind || !set) return
    line.current?.close()
    line.current = new DeviceLine(standInAddress(kind, seedOf(`${frame.id}${set.id}`), 20), {
      onState: (now) => {
        setState(now)
        if (now === 'connecting') {
          recent.current = []
          start.current = undefined
          setShown([])
        }
      },
      onMessage: (message) => {
        if (message.type === 'hello') setHello(message)
        if (message.type !== 'reading' || performance.now() < settled.current) return
        const last = recent.current.at(-1)
        if (last && message.seq < last.seq) return
        // only what was read while it stood: on the way to its place a probe shows the turn
        const stood = message.probes.every(({ angle }) => Math.abs(angle - hands.current.work.at) < there + 2.6)
        const still = last?.probes.every(({ angle }, i) => Math.abs(angle - (message.probes[i]?.angle ?? 0)) < there)
        recent.current = stood && still !== false ? [...recent.current, message].slice(-smoothed) : [message]
        drawn.current ||= requestAnimationFrame(read)
      },
    })
  }, [kind, set, frame.id, read])

  // a rig that greets is hung and set as the job says, and again when the job says otherwise
  const greeted = hello?.device.simulated === true && matches.length > 0
  const rigKey = JSON.stringify(rigFor)
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for what the job says; the greeting that answers a hanging changes nothing
  useEffect(() => {
    if (!greeted) return
    const { x } = solved.stations
    line.current?.send({ type: 'hang', probes: mountingOf(matches, x.get(work.coupling) ?? 0, x) })
    for (const command of rigFor) line.current?.send(command)
    settled.current = performance.now() + settling
    start.current = undefined
    recent.current = []
  }, [greeted, matches.length, rigKey])
  useEffect(
    () => () => {
      line.current?.close()
      cancelAnimationFrame(drawn.current)
    },
    [],
  )
  return {
    state,
    shown,
    simulated: hello?.device.simulated ?? false,
    connect,
    hangUp: () => {
      line.current?.close()
      setHello(undefined)
      setShown([])
    },
    push: (foot, by) => line.current?.send({ type: 'push', foot, plane: work.plane, by }),
    tighten: () => line.current?.send({ type: 'tighten' }),
  }
}

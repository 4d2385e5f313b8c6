import { useCallback, useEffect, useRef, useState } from 'react'
import type { DeviceReading, RigCommand } from '../../core/device/protocol'
import { toMm } from '../../core/quantity/units'
import { DeviceLine, type LineState, seedOf, standInAddress } from './connection'

/** One shown number is the mean of so many, and it stands still while the last of them differ by no more, mm. */
const smoothed = 6
const stillWithin = 0.02
/** Told this soon after the tip was put anew, it may be of the place before, ms. */
const settling = 250

export interface Indicator {
  state: LineState
  /** What it shows, mm; null where it shows nothing, undefined before anything was heard. */
  shows: number | null | undefined
  still: boolean
  /** How often it was seen to move: a tip that is put elsewhere does. */
  moves: number
  simulated: boolean
  connect: () => void
  hangUp: () => void
}

/**
 * A line to an indicator with one number. `commands` say where its tip is and how what it touches stands, to a simulated one;
 * they are said again when they change and on every new line.
 *
 * @param seed the same name meets the same simulated rig
 */
export function useIndicator(seed: string, commands: readonly RigCommand[]): Indicator {
  const [state, setState] = useState<LineState>('closed')
  const [now, setNow] = useState<{ shows: number | null | undefined; still: boolean }>({
    shows: undefined,
    still: false,
  })
  const [simulated, setSimulated] = useState(false)
  const line = useRef<DeviceLine>(undefined)
  const [moves, setMoves] = useState(0)
  const recent = useRef<DeviceReading[]>([])
  const before = useRef<number | undefined>(undefined)
  const unit = useRef<'mm' | 'um' | 'in' | 'mil'>('mm')
  const drawn = useRef(0)
  const told = useRef(0)
  const said = JSON.stringify(commands)

  const look = useCallback(() => {
    drawn.current = 0
    const values = recent.current.map(({ probes }) => probes[0]?.values?.[0])
    const numbers = values.filter((value) => value !== undefined)
    const out = values.length > 0 && numbers.length === 0
    const mean = numbers.reduce((sum, value) => sum + value, 0) / numbers.length
    const mm = (value: number) => toMm(value, unit.current)
    setNow({
      shows: out ? null : numbers.length > 0 ? mm(mean) : undefined,
      still: numbers.length >= smoothed && mm(Math.max(...numbers) - Math.min(...numbers)) <= stillWithin,
    })
  }, [])

  const connect = () => {
    line.current?.close()
    line.current = new DeviceLine(standInAddress('indicator', seedOf(seed), 20), {
      onState: (next) => {
        recent.current = []
        setState(next)
      },
      onMessage: (message) => {
        if (message.type === 'hello') {
          setSimulated(message.device.simulated)
          unit.current = message.probes[0]?.unit ?? 'mm'
        }
        if (message.type !== 'reading') return
        const value = message.probes[0]?.values?.[0]
        if (
          before.current !== undefined &&
          !(Math.abs(toMm((value ?? Number.NaN) - before.current, unit.current)) <= stillWithin)
        )
          setMoves((n) => n + 1)
        before.current = value ?? before.current
        if (performance.now() - told.current < settling) return
        recent.current = [...recent.current, message].slice(-smoothed)
        drawn.current ||= requestAnimationFrame(look)
      },
    })
  }
  useEffect(() => {
    if (state !== 'open') return
    told.current = performance.now()
    recent.current = []
    setNow({ shows: undefined, still: false })
    for (const command of JSON.parse(said) as RigCommand[]) line.current?.send(command)
  }, [state, said])
  useEffect(
    () => () => {
      line.current?.close()
      cancelAnimationFrame(drawn.current)
    },
    [],
  )
  return { state, ...now, moves, simulated, connect, hangUp: () => line.current?.close() }
}

// @vitest-environment happy-dom

import { act, cleanup, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { boltWork } from '../../../../core/kinds/train/plan/bolts'
import { planRound } from '../../../../core/kinds/train/plan/plan'
import { pumpAndMotor, readOnRig } from '../../../../core/kinds/train/rig'
import { solveRound } from '../../../../core/kinds/train/solve/round'
import { makeStandIn, type StandIn } from '../../../../core/rig/standIn'
import type { TrainFrame } from '../frame'
import { standInFor, useLive } from './useLive'

/** The line to the device, with a stand-in of the core at its other end instead of a socket. */
const wire = vi.hoisted(() => ({
  rig: undefined as StandIn | undefined,
  tell: (_: unknown) => {},
  state: (_: string) => {},
}))
vi.mock('../../../device/connection', () => ({
  seedOf: () => 7,
  standInAddress: () => 'ws://rig',
  DeviceLine: class {
    constructor(_: string, options: { onMessage: (m: unknown) => void; onState: (s: string) => void }) {
      wire.tell = options.onMessage
      wire.state = options.onState
      options.onState('connecting')
      options.onState('open')
      options.onMessage(wire.rig?.hello())
    }
    send(command: Parameters<StandIn['command']>[0]) {
      wire.rig?.command(command)
    }
    close() {
      wire.state('closed')
    }
  },
}))

const truth = { offsetZ: 0.2, slopeZ: 0.0004, offsetY: -0.3, slopeY: -0.0002 }
const line = pumpAndMotor()
const round = readOnRig(line, truth)
const solved = solveRound({ line }, round)
const plan = planRound({ line }, round, solved)!
const work = boltWork(solved, plan, 'm2', 'horizontal')!
const frame = { id: 'job-1', solved, document: { line } } as unknown as TrainFrame

beforeEach(() => {
  vi.useFakeTimers({
    toFake: ['performance', 'requestAnimationFrame', 'cancelAnimationFrame', 'setTimeout', 'clearTimeout'],
  })
  wire.rig = makeStandIn('dials', 7, 20)
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
})

/** Lets the rig talk for so long, in steps of its own rate. */
const wait = (ms: number) => {
  for (let t = 0; t < ms; t += 50)
    act(() => {
      vi.advanceTimersByTime(50)
      for (const message of wire.rig?.advance(50) ?? []) wire.tell(message)
      vi.advanceTimersByTime(17)
    })
}

describe('live at the bolts', () => {
  it('hangs the stand-in as the job was read, and begins where the dials would stand set to half', () => {
    const { result } = renderHook(() => useLive(work, frame))
    expect([result.current.state, result.current.shown]).toEqual(['closed', []])
    act(() => result.current.connect())
    expect(result.current).toMatchObject({ state: 'open', simulated: true })
    expect(wire.rig!.truth.offsetY).toBeCloseTo(work.now.offset, 6)
    wait(9000)
    for (const [i, value] of result.current.shown.entries()) expect(value).toBeCloseTo(work.watches[i]!.now, 1)
    expect(result.current.shown).toHaveLength(work.watches.length)
  })
  it('shows what a push does at every dial it watches, as its stop was worked out', () => {
    const { result } = renderHook(() => useLive(work, frame))
    act(() => result.current.connect())
    wait(9000)
    const [first] = work.steps
    act(() => result.current.push(first!.foot, first!.by))
    wait(4000)
    result.current.shown.forEach((value, i) => {
      expect(Math.abs(value! - first!.readings[i]!)).toBeLessThan(0.03)
      expect(Math.abs(value! - work.watches[i]!.now)).toBeGreaterThan(0.03)
    })
  })
  it('forgets what was shown when the line is hung up', () => {
    const { result } = renderHook(() => useLive(work, frame))
    act(() => result.current.connect())
    wait(9000)
    act(() => result.current.hangUp())
    expect(result.current).toMatchObject({ state: 'closed', shown: [], simulated: false })
  })
  it('knows which stand-in carries which probes', () => {
    const of = (type: string) => ({ ...work, watches: [{ ...work.watches[0]!, state: { dial: { type } } }] }) as never
    expect(['rim', 'beam', 'beam2', 'bore'].map((type) => standInFor(of(type)))).toEqual([
      'dials',
      'heads',
      'two-plane',
      undefined,
    ])
  })
})

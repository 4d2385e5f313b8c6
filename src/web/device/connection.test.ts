import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { DeviceMessage } from '../../core/device/protocol'
import { DeviceLine, type LineState, seedOf } from './connection'

/** A socket that does what the test says. */
class FakeSocket {
  static readonly OPEN = 1
  static all: FakeSocket[] = []
  readyState = 0
  sent: string[] = []
  onopen?: () => void
  onclose?: () => void
  onmessage?: (event: { data: string }) => void
  constructor(readonly address: string) {
    FakeSocket.all.push(this)
  }
  send(text: string) {
    this.sent.push(text)
  }
  close() {
    this.readyState = 3
    this.onclose?.()
  }
  open() {
    this.readyState = 1
    this.onopen?.()
  }
  say(text: string) {
    this.onmessage?.({ data: text })
  }
}

let states: LineState[]
let said: DeviceMessage[]
let strange: string[]
const last = () => FakeSocket.all.at(-1)!
const line = () =>
  new DeviceLine('ws://here', {
    onState: (state) => states.push(state),
    onMessage: (message) => said.push(message),
    onStranger: (text) => strange.push(text),
  })

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('WebSocket', FakeSocket)
  FakeSocket.all = []
  states = []
  said = []
  strange = []
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('a line to a device', () => {
  it('hands on what is of the protocol, many to a message, and leaves out the rest', () => {
    line()
    last().open()
    last().say('{"type":"status","battery":0.5}\n{"type":"status","battery":0.4}\n')
    last().say('{"type":"status","battery":7}')
    last().say('hm')
    expect(said).toEqual([
      { type: 'status', battery: 0.5 },
      { type: 'status', battery: 0.4 },
    ])
    expect(strange).toHaveLength(2)
  })
  it('comes back by itself, ever more slowly, and at once again after it was open', () => {
    line()
    last().open()
    const waits = [500, 1000, 2000, 4000, 4000]
    for (const [i, wait] of waits.entries()) {
      last().close()
      expect(states.at(-1)).toBe('lost')
      vi.advanceTimersByTime(wait - 1)
      expect(FakeSocket.all).toHaveLength(i + 1)
      vi.advanceTimersByTime(1)
      expect(FakeSocket.all).toHaveLength(i + 2)
    }
    last().open()
    last().close()
    vi.advanceTimersByTime(500)
    expect(FakeSocket.all).toHaveLength(waits.length + 2)
  })
  it('stays away once hung up', () => {
    const hung = line()
    last().open()
    hung.close()
    vi.advanceTimersByTime(60_000)
    expect(FakeSocket.all).toHaveLength(1)
    expect(states.at(-1)).toBe('closed')
  })
  it('speaks only while it is open', () => {
    const open = line()
    open.send({ type: 'turn', to: 90 })
    last().open()
    open.send({ type: 'turn', to: 180 })
    expect(last().sent).toEqual(['{"type":"turn","to":180}\n'])
  })
})

it('the same job meets the same rig', () => {
  expect(seedOf('job-7r1-c1')).toBe(seedOf('job-7r1-c1'))
  expect(seedOf('job-8r1-c1')).not.toBe(seedOf('job-7r1-c1'))
})

import * as v from 'valibot'
import { type DeviceMessage, deviceMessageSchema, type RigCommand } from '../../core/device/protocol'

export type LineState = 'connecting' | 'open' | 'lost' | 'closed'

interface Options {
  onMessage: (message: DeviceMessage) => void
  onState: (state: LineState) => void
  /** A message that is not of the protocol; it is left out. */
  onStranger?: (text: string) => void
}

/**
 * A line to a device that comes back by itself: half a second after it was lost, then one, two, at most four. Knows
 * nothing of React; what was captured is the caller's and stays.
 */
export class DeviceLine {
  private socket: WebSocket | undefined
  private timer: ReturnType<typeof setTimeout> | undefined
  private pause = 500
  private wanted = true

  constructor(
    private readonly address: string,
    private readonly options: Options,
  ) {
    this.connect()
  }

  send(command: RigCommand): void {
    if (this.socket?.readyState === WebSocket.OPEN) this.socket.send(`${JSON.stringify(command)}\n`)
  }

  close(): void {
    this.wanted = false
    clearTimeout(this.timer)
    this.socket?.close()
    this.options.onState('closed')
  }

  private connect(): void {
    this.options.onState('connecting')
    const socket = new WebSocket(this.address)
    this.socket = socket
    socket.onopen = () => {
      this.pause = 500
      this.options.onState('open')
    }
    socket.onmessage = ({ data }) => {
      for (const line of String(data).split('\n')) if (line.trim()) this.take(line)
    }
    socket.onclose = () => {
      if (!this.wanted) return
      this.options.onState('lost')
      this.timer = setTimeout(() => this.connect(), this.pause)
      this.pause = Math.min(4000, 2 * this.pause)
    }
  }

  private take(line: string): void {
    let said: unknown
    try {
      said = JSON.parse(line)
    } catch {
      this.options.onStranger?.(line)
      return
    }
    const message = v.safeParse(deviceMessageSchema, said)
    if (message.success) this.options.onMessage(message.output)
    else this.options.onStranger?.(line)
  }
}

/** The address of a stand-in on this page's own server. */
export function standInAddress(kind: string, seed: number, rate: number): string {
  const { protocol, host } = window.location
  return `${protocol === 'https:' ? 'wss' : 'ws'}://${host}/api/devices/${kind}/live?seed=${seed}&rate=${rate}`
}

/** A number from a name, so that the same job meets the same simulated rig. */
export const seedOf = (name: string): number =>
  [...name].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 1_000_003, 7)

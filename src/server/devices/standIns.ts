import * as v from 'valibot'
import type { WebSocket } from 'ws'
import { rigCommandSchema } from '../../core/device/protocol'
import { makeIndicator } from '../../core/rig/indicator'
import { makeStandIn, type StandIn, standInKinds } from '../../core/rig/standIn'
import { type Room, sayTo } from '../sockets'

/**
 * The simulated stand-ins: each connection to `/api/devices/<kind>/live` is a rig of its own that speaks the open device
 * protocol. `?seed=` picks the rig, `?rate=` the messages a second (1 to 100).
 */
export const standIns: Room = {
  address: /^\/api\/devices\/([a-z-]+)\/live$/,
  most: 24,
  enter: ({ searchParams }, [, kind = '']) => {
    const make = makers.get(kind)
    return make
      ? (client) =>
          run(client, make, wholeNumber(searchParams.get('seed'), 1), wholeNumber(searchParams.get('rate'), 20))
      : undefined
  },
}

type Make = (seed: number, rate: number) => StandIn

/** Every stand-in by its name in the address. */
const makers: ReadonlyMap<string, Make> = new Map<string, Make>([
  ...standInKinds.map((kind) => [kind, (seed: number, rate: number) => makeStandIn(kind, seed, rate)] as const),
  ['indicator', makeIndicator],
])

function wholeNumber(text: string | null, usual: number): number {
  const value = Number(text ?? usual)
  return Number.isInteger(value) && value >= 0 ? value : usual
}

function run(client: WebSocket, make: Make, seed: number, rate: number): () => void {
  const standIn = make(seed, Math.min(100, Math.max(1, rate)))
  const say = (message: unknown) => sayTo(client, message)
  say(standIn.hello())
  let before = performance.now()
  const timer = setInterval(() => {
    try {
      const now = performance.now()
      for (const message of standIn.advance(Math.min(500, now - before))) say(message)
      before = now
      if (standIn.wantsToDrop()) client.terminate()
    } catch {
      client.close(1011, 'the simulated device stopped')
    }
  }, 10)
  client.on('message', (data) => {
    let said: unknown
    try {
      said = JSON.parse(String(data))
    } catch {
      return client.close(1007, 'expected a line of JSON')
    }
    const command = v.safeParse(rigCommandSchema, said)
    if (!command.success) return client.close(1008, 'expected a command of the device protocol')
    try {
      standIn.command(command.output)
    } catch {
      return client.close(1008, 'the simulated device can’t do that')
    }
    if (command.output.type === 'hang') say(standIn.hello())
  })
  return () => clearInterval(timer)
}

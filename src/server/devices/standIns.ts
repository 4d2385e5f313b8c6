import * as v from 'valibot'
import type { WebSocket } from 'ws'
import { rigCommandSchema } from '../../core/device/protocol'
import { makeStandIn, type StandInKind, standInKinds } from '../../core/rig/standIn'
import { type Room, sayTo } from '../sockets'

/**
 * The simulated stand-ins: each connection to `/api/devices/<kind>/live` is a rig of its own that speaks the open device
 * protocol. `?seed=` picks the rig, `?rate=` the messages a second (1 to 100).
 */
export const standIns: Room = {
  address: /^\/api\/devices\/([a-z-]+)\/live$/,
  most: 24,
  enter: ({ searchParams }, [, kind]) =>
    isKind(kind)
      ? (client) =>
          run(client, kind, wholeNumber(searchParams.get('seed'), 1), wholeNumber(searchParams.get('rate'), 20))
      : undefined,
}

const isKind = (kind: string | undefined): kind is StandInKind => standInKinds.some((known) => known === kind)

function wholeNumber(text: string | null, usual: number): number {
  const value = Number(text ?? usual)
  return Number.isInteger(value) && value >= 0 ? value : usual
}

function run(client: WebSocket, kind: StandInKind, seed: number, rate: number): () => void {
  const standIn = makeStandIn(kind, seed, Math.min(100, Math.max(1, rate)))
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
      client.close(1011, 'the stand-in cannot go on')
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
      return client.close(1008, 'the stand-in cannot do that')
    }
    if (command.output.type === 'hang') say(standIn.hello())
  })
  return () => clearInterval(timer)
}

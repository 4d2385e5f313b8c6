import type { IncomingMessage } from 'node:http'
import type { Duplex } from 'node:stream'
import type { ServerType } from '@hono/node-server'
import type { Logger } from 'pino'
import * as v from 'valibot'
import { type WebSocket, WebSocketServer } from 'ws'
import { rigCommandSchema } from '../../core/device/protocol'
import { makeStandIn, type StandInKind, standInKinds } from '../../core/rig/standIn'

/** Rigs that may run at once; a browser that leaves gives its own back. */
const most = 24
const address = /^\/api\/devices\/([a-z-]+)\/live$/

/**
 * Runs the simulated stand-ins on a server: each connection to `/api/devices/<kind>/live` is a rig of its own that speaks
 * the open device protocol. `?seed=` picks the rig, `?rate=` the messages a second (1 to 100).
 *
 * @returns hangs everything up
 */
export function attachStandIns(server: ServerType, log: Logger): () => void {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: 4096 })
  server.on('upgrade', (request: IncomingMessage, socket: Duplex, head: Buffer) => {
    const refuse = (status: string) => {
      socket.end(`HTTP/1.1 ${status}\r\nConnection: close\r\n\r\n`)
    }
    const url = new URL(request.url ?? '/', 'http://here')
    const kind = address.exec(url.pathname)?.[1]
    if (!isKind(kind)) return refuse('404 Not Found')
    if (!fromHere(request)) return refuse('403 Forbidden')
    if (sockets.clients.size >= most) return refuse('503 Service Unavailable')
    sockets.handleUpgrade(request, socket, head, (client) => {
      run(
        client,
        kind,
        wholeNumber(url.searchParams.get('seed'), 1),
        wholeNumber(url.searchParams.get('rate'), 20),
        log,
      )
    })
  })
  return () => {
    for (const client of sockets.clients) client.terminate()
    sockets.close()
  }
}

const isKind = (kind: string | undefined): kind is StandInKind => standInKinds.some((known) => known === kind)

/** A page of another site must not drive these: browsers always name the origin of a WebSocket. */
function fromHere({ headers }: IncomingMessage): boolean {
  if (!headers.origin) return true
  try {
    return new URL(headers.origin).hostname === new URL(`http://${headers.host}`).hostname
  } catch {
    return false
  }
}

function wholeNumber(text: string | null, usual: number): number {
  const value = Number(text ?? usual)
  return Number.isInteger(value) && value >= 0 ? value : usual
}

function run(client: WebSocket, kind: StandInKind, seed: number, rate: number, log: Logger): void {
  const standIn = makeStandIn(kind, seed, Math.min(100, Math.max(1, rate)))
  const say = (message: unknown) => client.send(`${JSON.stringify(message)}\n`)
  say(standIn.hello())
  let before = performance.now()
  const timer = setInterval(() => {
    const now = performance.now()
    for (const message of standIn.advance(Math.min(500, now - before))) say(message)
    before = now
    if (standIn.wantsToDrop()) client.terminate()
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
    standIn.command(command.output)
    if (command.output.type === 'hang') say(standIn.hello())
  })
  client.on('close', () => clearInterval(timer))
  client.on('error', (error) => log.warn({ err: error }, 'a stand-in lost its line'))
}

import type { IncomingMessage } from 'node:http'
import type { Duplex } from 'node:stream'
import type { ServerType } from '@hono/node-server'
import type { Logger } from 'pino'
import { type WebSocket, WebSocketServer } from 'ws'
import { faultOf } from './faultOf'
import { type Hosts, rejectionReason } from './guard'

/** What a kind of socket is for: an address, and what is done with each connection to it. */
export interface Room {
  address: RegExp
  /** Connections at once; a browser that leaves gives its own back. */
  most: number
  /**
   * Called for each connection.
   *
   * @returns what ends with it, or undefined where there is nothing at this address
   */
  enter(url: URL, match: RegExpExecArray): ((client: WebSocket, log: Logger) => () => void) | undefined
}

export interface SocketLimits {
  /** How often a connection is asked whether it is still there, ms; one that does not answer is closed. */
  beat: number
  /** What may wait for a page that does not read, bytes; then it is closed. */
  buffered: number
}

const usual: SocketLimits = { beat: 15_000, buffered: 1 << 20 }

/**
 * Serves WebSockets beside the pages. Nothing that comes over one connection ends more than that connection.
 *
 * @returns hangs everything up
 */
export function attachSockets(
  server: ServerType,
  rooms: readonly Room[],
  {
    hosts,
    log,
    limits = usual,
    admit = async () => 'yes',
  }: {
    hosts: Hosts
    log: Logger
    limits?: SocketLimits
    /** Whether whoever asks may have a socket at an address; asked again with every beat. */
    admit?: (path: string, headers: Headers) => Promise<'yes' | 'unknown' | 'may not'>
  },
): () => void {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: 4096 })
  const inRoom = new Map<WebSocket, Room>()
  const answered = new WeakSet<WebSocket>()
  const asks = new WeakMap<WebSocket, { path: string; headers: Headers }>()

  const upgrade = async (request: IncomingMessage, socket: Duplex, head: Buffer) => {
    // before anything else: a connection that is reset while it is refused has nobody else to tell
    socket.on('error', () => socket.destroy())
    const refuse = (status: string) => {
      socket.end(`HTTP/1.1 ${status}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`)
    }
    const url = addressOf(request)
    if (!url) return refuse('400 Bad Request')
    const { host, origin } = request.headers
    if (rejectionReason({ host, origin, site: undefined }, hosts, true)) return refuse('403 Forbidden')
    for (const room of rooms) {
      const match = room.address.exec(url.pathname)
      if (!match) continue
      const entered = room.enter(url, match)
      if (!entered) break
      if ([...inRoom.values()].filter((other) => other === room).length >= room.most)
        return refuse('503 Service Unavailable')
      const asked = { path: url.pathname, headers: new Headers({ cookie: request.headers.cookie ?? '' }) }
      const may = await admit(asked.path, asked.headers)
      if (may !== 'yes') return refuse(may === 'unknown' ? '401 Unauthorized' : '403 Forbidden')
      return sockets.handleUpgrade(request, socket, head, (client) => {
        inRoom.set(client, room)
        answered.add(client)
        asks.set(client, asked)
        let leave: () => void = () => undefined
        client.on('pong', () => answered.add(client))
        client.on('close', () => {
          inRoom.delete(client)
          leave()
        })
        client.on('error', (error) => log.warn(faultOf(error), 'socket lost'))
        leave = entered(client, log)
      })
    }
    return refuse('404 Not Found')
  }
  server.on('upgrade', (request: IncomingMessage, socket: Duplex, head: Buffer) => {
    upgrade(request, socket, head).catch((error) => {
      log.error(faultOf(error), 'could not open socket')
      socket.destroy()
    })
  })

  const beat = setInterval(() => {
    for (const client of sockets.clients) {
      if (!answered.has(client) || client.bufferedAmount > limits.buffered) client.terminate()
      answered.delete(client)
      client.ping()
      const asked = asks.get(client)
      // whoever was signed out meanwhile is told nothing more
      if (asked)
        admit(asked.path, asked.headers).then(
          (may) => may !== 'yes' && client.terminate(),
          () => undefined,
        )
    }
  }, limits.beat)
  beat.unref()
  return () => {
    clearInterval(beat)
    for (const client of sockets.clients) client.terminate()
    sockets.close()
  }
}

function addressOf({ url }: IncomingMessage): URL | undefined {
  try {
    return new URL(url ?? '/', 'http://here')
  } catch {
    return undefined
  }
}

/** Sends a line of JSON, unless the page has stopped reading: then nothing is piled up for it. */
export function sayTo(client: WebSocket, message: unknown, most = usual.buffered): void {
  sendTo(client, `${JSON.stringify(message)}\n`, most)
}

/** Sends lines as they are, unless the page has stopped reading. */
export function sendTo(client: WebSocket, lines: string, most = usual.buffered): void {
  if (client.readyState !== client.OPEN || client.bufferedAmount > most) return
  client.send(lines, () => undefined)
}

import { readFileSync } from 'node:fs'
import type { Server } from 'node:http'
import { createServer as createSecure } from 'node:https'
import { type ServerType, serve } from '@hono/node-server'
import type { Hono } from 'hono'
import { StartFault } from './db/files'

/**
 * How long an idle connection stays open, ms. Browsers use one again for up to five minutes; a server that hangs up first
 * loses the request that is on its way, and with it a chunk of the page.
 */
export const keepAlive = 6 * 60_000

/**
 * Serves the application.
 *
 * @returns the server and its port
 * @throws StartFault when the port is taken or may not be used
 */
export async function listen(
  app: Pick<Hono, 'fetch'>,
  { port, host, tls }: { port: number; host: string; tls?: { cert: string; key: string } | undefined },
): Promise<{ server: ServerType; port: number }> {
  const server = serve({
    fetch: app.fetch,
    port,
    hostname: host,
    ...(tls
      ? {
          createServer: createSecure,
          serverOptions: { cert: fileOf('--cert', tls.cert), key: fileOf('--key', tls.key) },
        }
      : {}),
  }) as Server
  server.keepAliveTimeout = keepAlive
  // longer than an idle connection stays, else the next request's headers come too late
  server.headersTimeout = keepAlive + 10_000
  await new Promise<void>((ready, failed) => {
    server.once('listening', ready)
    server.once('error', (error: NodeJS.ErrnoException) => failed(new StartFault(whyNot(error, host, port))))
  })
  const address = server.address()
  return { server, port: typeof address === 'object' && address ? address.port : port }
}

function fileOf(option: string, path: string): Buffer {
  try {
    return readFileSync(path)
  } catch (error) {
    throw new StartFault(`${option}: ${path} cannot be read: ${error instanceof Error ? error.message : error}`)
  }
}

function whyNot({ code, message }: NodeJS.ErrnoException, host: string, port: number): string {
  switch (code) {
    case 'EADDRINUSE':
      return `Port ${port} is in use. Choose another with --port, or 0 for any free port.`
    case 'EACCES':
      return `No permission for port ${port}. Use one above 1023 with --port.`
    case 'EADDRNOTAVAIL':
    case 'ENOTFOUND':
      return `This machine has no address ${host}. Use one of its own with --host.`
    default:
      return `Can’t listen on ${host}:${port}: ${message}.`
  }
}

/** Whoever is still being answered after this long is hung up on, ms. */
const patience = 10_000

/**
 * Takes no more connections, and waits until everything that was asked is answered: what is being written is written.
 */
export function stopListening(server: ServerType, within = patience): Promise<void> {
  const all = server as Server
  return new Promise((done) => {
    const timer = setTimeout(() => all.closeAllConnections(), within)
    // those that wait for nothing; one that was answered may be kept open by its browser
    const idle = setInterval(() => all.closeIdleConnections(), 50)
    all.close(() => {
      clearTimeout(timer)
      clearInterval(idle)
      done()
    })
  })
}

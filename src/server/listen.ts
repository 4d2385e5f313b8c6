import type { Server } from 'node:http'
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
  { port, host }: { port: number; host: string },
): Promise<{ server: ServerType; port: number }> {
  const server = serve({ fetch: app.fetch, port, hostname: host }) as Server
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

function whyNot({ code, message }: NodeJS.ErrnoException, host: string, port: number): string {
  switch (code) {
    case 'EADDRINUSE':
      return `Port ${port} is taken by another program. Give another one with --port, or 0 for any that is free.`
    case 'EACCES':
      return `Port ${port} may not be used here. Give one above 1023 with --port.`
    case 'EADDRNOTAVAIL':
    case 'ENOTFOUND':
      return `This machine has no address ${host}. Give one of its own with --host.`
    default:
      return `Port ${port} of ${host} cannot be listened on: ${message}.`
  }
}

import type { Server } from 'node:http'
import { type ServerType, serve } from '@hono/node-server'
import type { Hono } from 'hono'

/**
 * How long an idle connection stays open, ms. Browsers use one again for up to five minutes; a server that hangs up first
 * loses the request that is on its way, and with it a chunk of the page.
 */
export const keepAlive = 6 * 60_000

/** Serves the application; `ready` is told the port. */
export function listen(
  app: Hono,
  { port, host }: { port: number; host: string },
  ready: (port: number) => void,
): ServerType {
  const server = serve({ fetch: app.fetch, port, hostname: host }, (address) => ready(address.port)) as Server
  server.keepAliveTimeout = keepAlive
  // longer than an idle connection stays, else the next request's headers come too late
  server.headersTimeout = keepAlive + 10_000
  return server
}

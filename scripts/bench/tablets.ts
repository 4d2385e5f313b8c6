import { spawnSync } from 'node:child_process'
import { copyFileSync } from 'node:fs'
import { join } from 'node:path'
import WebSocket from 'ws'
import { freshFolder, startServer, stopServer, throwAway } from '../../e2e/attack'
import { percentile, row } from './clock'

const tablets = 200
/** A person who turns the shafts, reads and types stores a reading about this often, ms. */
const pause = 8000
const lasts = 40_000

interface Stored {
  version: number
  document: { title: string }
}

const wait = (ms: number) => new Promise((go) => setTimeout(go, ms))

/**
 * 200 tablets on one server with a door, each signed in, each listening to what others store, each typing into a job of its own.
 * Everything that was acknowledged is looked for afterwards.
 */
export async function benchTablets(): Promise<string[]> {
  const folder = freshFolder()
  // the made-up plant, as a site's own data
  await stopServer(await startServer(folder, ['--demo']))
  copyFileSync(join(folder, 'demo.db'), join(folder, 'vane-peg.db'))
  const args = ['dist/server/administrator.js', '--data', folder, '--sign-in', 'k.odell', '--name', 'K. Odell']
  const said = spawnSync(process.execPath, args, { encoding: 'utf8' }).stdout
  const code = /one-time code\s+(\S+)/.exec(said)?.[1] ?? ''
  const at = await startServer(folder, ['--door'])
  const send = (path: string, method: string, body: object | undefined, cookie = '') =>
    fetch(`${at.address}/api${path}`, {
      method,
      headers: { Origin: at.address, Cookie: cookie, ...(body ? { 'Content-Type': 'application/json' } : {}) },
      ...(body ? { body: JSON.stringify(body) } : {}),
    })
  const who = { signIn: 'k.odell', password: 'kelp and barnacle' }
  await send('/door/claim', 'POST', { ...who, code })
  const cookies: string[] = []
  for (let i = 0; i < 20; i++) {
    const signedIn = await send('/door/sign-in', 'POST', who)
    cookies.push(
      signedIn.headers
        .getSetCookie()
        .map((one) => one.split(';')[0])
        .join('; '),
    )
  }
  const cookieOf = (i: number) => cookies[i % cookies.length] ?? ''
  const listed = (await (await send('/jobs', 'GET', undefined, cookieOf(0))).json()) as { rows: { id: string }[] }
  const documents = await Promise.all(
    listed.rows
      .slice(0, 12)
      .map(
        async ({ id }) =>
          ((await (await send(`/jobs/${id}`, 'GET', undefined, cookieOf(0))).json()) as Stored).document,
      ),
  )
  const sockets = await Promise.all(
    Array.from({ length: tablets }, async (_, i) => {
      const socket = new WebSocket(`${at.address.replace('http', 'ws')}/api/changes/live`, {
        headers: { Cookie: cookieOf(i), Origin: at.address },
      })
      await new Promise((open, failed) => socket.on('open', open).on('error', failed))
      return socket
    }),
  )
  const times: number[] = []
  let refused = 0
  // begun one after the other, as a shift does
  for (let i = 0; i < tablets; i++) {
    const document = documents[i % documents.length]
    const made = await send('/jobs', 'POST', { id: `tablet-${i}`, lineId: 'line-1', document }, cookieOf(i))
    if (made.status !== 201) throw new Error(`A job was not made: ${made.status}`)
  }
  const until = performance.now() + lasts
  const last = await Promise.all(
    Array.from({ length: tablets }, async (_, i) => {
      const id = `tablet-${i}`
      const document: Stored['document'] = structuredClone(documents[i % documents.length] ?? { title: '' })
      let version = 1
      await wait(Math.random() * pause)
      for (let n = 0; performance.now() < until; n++) {
        document.title = `Typed ${n}`
        const begun = performance.now()
        const answer = await send(`/jobs/${id}`, 'PUT', { version, edit: `edit-${i}-${n}`, document }, cookieOf(i))
        times.push(performance.now() - begun)
        if (answer.status === 200) version = ((await answer.json()) as { version: number }).version
        else refused++
        await wait(pause * (0.5 + Math.random()))
      }
      return { id, version, title: document.title }
    }),
  )
  let lost = 0
  for (const { id, version, title } of last) {
    const now = (await (await send(`/jobs/${id}`, 'GET', undefined, cookieOf(0))).json()) as Stored
    if (now.version !== version || now.document.title !== title) lost++
  }
  for (const socket of sockets) socket.terminate()
  await stopServer(at)
  throwAway(folder)
  return [
    row(`${tablets} tablets, each saves every ${pause / 1000} s: p50`, `${percentile(times, 50).toFixed(1)} ms`),
    row(
      `${tablets} tablets, the same: p99 of ${times.length} saves`,
      `${percentile(times, 99).toFixed(1)} ms`,
      '100 ms',
    ),
    row(`${tablets} tablets: saves refused, jobs that lost one`, `${refused}, ${lost}`, '0, 0'),
  ]
}

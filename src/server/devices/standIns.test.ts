import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { pino } from 'pino'
import * as v from 'valibot'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import WebSocket from 'ws'
import { type DeviceMessage, deviceMessageSchema } from '../../core/device/protocol'
import { hostsFor } from '../guard'
import { attachSockets, type Room } from '../sockets'
import { standIns } from './standIns'

let server: Server
let hangUp: () => void
let address = ''
/** The stand-ins, and how many are at work. */
let atWork = 0
const counted: Room = {
  ...standIns,
  enter: (url, match) => {
    const entered = standIns.enter(url, match)
    if (!entered) return undefined
    return (client, log) => {
      atWork++
      const leave = entered(client, log)
      return () => {
        atWork--
        leave()
      }
    }
  },
}

beforeAll(async () => {
  server = createServer()
  hangUp = attachSockets(server, [counted], {
    hosts: hostsFor('127.0.0.1'),
    log: pino({ level: 'silent' }),
    limits: { beat: 400, buffered: 1 << 16 },
  })
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  address = `ws://127.0.0.1:${(server.address() as AddressInfo).port}/api/devices`
})
afterAll(() => {
  hangUp()
  server.close()
})

/** Listens until enough was said. */
async function listen(socket: WebSocket, enough: (said: DeviceMessage[]) => boolean): Promise<DeviceMessage[]> {
  const said: DeviceMessage[] = []
  return new Promise((done, failed) => {
    socket.on('error', failed)
    socket.on('message', (data) => {
      for (const line of String(data).trim().split('\n')) said.push(v.parse(deviceMessageSchema, JSON.parse(line)))
      if (enough(said)) done(said)
    })
  })
}

const refused = (path: string, options: WebSocket.ClientOptions = {}): Promise<string> =>
  new Promise((done) => {
    new WebSocket(`${address}${path}`, options).on('error', (error) => done(error.message))
  })

describe('a stand-in on the line', () => {
  it('greets, reads, and turns when told', async () => {
    const socket = new WebSocket(`${address}/dials/live?seed=5&rate=50`)
    const said = await listen(socket, (all) => {
      if (all.length === 1) socket.send('{"type":"turn","to":20}\n')
      return all.some((m) => m.type === 'reading' && (m.probes[0]?.angle ?? 0) > 15)
    })
    expect(said[0]).toMatchObject({ type: 'hello', format: 'vane-peg.device', version: 1, device: { simulated: true } })
    socket.close()
  })
  it('hangs its probes elsewhere and says so', async () => {
    const socket = new WebSocket(`${address}/heads/live`)
    const said = await listen(socket, (all) => {
      if (all.length === 1) socket.send('{"type":"hang","probes":[{"id":"left","distance":210}]}')
      return all.filter((m) => m.type === 'hello').length === 2
    })
    const last = said.findLast((m) => m.type === 'hello')
    expect(last?.type === 'hello' && last.hung?.find(({ id }) => id === 'left')?.distance).toBe(210)
    socket.close()
  })
  it('hangs up on what is not of the protocol, and drops the line when told to', async () => {
    const closed = (text: string): Promise<number> =>
      new Promise((done) => {
        const socket = new WebSocket(`${address}/dials/live`)
        socket.on('open', () => socket.send(text))
        socket.on('close', (code) => done(code))
      })
    expect(await closed('not json')).toBe(1007)
    expect(await closed('{"type":"turn","to":"up"}')).toBe(1008)
    expect(await closed('{"type":"trouble","kind":"disconnect"}')).toBe(1006)
  })
  it('is let go of when it does not read, and costs no memory meanwhile', async () => {
    await expect.poll(() => atWork, { timeout: 4000 }).toBe(0)
    const before = process.memoryUsage().heapUsed
    const socket = new WebSocket(`${address}/dials/live?rate=100`)
    await new Promise((open) => socket.on('open', open))
    socket.pause()
    const gone = new Promise((closed) => socket.on('close', closed))
    // it answers no ping either: two beats later it is hung up on
    await expect.poll(() => atWork, { timeout: 8000 }).toBe(0)
    socket.resume()
    await gone
    expect(process.memoryUsage().heapUsed - before).toBeLessThan(64 << 20)
  })
  it('goes on after a rig was told what it cannot do', async () => {
    const closed = (text: string): Promise<number> =>
      new Promise((done) => {
        const socket = new WebSocket(`${address}/dials/live`)
        socket.on('open', () => socket.send(text))
        socket.on('close', (code) => done(code))
      })
    const feet = [
      { id: 'a', distance: 100 },
      { id: 'b', distance: 100 },
    ]
    const stand = { type: 'set', offsetY: 0, slopeY: 0, offsetZ: 0, slopeZ: 0, moves: 'left', feet }
    expect(await closed(JSON.stringify(stand))).toBe(1008)
    expect(await closed('{"type":"turn","to":1e300}')).toBe(1008)
  })
  it('is not there under another name, nor for a page of another site', async () => {
    expect(await refused('/scales/live')).toMatch(/404/)
    expect(await refused('/dials/live', { origin: 'http://elsewhere.example' })).toMatch(/403/)
  })
})

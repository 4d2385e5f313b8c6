import { parentPort, workerData } from 'node:worker_threads'
import '../../core/kinds/all'
import { connect } from '../db/open'
import { archiveOf } from './out'

/** A thread that reads the database by a connection of its own and hands on an archive chunk by chunk, each when it is asked for. */
export interface Packing {
  url: string
  at: string
}
export type Packed = { chunk: Uint8Array<ArrayBuffer> } | { over: true } | { error: string }

const { url, at }: Packing = workerData
const { client, db } = await connect(url, url.startsWith('file:'))
const archive = archiveOf(db, at).getReader()
const say = (packed: Packed, moved: ArrayBuffer[] = []) => parentPort?.postMessage(packed, moved)

parentPort?.on('message', async () => {
  try {
    const { done, value } = await archive.read()
    if (!done) {
      // a piece of another's buffer cannot be given away
      const chunk = new Uint8Array(value)
      return say({ chunk }, [chunk.buffer])
    }
    say({ over: true })
  } catch (error) {
    say({ error: error instanceof Error ? error.message : String(error) })
  }
  client.close()
  parentPort?.close()
})

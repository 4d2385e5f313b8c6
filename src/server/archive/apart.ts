import { Worker } from 'node:worker_threads'
import { OverloadedError } from '../workers/work'
import type { Packed, Packing } from './packer'

/** Archives that are taken at the same time: each reads the whole site. */
const most = 2
let taken = 0

/**
 * An archive that a thread of its own packs: reading, packing and hashing a whole site never keeps another request waiting. No
 * faster than it is taken; ended when nobody takes it any more.
 *
 * @param script the built `packer.ts`
 * @throws OverloadedError while two are being taken
 */
export function archiveApart(script: string, packing: Packing): ReadableStream<Uint8Array> {
  if (taken >= most) throw new OverloadedError(`${most} archives are being taken already. Try again in a moment.`)
  taken++
  const worker = new Worker(script, { workerData: packing, resourceLimits: { maxOldGenerationSizeMb: 512 } })
  const ended = new Promise<void>((end) =>
    worker.once('exit', () => {
      taken--
      end()
    }),
  )
  // the end of the server does not wait for who takes an archive slowly
  worker.unref()
  return new ReadableStream(
    {
      pull: (controller) =>
        new Promise<void>((done, failed) => {
          const over = (act: () => void) => {
            worker.off('message', told)
            worker.off('error', broke)
            act()
          }
          const broke = (error: Error) => over(() => failed(error))
          const told = (packed: Packed) =>
            over(() => {
              if ('error' in packed) return failed(new Error(packed.error))
              if ('chunk' in packed) controller.enqueue(packed.chunk)
              else controller.close()
              done()
            })
          worker.on('message', told)
          worker.on('error', broke)
          worker.postMessage('more')
        }),
      cancel: async () => {
        await worker.terminate()
        await ended
      },
    },
    { highWaterMark: 0 },
  )
}

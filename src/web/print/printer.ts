import type { Remote } from 'comlink'
import { retryOnce } from '../app/retryOnce'
import type { Printer } from './worker'

let kept: Remote<Printer> | undefined

/** The printer of this page: the parts that the server prints with, in a worker, read when it is first needed. */
export async function printer(): Promise<Remote<Printer>> {
  const { wrap } = await retryOnce(() => import('comlink'))
  kept ??= wrap<Printer>(new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }))
  return kept
}

/** The pictures of a record that can be had, by id. */
export async function picturesHere(ids: readonly string[]): Promise<Map<string, Uint8Array>> {
  const found = await Promise.all(
    ids.map(async (id) => {
      try {
        const answer = await fetch(`/api/photographs/${id}`)
        return answer.ok ? [[id, new Uint8Array(await answer.arrayBuffer())] as const] : []
      } catch {
        return []
      }
    }),
  )
  return new Map(found.flat())
}

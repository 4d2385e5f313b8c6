import type { MessagePort } from 'node:worker_threads'
import '../../core/kinds/all'
import '../../words/all'
import { type Heavy, here } from './work'

/** One piece of work: its name, what it takes, and where to say that it is begun. */
export interface Task<K extends keyof Heavy = keyof Heavy> {
  name: K
  given: Parameters<Heavy[K]>
  begun: MessagePort
}

/** Run by a thread of the pool. */
export default function work({ name, given, begun }: Task): Promise<unknown> {
  begun.postMessage(true)
  return (here[name] as (...args: readonly unknown[]) => Promise<unknown>)(...given)
}

import { type Heavy, here } from './work'

/** One piece of work: its name, and what it takes. */
export interface Task<K extends keyof Heavy = keyof Heavy> {
  name: K
  given: Parameters<Heavy[K]>
}

/** Run by a thread of the pool. */
export default function work({ name, given }: Task): Promise<unknown> {
  return (here[name] as (...args: readonly unknown[]) => Promise<unknown>)(...given)
}

import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { MessageChannel } from 'node:worker_threads'
import pLimit from 'p-limit'
import { Piscina } from 'piscina'
import { emptyJobIndex } from '../../core/job/worked'
import { archiveApart } from '../archive/apart'
import { type Heavy, here, OverloadedError } from './work'
import type { Task } from './worker'

const seconds = 1000
/** Surveys and printed pages: threads, how many may wait, and how long one may take once it is begun. */
const slow = { ready: 0, threads: 2, waiting: 12, limit: 20 * seconds }
/** Summaries of jobs, made with every save: a thread is always there for them. */
const quick = { ready: 1, threads: 1, waiting: 200, limit: 4 * seconds }

type Run = <R>(name: Task['name'], given: Task['given']) => Promise<R>

/**
 * Threads that run the default export of `filename`. A thread says when it begins a task; only from then does the
 * time of the task count, so that neither its turn nor a thread that is still loading on a busy machine stops it.
 * The turns are kept here: a thread that was stopped takes its neighbors in the queue of Piscina along.
 */
export function poolOf(
  filename: string,
  { ready, threads, waiting, limit }: typeof slow,
): { run: Run; end(): Promise<void> } {
  const pool = new Piscina({
    filename,
    minThreads: ready,
    maxThreads: threads,
    idleTimeout: 120 * seconds,
    resourceLimits: { maxOldGenerationSizeMb: 768 },
  })
  const turns = pLimit(threads)
  const one: Run = async (name, given) => {
    const [stop, { port1: begins, port2: begun }] = [new AbortController(), new MessageChannel()]
    let timer: ReturnType<typeof setTimeout> | undefined
    begins.once('message', () => {
      timer = setTimeout(() => stop.abort(), limit)
    })
    try {
      return await pool.run({ name, given, begun }, { signal: stop.signal, transferList: [begun] })
    } catch (error) {
      if (!(error instanceof Error)) throw error
      if (error.name === 'AbortError')
        throw new OverloadedError(`Stopped after ${limit / seconds} s. Try a smaller job.`)
      if ('code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY')
        throw new OverloadedError('Too large to calculate. Try a smaller job.')
      throw error
    } finally {
      clearTimeout(timer)
      begins.close()
    }
  }
  return {
    run: async <R>(name: Task['name'], given: Task['given']) => {
      if (turns.pendingCount >= waiting) throw new OverloadedError('The server is busy. Try again in a moment.')
      return turns(() => one<R>(name, given))
    },
    end: () => pool.destroy(),
  }
}

/** A pool that is made when it is first needed. */
function lazyPool(filename: string, size: typeof slow) {
  let pool: ReturnType<typeof poolOf> | undefined
  const made = () => {
    pool ??= poolOf(filename, size)
    return pool
  }
  const run: Run = (name, given) => made().run(name, given)
  return { run, warm: () => void made(), end: async () => pool?.end() }
}

/**
 * Threads for what takes long; where the server was not built there are none, and the work is done here. No thread
 * starts before `warm` or the first work: Node aborts where a process exits while one of its threads is still loading,
 * and a server that cannot start has to end with its reason.
 */
export function heavyPool(): Heavy & { warm(): void; end(): Promise<void> } {
  const filename = resolve('dist/server/worker.js')
  if (!existsSync(filename)) return { ...here, warm: () => undefined, end: async () => undefined }
  const [long, short] = [lazyPool(filename, slow), lazyPool(filename, quick)]
  return {
    solve: (...given) => long.run('solve', given),
    // a document that its schema takes is never refused for want of what is worked out of it
    worked: (job) => short.run<Awaited<ReturnType<Heavy['worked']>>>('worked', [job]).catch(() => emptyJobIndex(job)),
    report: (...given) => long.run('report', given),
    sign: (...given) => long.run('sign', given),
    record: (...given) => long.run('record', given),
    draft: (...given) => long.run('draft', given),
    books: (...given) => long.run('books', given),
    tags: (...given) => long.run('tags', given),
    sheet: (...given) => long.run('sheet', given),
    moveSheet: (...given) => long.run('moveSheet', given),
    archive: ({ url }, at) => archiveApart(resolve('dist/server/packer.js'), { url, at }),
    warm: short.warm,
    end: async () => void (await Promise.all([long.end(), short.end()])),
  }
}

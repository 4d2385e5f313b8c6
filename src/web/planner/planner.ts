import { proxy, type Remote, wrap } from 'comlink'
import type { Least, LeastPlane } from '../../core/least/least'
import type { PlaneProblem } from '../../core/least/problem'
import type { Plane } from '../../core/quantity/axis'
import type { PlannerWorker } from './worker'

/** Under this name the browser's profiler keeps how long each plan took, from the question to the answer. */
export const leastMeasure = 'vane-peg:least'

/** A question that has been at work this long when another is asked is given up, ms. */
const patience = 2500

const pause = (ms: number) => new Promise<false>((done) => setTimeout(() => done(false), ms))

/**
 * The planner of least moves in a worker: the page goes on while it works. Cancelling ends the worker, as a solver in the middle
 * of a program hears nothing; the next question then starts a new one. One plane after the other: two at once would take the
 * page its own core where there are only two.
 */
export class Planner {
  private worker: { worker: Worker; remote: Remote<PlannerWorker> } | undefined
  private giveUp: (() => void) | undefined
  private running: Promise<Least | undefined> | undefined
  private asked = 0

  /**
   * Asked anew while it works, it finishes what it has begun and leaves out what was asked between: ending a worker costs a
   * new solver, which takes longer than most plans.
   *
   * @returns undefined where it was canceled, or asked anew, before it was found
   */
  async least(problems: Record<Plane, PlaneProblem>, onProgress: (done: number) => void): Promise<Least | undefined> {
    const mine = ++this.asked
    while (this.running) {
      const waited = await Promise.race([this.running.then(() => true), pause(patience)])
      if (mine !== this.asked) return undefined
      if (!waited) this.cancel()
    }
    const canceled = new Promise<undefined>((resolve) => {
      this.giveUp = () => resolve(undefined)
    })
    const done: Record<Plane, number> = { vertical: 0, horizontal: 0 }
    const ask = (plane: Plane): Promise<LeastPlane> =>
      this.remote().least(
        problems[plane],
        proxy((count: number) => {
          done[plane] = count
          onProgress(done.vertical + done.horizontal)
        }),
      )
    const found = Promise.all([ask('vertical'), ask('horizontal')]).then(
      ([vertical, horizontal]): Least => ({ vertical, horizontal }),
    )
    const start = performance.now()
    const running = Promise.race([found, canceled])
    this.running = running
    try {
      const least = await running
      // seen in the browser's own profiler, and by the benchmark
      if (least) performance.measure(leastMeasure, { start })
      return least
    } finally {
      if (this.running === running) this.running = undefined
    }
  }

  cancel(): void {
    this.running = undefined
    this.worker?.worker.terminate()
    this.worker = undefined
    const giveUp = this.giveUp
    this.giveUp = undefined
    giveUp?.()
  }

  private remote(): Remote<PlannerWorker> {
    if (this.worker) return this.worker.remote
    const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
    this.worker = { worker, remote: wrap<PlannerWorker>(worker) }
    return this.worker.remote
  }
}

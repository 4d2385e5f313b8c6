import { proxy, type Remote, wrap } from 'comlink'
import { type Plane, planes } from '../../core/frame/axis'
import type { Least, LeastPlane } from '../../core/moves/least'
import type { PlaneProblem } from '../../core/moves/planeProblem'
import type { PlannerWorker } from './worker'

/** Under this name the browser's profiler keeps how long each plan took, from the question to the answer. */
export const leastMeasure = 'vane-peg:least'

/** A question that has been at work this long when another is asked is given up, ms. */
const patience = 2500

const pause = (ms: number) => new Promise<false>((done) => setTimeout(() => done(false), ms))

/**
 * The planner of least moves, a worker a plane: the page goes on while they work. Cancelling ends the workers, as a solver in
 * the middle of a program hears nothing; the next question then starts new ones.
 */
export class Planner {
  private workers = new Map<Plane, { worker: Worker; remote: Remote<PlannerWorker> }>()
  private giveUp: (() => void) | undefined
  private running: Promise<Least | undefined> | undefined
  private asked = 0

  /** Loads the solvers ahead of the first question. */
  warm(): void {
    for (const plane of planes) void this.of(plane).warm()
  }

  /**
   * Asked anew while it works, it finishes what it has begun and leaves out what was asked between: ending a worker costs a
   * new solver, which takes longer than most plans.
   *
   * @returns undefined where it was cancelled, or asked anew, before it was found
   */
  async least(problems: Record<Plane, PlaneProblem>, onProgress: (done: number) => void): Promise<Least | undefined> {
    const mine = ++this.asked
    while (this.running) {
      const waited = await Promise.race([this.running.then(() => true), pause(patience)])
      if (mine !== this.asked) return undefined
      if (!waited) this.cancel()
    }
    const cancelled = new Promise<undefined>((resolve) => {
      this.giveUp = () => resolve(undefined)
    })
    const done: Record<Plane, number> = { vertical: 0, horizontal: 0 }
    const ask = (plane: Plane): Promise<LeastPlane> =>
      this.of(plane).least(
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
    const running = Promise.race([found, cancelled])
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
    for (const { worker } of this.workers.values()) worker.terminate()
    this.workers.clear()
    const giveUp = this.giveUp
    this.giveUp = undefined
    giveUp?.()
  }

  private of(plane: Plane): Remote<PlannerWorker> {
    const known = this.workers.get(plane)
    if (known) return known.remote
    const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
    const remote = wrap<PlannerWorker>(worker)
    this.workers.set(plane, { worker, remote })
    return remote
  }
}

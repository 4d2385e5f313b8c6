import { proxy, type Remote, wrap } from 'comlink'
import { type Plane, planes } from '../../core/frame/axis'
import type { Least, LeastPlane } from '../../core/moves/least'
import type { PlaneProblem } from '../../core/moves/planeProblem'
import type { PlannerWorker } from './worker'

/**
 * The planner of least moves, a worker a plane: the page goes on while they work. Cancelling ends the workers, as a solver in
 * the middle of a program hears nothing; the next question starts new ones.
 */
export class Planner {
  private workers = new Map<Plane, { worker: Worker; remote: Remote<PlannerWorker> }>()
  private giveUp: (() => void) | undefined

  /** Loads the solvers ahead of the first question. */
  warm(): void {
    for (const plane of planes) void this.of(plane).warm()
  }

  /** @returns undefined where it was cancelled, or asked anew, before it was found */
  async least(problems: Record<Plane, PlaneProblem>, onProgress: (done: number) => void): Promise<Least | undefined> {
    if (this.giveUp) this.cancel()
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
    const least = await Promise.race([found, cancelled])
    if (least) this.giveUp = undefined
    return least
  }

  cancel(): void {
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

import { proxy, wrap } from 'comlink'
import type { Drawn, DrawProblem } from '../../core/prove/draws'
import type { DrawWorker } from './worker'

/** Under this name the browser's profiler keeps how long the draws took. */
export const drawsMeasure = 'vane-peg:draws'

/** Draws in a worker, which goes away when it is done or given up: the page goes on meanwhile. */
export function drawInWorker(
  problem: DrawProblem,
  draws: number,
  onDrawn: (draws: number) => void,
): { drawn: Promise<Drawn>; cancel: () => void } {
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
  const remote = wrap<DrawWorker>(worker)
  const start = performance.now()
  const drawn = remote.draw(problem, draws, 1, proxy(onDrawn)).then((found) => {
    performance.measure(drawsMeasure, { start })
    worker.terminate()
    return found
  })
  return { drawn, cancel: () => worker.terminate() }
}

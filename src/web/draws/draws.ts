import { proxy, type Remote, wrap } from 'comlink'
import type { Drawn, DrawProblem } from '../../core/prove/draws'
import type { DrawWorker } from './worker'

/** Under this name the browser's profiler keeps how long the draws took. */
export const drawsMeasure = 'vane-peg:draws'

/** Begun with the first draws and kept for the next; one that is given up is ended, as it hears nothing while it draws. */
let kept: { worker: Worker; remote: Remote<DrawWorker> } | undefined

function drawer(): NonNullable<typeof kept> {
  if (!kept) {
    const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
    kept = { worker, remote: wrap<DrawWorker>(worker) }
  }
  return kept
}

/** Draws in a worker: the page goes on meanwhile. */
export function drawInWorker(
  problem: DrawProblem,
  draws: number,
  onDrawn: (draws: number) => void,
): { drawn: Promise<Drawn>; cancel: () => void } {
  const { worker, remote } = drawer()
  let done = false
  const start = performance.now()
  const drawn = remote.draw(problem, draws, 1, proxy(onDrawn)).then((found) => {
    done = true
    performance.measure(drawsMeasure, { start })
    return found
  })
  return {
    drawn,
    cancel: () => {
      if (done) return
      worker.terminate()
      if (kept?.worker === worker) kept = undefined
    },
  }
}

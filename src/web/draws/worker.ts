import { expose } from 'comlink'
import { type Drawn, type DrawProblem, drawMany } from '../../core/prove/draws'

const drawer = {
  /** Draws a coupling so many times; tells from time to time how many that makes. */
  async draw(problem: DrawProblem, draws: number, seed: number, onDrawn: (draws: number) => void): Promise<Drawn> {
    const steps = drawMany(problem, draws, seed)
    for (;;) {
      const step = steps.next()
      if (step.done) return step.value
      onDrawn(step.value.draws)
    }
  },
}

export type DrawWorker = typeof drawer

expose(drawer)

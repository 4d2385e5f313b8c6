import { expose } from 'comlink'
import wasm from 'highs/runtime?url'
import { type LeastPlane, leastInPlane } from '../../core/least/least'
import type { PlaneProblem } from '../../core/least/problem'
import { solverLiesAt, theSolver } from '../../planner/highs'

solverLiesAt(wasm)

const planner = {
  /** The least moves of one plane; tells after every program that is solved how many that makes. */
  async least(problem: PlaneProblem, onProgram: (done: number) => void): Promise<LeastPlane> {
    const solve = await theSolver()
    let done = 0
    return leastInPlane(problem, (program) => {
      const found = solve(program)
      onProgram(++done)
      return found
    })
  },
}

export type PlannerWorker = typeof planner

expose(planner)

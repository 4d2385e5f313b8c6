import { expose } from 'comlink'
import wasm from 'highs/runtime?url'
import { type LeastPlane, leastInPlane } from '../../core/least/least'
import type { PlaneProblem } from '../../core/least/problem'
import type { SolveProgram } from '../../core/least/program'
import { loadSolver } from '../../planner/highs'

let solver: Promise<SolveProgram> | undefined

const planner = {
  /** The least moves of one plane; tells after every program that is solved how many that makes. */
  async least(problem: PlaneProblem, onProgram: (done: number) => void): Promise<LeastPlane> {
    solver ??= loadSolver(wasm)
    const solve = await solver
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

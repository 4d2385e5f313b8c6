import { expose } from 'comlink'
import wasm from 'highs/runtime?url'
import { type LeastPlane, leastInPlane } from '../../core/least/least'
import type { PlaneProblem } from '../../core/least/problem'
import type { SolveProgram } from '../../core/least/program'
import { NotLinear, solveLinear } from '../../core/least/simplex'
import { solverLiesAt, theSolver } from '../../planner/highs'

solverLiesAt(wasm)

const planner = {
  /** The least moves of one plane; tells after every program that is solved how many that makes. */
  async least(problem: PlaneProblem, onProgram: (done: number) => void): Promise<LeastPlane> {
    let done = 0
    const counted =
      (solve: SolveProgram): SolveProgram =>
      (program) => {
        const found = solve(program)
        onProgram(++done)
        return found
      }
    // the solver of whole numbers is 3.5 MB: it comes only for a train that is too long to try everything
    try {
      return leastInPlane(problem, counted(solveLinear))
    } catch (error) {
      if (!(error instanceof NotLinear)) throw error
      return leastInPlane(problem, counted(await theSolver()))
    }
  },
}

export type PlannerWorker = typeof planner

expose(planner)

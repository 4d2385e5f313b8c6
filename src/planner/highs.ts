import load, { type Highs, type ModelData } from 'highs'
import type { Program, SolveProgram } from '../core/least/program'

/**
 * The HiGHS solver as a `SolveProgram`. Loading its 3.5 MB of WebAssembly takes a moment; each solve after that is plain
 * synchronous work, so a page asks for it in a worker only.
 *
 * @param wasm where a browser finds the WebAssembly; Node finds it beside the package
 */
export async function loadSolver(wasm?: string): Promise<SolveProgram> {
  const highs = await load(wasm === undefined ? {} : { locateFile: () => wasm })
  return (program) => solve(highs, program)
}

let solver: Promise<SolveProgram> | undefined
let place: string | undefined

/** Says where a browser finds the solver's WebAssembly; before it is first asked for. */
export function solverLiesAt(wasm: string): void {
  place = wasm
}

/** The solver, loaded when it is first asked for. */
export function theSolver(): Promise<SolveProgram> {
  solver ??= loadSolver(place)
  return solver
}

/** No program of a train takes this long; one that does is given up, s. */
const mostSeconds = 20

/** The solver came to no answer, neither a plan nor that there is none. */
export class PlannerFault extends Error {}

/** Programs of a train are small: what a solver does ahead of branching costs more here than it saves. */
const small = {
  mip_heuristic_run_feasibility_jump: false,
  mip_heuristic_run_rins: false,
  mip_heuristic_run_rens: false,
  mip_heuristic_run_root_reduced_cost: false,
  mip_heuristic_effort: 0,
  mip_detect_symmetry: false,
  mip_pscost_minreliable: 0,
  mip_allow_restart: false,
  mip_pool_soft_limit: 10,
  mip_root_presolve_only: true,
  mip_allow_cut_separation_at_nodes: false,
}

function solve(highs: Highs, { columns, rows }: Program): readonly number[] | null {
  const starts = [0]
  const indices: number[] = []
  const values: number[] = []
  for (const { terms } of rows) {
    // a row may name a column twice: its factors add up
    const factors = new Map<number, number>()
    for (const [column, factor] of terms) factors.set(column, (factors.get(column) ?? 0) + factor)
    for (const [column, factor] of factors)
      if (factor !== 0) {
        indices.push(column)
        values.push(factor)
      }
    starts.push(indices.length)
  }
  const { continuous, integer } = highs.constants.variableType
  const bound = (value: number) => (Number.isFinite(value) ? value : Math.sign(value) * highs.infinity)
  const model: ModelData = {
    sense: highs.constants.objectiveSense.minimize,
    numCols: columns.length,
    numRows: rows.length,
    colCost: columns.map(({ cost }) => cost),
    colLower: columns.map(({ low }) => bound(low)),
    colUpper: columns.map(({ high }) => bound(high)),
    rowLower: rows.map(({ low }) => bound(low)),
    rowUpper: rows.map(({ high }) => bound(high)),
    matrix: { format: 'csr', numRows: rows.length, numCols: columns.length, starts, indices, values },
    integrality: columns.map(({ whole }) => (whole ? integer : continuous)),
  }
  return highs.withModel(model, (run) => {
    const { optimal, infeasible, unboundedOrInfeasible } = highs.constants.modelStatus
    run.options.set({
      output_flag: false,
      // simplifying ahead of solving now and then calls infeasible what is not, or stops short of the best; it saves nothing here
      presolve: 'off',
      ...small,
      time_limit: mostSeconds,
      // positions are in hundredths of a millimeter: what is called zero is far below what anybody can measure
      mip_feasibility_tolerance: 1e-9,
      primal_feasibility_tolerance: 1e-9,
      mip_rel_gap: 0,
      mip_abs_gap: 1e-9,
    })
    run.run()
    const status = run.getModelStatus()
    if (status === optimal) return Array.from(run.getSolution().colValue)
    if (status === infeasible || status === unboundedOrInfeasible) return null
    if (status === highs.constants.modelStatus.timeLimit)
      throw new PlannerFault(`found no plan within ${mostSeconds} s`)
    throw new PlannerFault(`stopped with status ${status}`)
  })
}

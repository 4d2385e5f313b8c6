import { expose } from 'comlink'
import wasm from 'highs/runtime?url'
import { type ForWeb, forWeb } from '../../../core/kinds/rolls/plan/forWeb'
import type { RollOrientation } from '../../../core/kinds/rolls/solve/plans'
import type { Section } from '../../../core/kinds/rolls/solve/section'
import { solverLiesAt, theSolver } from '../../../planner/highs'

solverLiesAt(wasm)

const planner = {
  /** The fewest rolls moved so that the web is content; null where the housings allow none. */
  forWeb: async (section: Section, lies: readonly RollOrientation[]): Promise<ForWeb | null> =>
    forWeb(section, lies, await theSolver()),
}

export type RollsPlanner = typeof planner

expose(planner)

import type { planes } from '../../../quantity/axis'
import type { VerdictState } from '../../../verdict/state'
import { shaftEnds } from '../document/ends'
import type { Line } from '../document/schema'
import { positionAt } from '../solve/positions'
import type { JobSolution } from '../solve/round'
import { doubted } from './doubt'
import { type NextAct, nextAct } from './next'

/** What a list shows of a train without solving it again. Lengths in mm. */
export interface TrainListed {
  next: NextAct
  /** Names of the sides, for telling an angle. */
  sides: { near: string; far: string }
  /** Shafts for a miniature drawing: per plane each machine's axis at its two ends; null where unknown. */
  shafts: { x: [number, number]; vertical: [number, number] | null; horizontal: [number, number] | null }[]
  couplings: number[]
}

export const listed = (line: Line, solved: JobSolution): TrainListed => ({
  next: nextAct(line, solved),
  sides: line.sides,
  shafts: shaftsOf(solved),
  couplings: solved.train.couplings.map(({ x }) => x),
})

export const fallbackSummary = ({ sides }: Line): TrainListed => ({
  next: { kind: 'unsolved' },
  sides,
  shafts: [],
  couplings: [],
})

/** How far the reading has come: nothing, begun or complete, and whether it can be believed. */
export function readPeg(solved: JobSolution): VerdictState {
  if (solved.dials.every((dial) => dial.readings.length === 0 && !dial.sweep && dial.faults.length === 0))
    return 'nothing'
  if (solved.dials.some((dial) => dial.faults.length > 0)) return 'outside'
  const { couplings } = solved.solution
  // read coupled up or without a sag it is no wrong reading
  const wrong = ({ id, doubts }: (typeof couplings)[number]) =>
    doubted(solved, id) && !(doubts.length > 0 && doubts.every((doubt) => doubt === 'engaged' || doubt === 'no-sag'))
  if (couplings.some(wrong)) return 'outside'
  const whole = couplings.every(({ result, doubts }) => result.ok && !doubts.includes('no-sag'))
  return whole ? 'within' : 'unsure'
}

/** The worst verdict among the couplings; nothing while one cannot be judged. */
export function worst(solved: JobSolution): VerdictState {
  const states = solved.solution.couplings.map(
    ({ id, verdict }): VerdictState => (verdict ? (doubted(solved, id) ? 'unsure' : verdict.state) : 'nothing'),
  )
  for (const state of ['outside', 'nothing', 'unsure'] as const) if (states.includes(state)) return state
  return 'within'
}

function shaftsOf(solved: JobSolution): TrainListed['shafts'] {
  return solved.train.machines.map((_, m) => {
    const [from, to] = shaftEnds(solved.train, m)
    const inPlane = (plane: (typeof planes)[number]): [number, number] | null => {
      const links = solved.solution.chains[plane][m]
      return links ? [positionAt(links, from).value, positionAt(links, to).value] : null
    }
    return { x: [from, to], vertical: inPlane('vertical'), horizontal: inPlane('horizontal') }
  })
}

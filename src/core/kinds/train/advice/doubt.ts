import type { CouplingSolution } from '../../../shafts/judged'
import type { ProbeState } from '../../../shafts/state'
import { isCoupled } from '../../../shafts/typed'
import type { JobSolution } from '../solve/round'

/** Whether a dial was read all round and does not close. */
export const opens = ({ closure, closureLimit }: ProbeState): boolean =>
  closure !== null && Math.abs(closure) > closureLimit + 1e-9

/** A dial of a set that is to plan a move and does not close. */
const leavesOpen = (dial: ProbeState): boolean => opens(dial) && !isCoupled(dial.set)

/**
 * A coupling whose dials do not close, whose readings contradict each other, or that was only read coupled up: its verdict is
 * "can't tell", whatever the numbers say.
 */
export function doubted(solved: JobSolution, coupling: string): boolean {
  const found = solved.solution.couplings.find(({ id }) => id === coupling)
  return (
    (found?.doubts.length ?? 0) > 0 || solved.dials.some((dial) => dial.set.coupling === coupling && leavesOpen(dial))
  )
}

/** Whether moves that hang on a coupling are in doubt: as its verdict, but for what somebody has confirmed on record. */
export function movesDoubted(solved: JobSolution, coupling: string): boolean {
  const found = solved.solution.couplings.find(({ id }) => id === coupling)
  const confirmed = found?.result.ok === true && found.doubts.every((doubt) => doubt === 'engaged')
  const open = solved.dials.some((dial) => dial.set.coupling === coupling && leavesOpen(dial))
  return open || (doubted(solved, coupling) && !confirmed)
}

/** Whether every coupling is within, and none in doubt: then nothing is to be moved. */
export const allWithin = (solved: JobSolution): boolean =>
  solved.solution.couplings.length > 0 &&
  solved.solution.couplings.every(({ id, verdict }) => verdict?.state === 'within' && !doubted(solved, id))

/** Whether any coupling between the fixed machine and this one is in doubt. */
export function machineDoubted(solved: JobSolution, machine: string): boolean {
  const m = solved.train.machines.findIndex(({ id }) => id === machine)
  return between(solved, m).some(({ id }) => movesDoubted(solved, id))
}

/** The couplings between the fixed machine and another. */
export function between(solved: JobSolution, machine: number): CouplingSolution[] {
  const { fixed, couplings } = solved.train
  return couplings.flatMap(({ left }, c) => {
    const found = solved.solution.couplings[c]
    return found && left >= Math.min(machine, fixed) && left < Math.max(machine, fixed) ? [found] : []
  })
}

import type { ProofJoint, ProofRound } from '../../../prove/proof'
import { planes } from '../../../quantity/axis'
import { repeatSet, withPurpose } from '../../../shafts/make'
import type { Purpose } from '../../../shafts/together'
import { readingsIn, readsRunning, runningMethods, setPurpose } from '../../../shafts/typed'
import { gradeOf } from '../../../verdict/typed'
import { makeSet } from '../document/make'
import type { Line, Round } from '../document/schema'
import { movesDone } from '../plan/outcome'
import { positionsAfter } from '../solve/after'
import type { JobSolution } from '../solve/round'
import { growthAcross } from '../solve/solve'

/** A round of a train, to be proved: its couplings, and its feet against the fixed machine. */
export function proofOf(line: Line, solved: JobSolution): ProofRound {
  const { train, solution, resolution } = solved
  const joints = train.couplings.flatMap((coupling, c): ProofJoint[] => {
    const found = solution.couplings[c]
    if (!found) return []
    const beside = [train.machines[coupling.left], train.machines[coupling.left + 1]]
    const feet = beside.flatMap((machine) => machine?.feet ?? [])
    return [
      {
        id: coupling.id,
        joint: coupling,
        allowed: { rpm: train.rpm, tolerance: train.tolerance, table: train.table },
        grade: gradeOf(line),
        growth: growthAcross(train, coupling),
        growthGiven: feet.every(({ growth }) => growth?.vertical !== undefined),
        sets: coupling.sets,
        sources: (solved.sources[c] ?? []).map(({ set, dials }) => ({ set, probes: dials })),
        solution: found,
        stations: feet.map(({ id, x }) => ({ id, x })),
      },
    ]
  })
  const done = movesDone(solved.round)
  return {
    joints,
    resolution,
    read: readingsIn(solved.round.sets) > 0,
    reference: line.fixed,
    places: solution.feet.map(({ machine, foot, x, ...at }) => {
      const [vertical, horizontal] = planes.map((plane) => {
        const found = at[plane]
        return found && { position: found.position, sd: found.moveSd }
      })
      return { id: foot, machine, x, vertical: vertical ?? null, horizontal: horizontal ?? null }
    }),
    move: done && {
      done,
      expected: new Map(
        positionsAfter(train, solution, done).map(({ foot, vertical, horizontal }) => [
          foot,
          { ...(vertical === null ? {} : { vertical }), ...(horizontal === null ? {} : { horizontal }) },
        ]),
      ),
    },
  }
}

/**
 * The round with a set more at each coupling for another purpose: set up as the last one there was to plan a move.
 *
 * @param newId makes an id that no other set has
 */
export function withProofSets(line: Line, round: Round, purpose: Purpose, newId: () => string): Round {
  const added = line.couplings.map(({ id }) => {
    const last = round.sets.findLast((set) => set.coupling === id && setPurpose(set) === 'plan')
    const own = newId()
    const unit = line.couplings[0]?.diameter.unit ?? 'mm'
    const [heads] = runningMethods
    const made =
      last && (purpose !== 'running' || readsRunning(last))
        ? repeatSet(last, own)
        : makeSet(line, id, own, unit, ...(purpose === 'running' && heads ? [heads] : []))
    return withPurpose(made, purpose)
  })
  return { ...round, sets: [...round.sets, ...added] }
}

/** The round with a repeat at each coupling by another method: what one of them hides, the other shows. */
export function withOtherMethod(line: Line, round: Round, newId: () => string): Round {
  const added = line.couplings.map(({ id }) => {
    const last = round.sets.findLast((set) => set.coupling === id && setPurpose(set) === 'plan')
    const method = last?.method === 'reverse-dial' ? 'rim-face' : 'reverse-dial'
    return withPurpose(makeSet(line, id, newId(), line.couplings[0]?.diameter.unit ?? 'mm', method), 'repeat')
  })
  return { ...round, sets: [...round.sets, ...added] }
}

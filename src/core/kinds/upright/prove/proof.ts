import { moveOf } from '../../../job/done'
import type { ProofPlace, ProofRound } from '../../../prove/proof'
import type { Plane } from '../../../quantity/axis'
import { straight } from '../../../quantity/axis'
import { unitOf } from '../../../quantity/quantity'
import { repeatSet, withPurpose } from '../../../shafts/make'
import type { Purpose } from '../../../shafts/together'
import { readingsIn, readsRunning, setPurpose } from '../../../shafts/typed'
import { allowedOf, gradeOf } from '../../../verdict/typed'
import { makeSet } from '../document/make'
import type { UprightLine, UprightRound } from '../document/schema'
import { sizeMm, type UprightSolved } from '../solve/round'

/** A round of an upright pair, to be proved: its coupling, and where the upper shaft stands there and at the joint. */
export function proofOf(line: UprightLine, solved: UprightSolved): ProofRound {
  const { coupling, sets, sources, flange, resolution } = solved
  const joint = { x: 0, diameter: sizeMm(line.coupling.diameter) }
  const upper = line.machines[1].id
  const heights = [{ id: line.coupling.id, x: 0 }, ...(flange ? [{ id: 'flange', x: flange.height }] : [])]
  const fit = coupling.result.ok ? coupling.result.fit : undefined
  const at = (x: number, plane: Plane) => {
    if (!fit?.measured.includes(plane)) return null
    const { misalignment: m, covariance: c } = fit
    const i = plane === 'horizontal' ? 0 : 2
    const [offset, slope] = plane === 'horizontal' ? [m.offsetY, m.slopeY] : [m.offsetZ, m.slopeZ]
    const variance = (c[i]?.[i] ?? 0) + 2 * x * (c[i]?.[i + 1] ?? 0) + x * x * (c[i + 1]?.[i + 1] ?? 0)
    return { position: offset + slope * x, sd: Math.sqrt(Math.max(0, variance)) }
  }
  const allowed = allowedOf(line)
  return {
    joints: [
      {
        id: line.coupling.id,
        joint,
        allowed,
        grade: gradeOf(line),
        growth: { vertical: straight, horizontal: straight },
        // both machines grow along the shaft: nothing crosses it
        growthGiven: true,
        sets,
        sources,
        solution: coupling,
        stations: heights,
      },
    ],
    resolution,
    read: readingsIn(solved.round.sets) > 0,
    reference: line.machines[0].id,
    places: heights.map(
      ({ id, x }): ProofPlace => ({
        id,
        machine: upper,
        x,
        vertical: at(x, 'vertical'),
        horizontal: at(x, 'horizontal'),
      }),
    ),
    move: moveOf(solved.round.done),
  }
}

/** The round with one set more for another purpose, set up as the last one there was to plan a move. */
export function withProofSets(
  line: UprightLine,
  round: UprightRound,
  purpose: Purpose,
  newId: () => string,
): UprightRound {
  const last = lastPlanned(round)
  const id = newId()
  // a dial on a machine that runs reads nothing: heads take its place
  const made =
    last && (purpose !== 'running' || readsRunning(last))
      ? repeatSet(last, id)
      : makeSet(line, id, unitOf(line.coupling.diameter), purpose === 'running' ? 'twin-heads' : 'reverse-dial')
  return { ...round, sets: [...round.sets, withPurpose(made, purpose)] }
}

const lastPlanned = ({ sets }: UprightRound) => sets.findLast((set) => setPurpose(set) === 'plan')

/** The round with a repeat by another method: what one of them hides, the other shows. */
export function withOtherMethod(line: UprightLine, round: UprightRound, newId: () => string): UprightRound {
  const method = lastPlanned(round)?.method === 'reverse-dial' ? 'rim-face' : 'reverse-dial'
  const made = makeSet(line, newId(), unitOf(line.coupling.diameter), method)
  return { ...round, sets: [...round.sets, withPurpose(made, 'repeat')] }
}

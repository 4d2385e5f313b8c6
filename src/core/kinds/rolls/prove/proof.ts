import { moveOf } from '../../../job/done'
import type { ProofRound } from '../../../prove/proof'
import type { Purpose } from '../../../shafts/together'
import type { RollsLine, RollsRound } from '../document/schema'
import type { RollsSolved } from '../solve/round'
import { type Estimate, spanState } from '../solve/section'

/** A round of a section of rolls, to be proved: each span by what it bends in its plane, each roll over its face. */
export function proofOf(
  line: RollsLine,
  { rolls, spans, width = 0, read, resolution, round }: RollsSolved,
): ProofRound {
  const over = (told: Estimate | null | undefined) =>
    told ? { position: told.value * width, sd: told.sd * width } : null
  return {
    joints: [],
    own: {
      complete: spans.length === rolls.length - 1 && spans.every(({ inPlane }) => inPlane !== null),
      judged: spans.map(({ to, inPlane, limit, ...told }) => ({
        id: to,
        state: inPlane === null ? 'nothing' : spanState(told),
        repeats: undefined,
        share: inPlane === null ? undefined : Math.abs(inPlane.value) / limit,
      })),
    },
    methods: ['rolls'],
    places: rolls.map(({ roll, solved }, i) => ({
      id: roll.id,
      machine: roll.id,
      x: i,
      vertical: over(solved?.level),
      horizontal: over(solved?.square),
    })),
    reference: line.reference,
    resolution,
    read,
    move: moveOf(round.done),
  }
}

/** A section is read again as a round of its own. */
export const withProofSets = (_line: RollsLine, round: RollsRound, _purpose: Purpose): RollsRound => round

import { moveOf } from '../../../job/done'
import type { ProofRound } from '../../../prove/proof'
import type { Purpose } from '../../../shafts/together'
import { emptied } from '../document/make'
import type { BoreLine, BoreRound } from '../document/schema'
import type { BoreSolved } from '../solve/round'

/** A round of a row of bores, to be proved: each section by how far it stands from the line. */
export function proofOf(_line: BoreLine, { sections, limit, read, resolution, round }: BoreSolved): ProofRound {
  return {
    joints: [],
    own: {
      complete: sections.every(({ state }) => state !== 'nothing'),
      judged: sections.map(({ section, state, standing, repeats }) => ({
        id: section.id,
        state,
        repeats,
        share:
          standing?.vertical && standing.horizontal
            ? Math.hypot(standing.vertical.value, standing.horizontal.value) / limit
            : undefined,
      })),
    },
    methods: ['bore-row'],
    places: sections.map(({ section, x, standing }) => {
      const told = (plane: 'vertical' | 'horizontal') => {
        const one = standing?.[plane]
        return one ? { position: one.value, sd: one.sd } : null
      }
      return {
        id: section.id,
        machine: section.id,
        x: x ?? 0,
        vertical: told('vertical'),
        horizontal: told('horizontal'),
      }
    }),
    reference: '',
    resolution,
    read,
    move: moveOf(round.done, { toPlaces: true }),
  }
}

/** The round with every section read once more, set up as before. */
export function withProofSets(_line: BoreLine, round: BoreRound, _purpose: Purpose, newId: () => string): BoreRound {
  const plans = round.sets.filter(({ purpose }) => purpose === 'plan')
  return {
    ...round,
    sets: [...round.sets, ...plans.map((set) => ({ ...emptied(set, newId()), purpose: 'repeat' as const }))],
  }
}

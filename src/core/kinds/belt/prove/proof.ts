import { moveOf } from '../../../job/done'
import type { ProofRound } from '../../../prove/proof'
import type { Purpose } from '../../../shafts/together'
import { emptied } from '../document/make'
import type { BeltLine, BeltRound } from '../document/schema'
import type { BeltSolved, SheaveRound } from '../solve/round'

/** Share of its limit that the worst of a sheave's three numbers uses. */
function shareOf({ solved }: SheaveRound, limit: number, offsetLimit: number | undefined): number | undefined {
  const { atReference, atMoved, twist } = solved?.belt ?? {}
  if (!atReference || !atMoved || !twist) return undefined
  const felt = Math.max(...[atReference, atMoved, twist].map(({ value }) => Math.abs(value))) / limit
  return offsetLimit && solved?.offset ? Math.max(felt, Math.abs(solved.offset.value) / offsetLimit) : felt
}

/** A round of a belt drive, to be proved: each moved sheave by what the belt feels, and how far its grooves stand off. */
export function proofOf(line: BeltLine, solved: BeltSolved): ProofRound {
  const { sheaves, limit, offsetLimit, read, resolution, round } = solved
  return {
    joints: [],
    own: {
      complete: sheaves.every(({ solved: found }) => found !== undefined && found.probability !== null),
      judged: sheaves.map((one) => ({
        id: one.sheave.id,
        state: one.state,
        repeats: one.repeats,
        share: shareOf(one, limit, offsetLimit),
      })),
    },
    methods: [...new Set(round.sets.map(({ method }) => `belt-${method}`))],
    places: sheaves.map(({ sheave, solved: found }) => ({
      id: sheave.id,
      machine: sheave.id,
      x: 0,
      vertical: null,
      horizontal: found?.offset ? { position: found.offset.value, sd: found.offset.sd } : null,
    })),
    reference: line.sheaves[0]?.id ?? '',
    resolution,
    read,
    move: moveOf(round.done),
  }
}

/** The round with every sheave read once more, set up as before. */
export function withProofSets(_line: BeltLine, round: BeltRound, _purpose: Purpose, newId: () => string): BeltRound {
  const plans = round.sets.filter(({ purpose }) => purpose === 'plan')
  return {
    ...round,
    sets: [...round.sets, ...plans.map((set) => ({ ...emptied(set, newId()), purpose: 'repeat' as const }))],
  }
}

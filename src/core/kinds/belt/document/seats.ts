import { quantityMm } from '../../../quantity/quantity'
import { type SeatMachine, usualSpread } from '../../../seat/state'
import type { BeltLine } from './schema'

/** The machines of a belt drive that stand on feet, two a station: near and far. What stays is not moved and not looked at. */
export const seatsOf = ({ sheaves, faces }: BeltLine): SeatMachine[] =>
  sheaves
    .slice(1)
    .filter(({ feet }) => feet.length > 0)
    .map(({ id, feet }) => ({
      id,
      // its shaft is watched at the sheave
      couplingX: 0,
      feet: feet.flatMap((foot, i) => {
        const x = (faces === 'right' ? -1 : 1) * (quantityMm(foot.behind) ?? 100 + 300 * i)
        return (['near', 'far'] as const).map((side) => ({
          id: `${foot.id}.${side}`,
          station: foot.id,
          side,
          x,
          y: (side === 'far' ? 1 : -1) * (usualSpread / 2),
        }))
      }),
    }))

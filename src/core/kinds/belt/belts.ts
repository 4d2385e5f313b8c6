import { radians } from '../../quantity/angles'
import { typedAngleLimit } from '../../quantity/typedAngle'

/** Kinds of belt, each with its usual limit. */
export const beltTypes = ['v', 'ribbed', 'toothed', 'flat', 'other'] as const
export type BeltType = (typeof beltTypes)[number]

/** What a belt of a kind may feel where nobody says more, degrees. */
export const usualLimit: Readonly<Record<BeltType, number>> = {
  v: 0.5,
  ribbed: 0.25,
  toothed: 0.25,
  flat: 0.5,
  other: 0.5,
}

/** The limit of a belt, rad: the maker's as typed in degrees, which wins, or the usual one. */
export const limitRad = ({ belt, limit }: { belt: BeltType; limit: string }): number =>
  typedAngleLimit(limit) ?? radians(usualLimit[belt])

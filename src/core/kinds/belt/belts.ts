import { parseNumber } from '../../frame/number'

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

export const radOf = (degrees: number): number => (degrees * Math.PI) / 180

/** The limit of a belt, rad: the maker's as typed in degrees, which wins, or the usual one. */
export function limitRad({ belt, limit }: { belt: BeltType; limit: string }): number {
  const typed = parseNumber(limit)
  return radOf(typed.ok && typed.value > 0 && typed.value <= 45 ? typed.value : usualLimit[belt])
}

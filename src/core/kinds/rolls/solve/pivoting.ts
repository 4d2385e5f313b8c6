import { quantityMm } from '../../../quantity/quantity'
import { strokeCell } from '../document/make'
import { type RollsRound, type StrokePlace, strokePlaces, strokeWays } from '../document/schema'

/** What a pivoting roll does over its stroke, rad: read at both ends and the middle, come to from either way. */
export interface Pivoting {
  /** Far end less near end over the length read, mean of both ways; undefined where a way was not read. */
  places: Record<StrokePlace, number | undefined>
  /** The largest difference between the two ways of one place: looseness of its pivots. */
  play: number | undefined
  /** How far one end of the stroke lies from the other. */
  swing: number | undefined
  /** The middle against the mean of both ends. */
  bow: number | undefined
}

/** Numbers that a stroke is read by. */
export const strokeNumbers = strokePlaces.length * strokeWays.length

/**
 * Play is how a place differs by the way it was come to; what the roll itself does is told of the means.
 *
 * @param over how far apart across the roll both ends were read, mm
 */
export function pivotingOf({ strokes = {} }: RollsRound, roll: string, over: number): Pivoting {
  const at = (place: StrokePlace, way: 'up' | 'down'): number | undefined => {
    const mm = quantityMm(strokes[strokeCell(roll, place, way)])
    return mm === undefined ? undefined : mm / over
  }
  const read = strokePlaces.map((place) => [at(place, 'up'), at(place, 'down')] as const)
  const [one, middle, other] = read.map(([up, down]) =>
    up === undefined || down === undefined ? undefined : (up + down) / 2,
  )
  const plays = read.flatMap(([up, down]) => (up === undefined || down === undefined ? [] : [Math.abs(up - down)]))
  const ends = one === undefined || other === undefined ? undefined : { one, other }
  return {
    places: { one, middle, other },
    play: plays.length > 0 ? Math.max(...plays) : undefined,
    swing: ends && Math.abs(ends.one - ends.other),
    bow: ends && middle !== undefined ? Math.abs(middle - (ends.one + ends.other) / 2) : undefined,
  }
}

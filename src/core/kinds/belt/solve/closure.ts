import { quantityMm } from '../../../quantity/quantity'
import type { BeltSet } from '../document/schema'

/** The quarters of a face, with the sign each has in its closure. */
const quarters = [
  ['a0', 1],
  ['a180', 1],
  ['a90', -1],
  ['a270', -1],
] as const

/** Top and bottom of a flat face add up to near and far to within this, mm: four readings to the hundredth. */
export const mostClosure = 0.06

/** A face whose quarters do not add up. */
export interface NotClosed {
  set: BeltSet
  /** Read with the sheave turned half round. */
  turned: boolean
  /** Top + bottom − near − far, mm. */
  by: number
  /** The one reading that would close it with its sign turned about; undefined where none does, or several. */
  sign: string | undefined
}

/**
 * Sets of a face that do not close: whatever its toe, tilt and wobble, opposite points of a flat face add up alike, so that one
 * number is wrong or the face is not flat.
 */
export function notClosed(sets: readonly BeltSet[]): NotClosed[] {
  return sets.flatMap((set) =>
    set.method !== 'face'
      ? []
      : (set.twice ? ['', 't'] : ['']).flatMap((suffix): NotClosed[] => {
          const read = quarters.flatMap(([key, sign]) => {
            const mm = quantityMm(set.values[`${key}${suffix}`])
            return mm === undefined ? [] : [{ key: `${key}${suffix}`, sign, mm }]
          })
          const by = read.reduce((sum, { sign, mm }) => sum + sign * mm, 0)
          if (read.length < quarters.length || Math.abs(by) <= mostClosure) return []
          const closing = read.filter(({ sign, mm }) => Math.abs(by - 2 * sign * mm) <= mostClosure)
          return [{ set, turned: suffix !== '', by, sign: closing.length === 1 ? closing[0]?.key : undefined }]
        }),
  )
}

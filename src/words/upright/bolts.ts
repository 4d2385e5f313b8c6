import { foldDegrees } from '../../core/quantity/angles'
import { t } from '../language'

/** A place on the bolt circle: "bolt 3", or "between bolts 2 and 3". */
export function boltPlace(degrees: number, bolts: number): string {
  const at = foldDegrees(degrees) / (360 / bolts)
  const near = Math.round(at)
  if (Math.abs(at - near) < 0.02) return t`bolt ${(near % bolts) + 1}`
  const before = Math.floor(at) % bolts
  return t`between bolts ${before + 1} and ${((before + 1) % bolts) + 1}`
}

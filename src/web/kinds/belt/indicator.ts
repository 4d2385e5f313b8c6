import type { RigCommand } from '../../../core/device/protocol'
import { faceCell } from '../../../core/kinds/belt/document/make'
import type { BeltSolved } from '../../../core/kinds/belt/solve/round'
import { quantityMm } from '../../../core/quantity/quantity'
import { cellInText, sheaveName } from '../../../words/belt/findings'
import { inText } from '../../../words/terms'
import type { NextNumber } from '../../device/OneNumber'
import type { BeltFrame } from './frame'

/** Where a target goes next on a face that is read by one; undefined where nothing is left for it. */
export function nextOnFace({ round, next }: BeltSolved, { line }: BeltFrame['document']): NextNumber | undefined {
  const set = next && round.sets.find(({ id }) => id === next.set.id)
  if (!set || !next || set.method !== 'face') return undefined
  const radius = quantityMm(set.radius)
  const { angle, turned } = faceCell(next.key)
  const commands: RigCommand[] | undefined =
    radius !== undefined && radius > 0 ? [{ type: 'aim', touch: 'face', of: set.on, angle, radius, turned }] : undefined
  return {
    key: `${set.id} ${next.key}`,
    place: `${cellInText(next.key, line)}, ${inText(sheaveName(set.on, line))}`,
    commands,
  }
}

import type { RigCommand } from '../../../core/device/protocol'
import { degreesOf } from '../../../core/kinds/bore/document/make'
import type { BoreSolved } from '../../../core/kinds/bore/solve/round'
import { quantityMm } from '../../../core/quantity/quantity'
import { placeName, sectionName } from '../../../words/bore/findings'
import type { NextNumber } from '../../device/OneNumber'
import type { BoreFrame } from './frame'

/** Where the tip goes next in the row; undefined where nothing is left to be read. */
export function nextInRow({ next, sections }: BoreSolved, { line }: BoreFrame['document']): NextNumber | undefined {
  if (!next) return undefined
  const { set, key } = next
  const angle = degreesOf(key)
  const section = sections.find((one) => one.section.id === set.section)?.section
  const diameter = quantityMm(section?.diameter)
  const commands: RigCommand[] = [
    {
      type: 'aim',
      touch: 'bore',
      of: set.section,
      angle,
      ...(diameter !== undefined && diameter > 0 ? { radius: diameter / 2 } : {}),
    },
  ]
  return {
    key: `${set.id} ${key}`,
    place: `${placeName(angle, line)}, ${sectionName(set.section, line)}`,
    commands,
  }
}

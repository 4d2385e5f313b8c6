import type { Material } from '../../core/kinds/train/document/schema'
import { labels, listed, t } from '../language'
import { isZero, lengthWithUnit, sideName, type Terms } from '../terms'

export const materialNames: Readonly<Record<Material, string>> = labels({
  steel: 'steel',
  'grey-iron': 'gray iron',
  aluminium: 'aluminum',
})

/** "rises 0.28 mm, goes 0.05 mm toward wall"; "does not grow"; "not known". */
export function growthText(growth: { vertical?: number; horizontal?: number }, terms: Terms): string {
  const { vertical, horizontal } = growth
  if (vertical === undefined && horizontal === undefined) return t`not entered`
  const told: string[] = []
  if (vertical !== undefined && !isZero(vertical, terms))
    told.push(`${vertical > 0 ? t`rises` : t`drops`} ${lengthWithUnit(Math.abs(vertical), terms)}`)
  if (horizontal !== undefined && !isZero(horizontal, terms))
    told.push(
      t`moves ${lengthWithUnit(Math.abs(horizontal), terms)} toward ${sideName(horizontal > 0 ? 'far' : 'near', terms)}`,
    )
  return listed(told) || t`no growth`
}

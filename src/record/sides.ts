import type { NamedLine } from '../core/job/document'
import { t } from '../words/language'

/** Which side is which, where the line has names for them. */
export const sidesOf = ({ sides }: Pick<NamedLine, 'sides'>): string[] =>
  (['near', 'far'] as const).flatMap((side) => {
    const name = sides[side].trim()
    return name && name.toLowerCase() !== side && !/\d/.test(name) ? [t`${side} is the ${name} side`] : []
  })

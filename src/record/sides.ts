import type { NamedLine } from '../core/job/document'
import { labels, t } from '../words/language'

const sideWords = labels({ near: 'near', far: 'far' })

/** Which side is which, where the line has names for them. */
export const sidesOf = ({ sides }: Pick<NamedLine, 'sides'>): string[] =>
  (['near', 'far'] as const).flatMap((side) => {
    const name = sides[side].trim()
    return name && name.toLowerCase() !== side && !/\d/.test(name) ? [t`${sideWords[side]} is the ${name} side`] : []
  })

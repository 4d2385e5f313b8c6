import type { Lack, Trouble } from '../core/quantity/trouble'
import { labels, t } from './language'

const lacks: Readonly<Record<Lack, string>> = labels({
  'nothing-read': 'No readings yet.',
  'faces-alone': 'Face dials alone do not give the offset: add a rim dial or a head at a known distance.',
  'one-angle': 'Read at one angle only. Read three or more for both planes, or top and bottom for the vertical plane.',
  'two-angles':
    'Read at two angles only. Read three or more for both planes, or top and bottom for the vertical plane.',
  'one-station': 'All read at one distance: that gives offset but no angularity. Add a second distance or a face dial.',
  'too-few-angles': 'Not every probe was read at enough angles: read each at three or more, or at top and bottom.',
  'out-of-proportion': 'A dimension or reading is far too large or too small to use.',
  'connected-only': 'Read only with the coupling connected. To plan a move, disconnect it and read again.',
})

const plain = labels({
  ...lacks,
  'nothing-typed': 'Nothing entered yet.',
  'over-nothing': 'A fraction can’t have zero below the bar.',
  'too-far': 'More than a kilometer: ignored.',
  'not-above-zero': 'It must be greater than zero.',
  'too-small': 'That is too small.',
  'too-large': 'That is too large.',
  'gap-below-zero': 'A gap can’t be negative.',
  'not-a-pack': 'Write the shims with a plus between them, like 1 + 0.5. One meter at most.',
  'reading-missing': 'The reading is missing.',
  'angle-missing': 'The angle is missing.',
  'no-column': 'Choose a column for at least one probe.',
  'column-twice': 'This column is chosen twice.',
  'say-how-angles': 'Choose above: degrees, or hours on a clock.',
  'no-rows': 'There are no rows to import.',
  'too-many-rows': 'At most 100,000 rows can be imported.',
  'uneven-places': 'Read this bore at 4, 8 or 12 places, evenly spaced from the top.',
  'in-a-circle': 'Its dimensions refer back to each other in a loop.',
  'no-place': 'No dimension locates it.',
  'no-reference': 'It is measured from something that no longer exists.',
  'no-distance': 'Its distance is missing.',
})

/** What is wrong with something typed or read, in a sentence. */
export function sayTrouble(trouble: Trouble): string {
  switch (trouble.kind) {
    case 'not-a-number':
      return t`“${trouble.text}” is not a number. Write it like 12, −0.5 or 3 1/8.`
    case 'no-unit':
      return t`“${trouble.text}” is not a known unit. Use mm, µm, inch or mil.`
    case 'no-digits':
      return t`“${trouble.text}” has no digits.`
    case 'two-ways':
      return t`“${trouble.text}” can be read two ways. Write ${trouble.text.replace(',', '')} or ${trouble.text.replace(',', '.')}.`
    case 'no-clock-time':
      return t`“${trouble.text}” is not a time on a clock. Write it like 3 or 1:30.`
    case 'no-heading':
      return t`Unknown column heading “${trouble.text}”.`
    case 'none-of':
      return t`Write one of ${trouble.text}.`
    default:
      return plain[trouble.kind]
  }
}

/** Why nothing can be worked out of what was read. */
export const sayLack = (lack: Lack): string => lacks[lack]

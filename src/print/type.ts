/**
 * The printed pages' type: fonts that lie in the file, for any name in Latin letters with whatever stands on them, Greek and
 * Cyrillic. Each family is one subset; the first that has a letter draws it.
 */
export const subsets: readonly (readonly [family: string, font: string, subset: string])[] = [
  ['Next', 'atkinson-hyperlegible-next', 'latin'],
  ['Next ext', 'atkinson-hyperlegible-next', 'latin-ext'],
  ['Mono', 'atkinson-hyperlegible-mono', 'latin'],
  ['Noto', 'noto-sans', 'latin'],
  ['Noto ext', 'noto-sans', 'latin-ext'],
  ['Noto Greek', 'noto-sans', 'greek'],
  ['Noto Greek ext', 'noto-sans', 'greek-ext'],
  ['Noto Cyrillic', 'noto-sans', 'cyrillic'],
  ['Noto Cyrillic ext', 'noto-sans', 'cyrillic-ext'],
  ['Noto Vietnamese', 'noto-sans', 'vietnamese'],
]
export const weights = [400, 700] as const

/** One font of the printed pages. */
export interface FontName {
  font: string
  subset: string
  weight: (typeof weights)[number]
}

/** The file of a font within its package. */
export const fontFile = ({ font, subset, weight }: FontName): string =>
  `${font}/files/${font}-${subset}-${weight}-normal.woff`

const others = subsets.map(([family]) => family).filter((family) => family !== 'Next' && family !== 'Mono')
export const sans = ['Next', ...others]
export const mono = ['Mono', 'Next', ...others]

/** What the fonts above have: the letters, and the marks a person types round them. */
const printable =
  /[\n\u0020-\u007E\u00A0-\u00AC\u00AE-\u024F\u1E00-\u1EFF\u0370-\u0373\u0375-\u0377\u037A-\u037F\u0384-\u038A\u038C\u038E-\u03A1\u03A3-\u03FF\u0400-\u0482\u048A-\u052F\u2010-\u2015\u2018-\u201E\u2022\u2026\u2032\u2033\u2039\u203A\u20AC\u2116\u2122\u2190-\u2193\u2212\u221A\u2248\u2260\u2264\u2265]/u

/** A text as the fonts can print it: letters they lack become one “…” each run, never noise. */
export function asPrinted(text: string): string {
  let out = ''
  for (const letter of text.normalize('NFC')) {
    if (printable.test(letter)) out += letter
    else if (/[\p{Cc}\p{Cf}\p{Zs}\p{Mn}]/u.test(letter)) out += letter === '\t' ? ' ' : ''
    else if (!out.endsWith('…')) out += '…'
  }
  return out
}

/** A document with all of its texts as they can be printed. */
export function asPrintedAll<T>(value: T): T {
  if (typeof value === 'string') return asPrinted(value) as T
  if (Array.isArray(value)) return value.map(asPrintedAll) as T
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, asPrintedAll(one)])) as T
}

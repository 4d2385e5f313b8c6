/**
 * The language everything is said in. The sentences in this folder are English; a second language is a catalog that turns
 * each of them into its own, with `{0}`, `{1}` … where something is put in.
 */
export type Catalog = (english: string) => string

const english: Catalog = (text) => text
let catalog = english

/** Says everything in another language from now on; in English without one. */
export function speak(other: Catalog = english): void {
  catalog = other
}

/** A sentence with something put in: t`Take out ${amount} under ${feet}`. */
export function t(texts: TemplateStringsArray, ...put: readonly (string | number)[]): string {
  const [first = '', ...rest] = texts
  if (catalog === english) return rest.reduce((said, text, i) => said + put[i] + text, first)
  const sentence = rest.reduce((said, text, i) => `${said}{${i}}${text}`, first)
  return catalog(sentence).replace(/\{(\d+)\}/g, (_, i) => String(put[Number(i)] ?? ''))
}

const forms = new Intl.PluralRules('en')

/** What is said of a count, by the plural rules of the language. What one language says alike may have other forms in another. */
export function plural(count: number, said: { one: string; other: string }): string {
  return forms.select(count) === 'one' ? said.one : said.other
}

const listing = new Intl.ListFormat('en', { type: 'unit', style: 'short' })

/** Several things one after the other, as the language sets them: "a, b, c". */
export const listed = (things: readonly string[]): string => listing.format(things)

/**
 * Texts by name, each in the language that is spoken when it is asked for. What is in lists and tables inside is translated as
 * well; functions say `t` themselves.
 */
export function labels<T extends object>(texts: T): T {
  const own: object = Array.isArray(texts) ? [] : {}
  for (const [key, value] of Object.entries(texts)) {
    const inside = typeof value === 'object' && value !== null ? labels(value) : value
    Object.defineProperty(own, key, {
      enumerable: true,
      get: () => (typeof inside === 'string' ? catalog(inside) : inside),
    })
  }
  return own as T
}

/** A language that nobody speaks: every letter of what is translated wears a mark, so that what is not stands out. */
export const pseudo: Catalog = (text) => text.replace(/[A-Za-z](?![^{]*\})/g, (letter) => `${letter}\u0323`)

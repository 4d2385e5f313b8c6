/** JSON as far as documents go. */
export type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json | undefined }

/** A place where both sides changed the same thing differently. */
export interface Clash {
  /** Keys, or ids of list items, from the top. */
  path: readonly string[]
  mine: Json | undefined
  theirs: Json | undefined
}

export interface Merged<T> {
  /** Both sides' changes; mine where they clash. */
  document: T
  clashes: Clash[]
}

type Dict = { readonly [key: string]: Json | undefined }
type Items = readonly (Dict & { id: string })[]

const same = (a: Json | undefined, b: Json | undefined): boolean => JSON.stringify(a) === JSON.stringify(b)
const isDict = (value: Json | undefined): value is Dict =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const isItems = (value: Json | undefined): value is Items =>
  Array.isArray(value) && value.every((item) => isDict(item) && typeof item.id === 'string')

/**
 * Three-way merge of documents: what either side changed since `base` is kept. Objects merge by key, lists of things with
 * an id by that id, everything else as a whole. Where both changed the same thing differently mine stands, and the clash
 * is told.
 */
export function merge<T>(base: T, mine: T, theirs: T): Merged<T> {
  const clashes: Clash[] = []
  const document = mergeValue(base as Json, mine as Json, theirs as Json, [], clashes) as T
  return { document, clashes }
}

function mergeValue(
  base: Json | undefined,
  mine: Json | undefined,
  theirs: Json | undefined,
  path: readonly string[],
  clashes: Clash[],
): Json | undefined {
  if (same(mine, theirs) || same(base, theirs)) return mine
  if (same(base, mine)) return theirs
  if (isDict(mine) && isDict(theirs) && !isQuantity(mine)) {
    const before = isDict(base) ? base : {}
    const keys = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])]
    const merged: Record<string, Json | undefined> = {}
    for (const key of keys) {
      const value = mergeValue(before[key], mine[key], theirs[key], [...path, key], clashes)
      if (value !== undefined) merged[key] = value
    }
    return merged
  }
  if (isItems(mine) && isItems(theirs)) return mergeItems(isItems(base) ? base : [], mine, theirs, path, clashes)
  if (continues(theirs, mine)) return mine
  if (continues(mine, theirs)) return theirs
  clashes.push({ path, mine, theirs })
  return mine
}

/** Whether a list is another one that only grew: a sweep that went on after its beginning was stored. */
function continues(short: Json | undefined, long: Json | undefined): boolean {
  if (!Array.isArray(short) || !Array.isArray(long) || long.length < short.length || short.length === 0) return false
  return short.every((value, i) => value === long[i] || continues(value, long[i]))
}

/** A typed number is one thing: its text without its unit means nothing. */
const isQuantity = (value: Dict): boolean => 'text' in value && 'unit' in value

function mergeItems(base: Items, mine: Items, theirs: Items, path: readonly string[], clashes: Clash[]): Json {
  const find = (items: Items, id: string) => items.find((item) => item.id === id)
  const ids = [...new Set([...mine, ...theirs].map((item) => item.id))]
  return ids.flatMap((id) => {
    const merged = mergeValue(find(base, id), find(mine, id), find(theirs, id), [...path, id], clashes)
    return merged === undefined ? [] : [merged]
  })
}

/** The document with the value at a clash's path put in (or taken out). */
export function withValue<T>(document: T, path: readonly string[], value: Json | undefined): T {
  const put = (at: Json | undefined, rest: readonly string[]): Json | undefined => {
    const [key, ...further] = rest
    if (key === undefined) return value
    if (isItems(at)) {
      const known = at.some((item) => item.id === key)
      const items = known
        ? at.map((item) => (item.id === key ? put(item, further) : item))
        : [...at, put(undefined, further)]
      return items.filter((item) => item !== undefined)
    }
    const copy: Record<string, Json | undefined> = { ...(isDict(at) ? at : {}) }
    const next = put(copy[key], further)
    if (next === undefined) delete copy[key]
    else copy[key] = next
    return copy
  }
  return put(document as Json, path) as T
}

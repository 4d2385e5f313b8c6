/** JSON as far as documents go. */
export type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json | undefined }

/** A place where both sides changed the same thing differently. */
export interface Conflict {
  /** Keys, or ids of list items, from the top. */
  path: readonly string[]
  mine: Json | undefined
  theirs: Json | undefined
}

export interface Merged<T> {
  /** Both sides' changes; mine where they clash. */
  document: T
  clashes: Conflict[]
}

type Dict = { readonly [key: string]: Json | undefined }
type Items = readonly (Dict & { id: string })[]

const isDict = (value: Json | undefined): value is Dict =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const isItems = (value: Json | undefined): value is Items =>
  Array.isArray(value) && value.every((item) => isDict(item) && typeof item.id === 'string')

/** Whether two values are the same document. What they share in memory is not looked into. */
export function same(a: Json | undefined, b: Json | undefined): boolean {
  if (a === b) return true
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((value, i) => same(value, b[i]))
  if (!isDict(a) || !isDict(b)) return false
  const keys = (value: Dict) => Object.keys(value).filter((key) => value[key] !== undefined)
  const mine = keys(a)
  return mine.length === keys(b).length && mine.every((key) => Object.hasOwn(b, key) && same(a[key], b[key]))
}

/** Puts the items of a list in their order where they mean one; the path is that of the list. */
export type Order = (path: readonly string[], items: readonly Json[]) => readonly Json[]

const asTheyCome: Order = (_, items) => items

/**
 * Three-way merge of documents: what either side changed since `base` is kept. Objects merge by key, lists of things with
 * an id by that id, everything else as a whole. Where both changed the same thing differently mine stands, and the clash
 * is told.
 */
export function merge<T>(base: T, mine: T, theirs: T, order: Order = asTheyCome): Merged<T> {
  const clashes: Conflict[] = []
  const document = mergeValue(base as Json, mine as Json, theirs as Json, [], { clashes, order }) as T
  return { document, clashes }
}

interface Merging {
  clashes: Conflict[]
  order: Order
}

function mergeValue(
  base: Json | undefined,
  mine: Json | undefined,
  theirs: Json | undefined,
  path: readonly string[],
  merging: Merging,
): Json | undefined {
  // theirs is what is stored: the same thing in both is kept in memory, and on the device, once
  if (same(mine, theirs) || same(base, mine)) return theirs
  if (same(base, theirs)) return mine
  if (isDict(mine) && isDict(theirs) && !isQuantity(mine)) {
    const before = isDict(base) ? base : {}
    const keys = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])]
    const merged: Record<string, Json | undefined> = {}
    for (const key of keys) {
      const value = mergeValue(before[key], mine[key], theirs[key], [...path, key], merging)
      if (value !== undefined) merged[key] = value
    }
    return merged
  }
  if (isItems(mine) && isItems(theirs)) return mergeItems(isItems(base) ? base : [], mine, theirs, path, merging)
  // a sweep that went on after its beginning was stored; one that was cut on one side and grew on the other is a clash
  if (continues(theirs, mine) && grewFrom(base, theirs)) return mine
  if (continues(mine, theirs) && grewFrom(base, mine)) return theirs
  merging.clashes.push({ path, mine, theirs })
  return mine
}

/** Whether a list is another one that only grew. */
function continues(short: Json | undefined, long: Json | undefined): boolean {
  if (!Array.isArray(short) || !Array.isArray(long) || long.length < short.length || short.length === 0) return false
  return short.every((value, i) => value === long[i] || continues(value, long[i]))
}

const grewFrom = (base: Json | undefined, list: Json | undefined): boolean =>
  !Array.isArray(base) || base.length === 0 || continues(base, list)

/** A typed number is one thing: its text without its unit means nothing. */
const isQuantity = (value: Dict): boolean => 'text' in value && 'unit' in value

const find = (items: Items, id: string) => items.find((item) => item.id === id)

function mergeItems(base: Items, mine: Items, theirs: Items, path: readonly string[], merging: Merging): Json {
  const items = orderOf(base, mine, theirs).flatMap((id) => {
    const merged = mergeValue(find(base, id), find(mine, id), find(theirs, id), [...path, id], merging)
    return merged === undefined ? [] : [merged]
  })
  return merging.order(path, items)
}

/**
 * The ids of both lists, each beside what it stood beside: in my order, unless it was theirs that was put in another one;
 * what only the other side has comes after what it came after there.
 */
function orderOf(base: Items, mine: Items, theirs: Items): string[] {
  const ids = (items: Items) => items.map(({ id }) => id)
  const shared = ids(base).filter((id) => find(mine, id) && find(theirs, id))
  const kept = (items: Items) => ids(items).filter((id) => shared.includes(id))
  const [first, second] = same(kept(mine), shared) ? [ids(theirs), ids(mine)] : [ids(mine), ids(theirs)]
  const order = [...first]
  for (const [i, id] of second.entries()) {
    if (order.includes(id)) continue
    const before = second.slice(0, i).findLast((other) => order.includes(other))
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, id)
  }
  return order
}

/** What stands at a path; undefined where nothing does. */
export function valueAt(document: unknown, path: readonly string[]): Json | undefined {
  return path.reduce<Json | undefined>(
    (at, key) => (isItems(at) ? find(at, key) : isDict(at) && Object.hasOwn(at, key) ? at[key] : undefined),
    document as Json,
  )
}

/**
 * The document with a value put in at a path, or taken out.
 *
 * @param like a document that says where in a list a new item stands
 */
export function withValue<T>(document: T, path: readonly string[], value: Json | undefined, like?: T): T {
  const put = (at: Json | undefined, rest: readonly string[], model: Json | undefined): Json | undefined => {
    const [key, ...further] = rest
    if (key === undefined) return value
    const inside = (isItems(model) ? find(model, key) : isDict(model) ? model[key] : undefined) ?? undefined
    if (isItems(at)) {
      const known = find(at, key)
      const next = put(known, further, inside)
      if (known) return at.flatMap((item) => (item.id !== key ? [item] : next === undefined ? [] : [next]))
      if (next === undefined) return at
      const before = isItems(model)
        ? model.slice(
            0,
            model.findIndex(({ id }) => id === key),
          )
        : at
      const place = before.findLast(({ id }) => find(at, id))
      const index = place ? at.findIndex(({ id }) => id === place.id) + 1 : 0
      return [...at.slice(0, index), next, ...at.slice(index)]
    }
    const copy: Record<string, Json | undefined> = { ...(isDict(at) ? at : {}) }
    const next = put(copy[key], further, inside)
    if (next === undefined) delete copy[key]
    else copy[key] = next
    return copy
  }
  return put(document as Json, path, like as Json | undefined) as T
}

/** Whether two documents of one kind are the same. */
export const sameDocument = <T>(a: T, b: T): boolean => same(a as Json, b as Json)

/** A place where two documents differ. */
export interface Difference {
  path: readonly string[]
  one: Json | undefined
  other: Json | undefined
}

/** Where two documents differ, place by place: a typed number is one place, and so is a thing that only one of them has. */
export function differences(one: unknown, other: unknown): Difference[] {
  const between = (a: Json | undefined, b: Json | undefined, path: readonly string[]): Difference[] => {
    if (same(a, b)) return []
    if (isDict(a) && isDict(b) && !isQuantity(a) && !isQuantity(b))
      return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((key) =>
        between(a[key], b[key], [...path, key]),
      )
    if (isItems(a) && isItems(b) && a.length + b.length > 0) {
      const ids = [...new Set([...a, ...b].map(({ id }) => id))]
      const inside = ids.flatMap((id) => between(find(a, id), find(b, id), [...path, id]))
      // the same things in another order
      return inside.length > 0 ? inside : [{ path, one: a, other: b }]
    }
    return [{ path, one: a, other: b }]
  }
  return between(one as Json, other as Json, [])
}

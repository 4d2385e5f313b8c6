/** One place in which two documents differ; undefined where one of them has nothing there. */
export interface DocumentDifference {
  path: readonly string[]
  before: unknown
  after: unknown
}

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

const idOf = (value: unknown): string | undefined =>
  isObject(value) && typeof value.id === 'string' ? value.id : undefined

/** A list as an object, by the ids of its members or by their places. */
const keyed = (list: readonly unknown[]): Readonly<Record<string, unknown>> =>
  Object.fromEntries(list.map((member, i) => [idOf(member) ?? String(i), member]))

/**
 * Where two JSON documents differ, leaf by leaf, in the order of the first. Members of a list are the same where their ids
 * are; without ids, where their places are. What only one of them has is told whole.
 */
export function differencesOf(before: unknown, after: unknown, path: readonly string[] = []): DocumentDifference[] {
  if (Object.is(before, after)) return []
  const lists = Array.isArray(before) && Array.isArray(after)
  const [a, b] = lists ? [keyed(before), keyed(after)] : [before, after]
  if (!isObject(a) || !isObject(b)) return [{ path, before, after }]
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((key) =>
    differencesOf(a[key], b[key], [...path, key]),
  )
}

import { describe, expect, it } from 'vitest'
import { type KindName, kindNames, kindOf } from '../core/kinds'
import { proofSchema } from '../core/prove/schema'
import { readySchema } from '../core/ready/schema'
import { seatSchema } from '../core/seat/schema'
import { wordsOf } from '../words'

/** Just what of a Valibot schema is walked. */
interface Schema {
  type: string
  entries?: Record<string, Schema>
  item?: Schema
  items?: Schema[]
  options?: Schema[]
  value?: Schema
  wrapped?: Schema
  pipe?: Schema[]
}

/** Every place at which a schema keeps a value, down to what `ends` says is one. */
function leavesOf(schema: Schema, path: string, ends: (path: string) => boolean): string[] {
  if (ends(path)) return [path]
  const { entries, item, items, options, value, wrapped } = schema
  if (wrapped) return leavesOf(wrapped, path, ends)
  if (entries) {
    const keys = Object.keys(entries)
    if (keys.includes('text') && keys.includes('unit')) return [path]
    return keys.flatMap((key) => leavesOf(entries[key]!, `${path}.${key}`, ends))
  }
  if (item) return leavesOf(item, `${path}.#`, ends)
  if (items) return items.flatMap((one) => leavesOf(one, `${path}.#`, ends))
  if (schema.type === 'record' && value) return leavesOf(value, `${path}.*`, ends)
  if (options && schema.type !== 'picklist') return options.flatMap((one) => leavesOf(one, path, ends))
  return [path]
}

const schemasOf = (kind: KindName): [string, Schema][] => {
  const { lineSchema, roundSchema } = kindOf({ kind })
  return [
    ['line', lineSchema],
    ['round', roundSchema],
    ['job.ready', readySchema],
    ['job.seat.*', seatSchema],
    ['job.proof', proofSchema],
  ] as unknown as [string, Schema][]
}

describe.each(kindNames)('what can be typed on a line of the kind %s', (name) => {
  const { fields, groups } = wordsOf({ kind: name }).typed
  const leaves = new Set(
    schemasOf(name).flatMap(([path, schema]) => leavesOf(schema, path, (at) => fields[at] !== undefined)),
  )

  it('is printed, all of it, or left out on purpose', () => {
    expect(leaves.size).toBeGreaterThan(40)
    expect([...leaves].filter((path) => fields[path] === undefined)).toEqual([])
  })
  it('is nothing that is not stored', () => {
    expect(Object.keys(fields).filter((path) => !leaves.has(path))).toEqual([])
    for (const path of Object.keys(groups))
      expect([...leaves].some((leaf) => leaf.startsWith(path.replace(/\*$/, '')))).toBe(true)
  })
  it('has one name for one thing in a table', () => {
    const groupOf = (path: string) =>
      Object.keys(groups)
        .filter((group) => path.startsWith(`${group}.`))
        .sort((a, b) => b.length - a.length)[0] ?? path.split('.')[0]
    const seen = new Map<string, string>()
    for (const [path, field] of Object.entries(fields)) {
      if (field === null) continue
      const key = `${groupOf(path)}: ${typeof field === 'string' ? field : field.name}`
      // the variants of one choice stand in one place, and records name their own keys
      if (!path.includes('.*') && !/tolerance|correction/.test(path))
        expect([key, seen.get(key)]).toEqual([key, undefined])
      seen.set(key, path)
    }
  })
})

import { parseNumber } from '../core/quantity/number'
import type { Unit } from '../core/quantity/units'
import { lowerFirst, unitName } from './terms'

/**
 * Everything a person can type on a line and in a job, by the path at which it is stored: what a record prints so that somebody
 * else can work it all out again. `#` stands for any place in a list, `*` for any key.
 */

/** How a stored value is printed. */
export interface Field {
  name: string
  /** A choice, or yes and no, in words. */
  choice?: Readonly<Record<string, string>>
  /** It names something by its id. */
  ref?: true
  /** Of a value that is more than a text: how it is told; undefined where it says nothing. */
  tell?(value: never, nameOf: (id: string) => string): string | undefined
  /** Of a record: what a key is called. */
  key?(key: string, nameOf: (id: string) => string, line: never): string
  /** Of a record whose keys name a row and what stands in it: "r3.near". */
  split?(key: string): readonly [row: string, cell: string]
}

/** A list or a record of parts that gets a table of its own. */
export interface Group {
  title: string
  /** What a part is called that has no name of its own. */
  one: string
  /** What a part of a record is called, by its key. */
  key?(key: string, nameOf: (id: string) => string): string
}

export interface Typed {
  /** By path; null for what is not printed: ids, and what the record says elsewhere. */
  fields: Readonly<Record<string, Field | string | null>>
  groups: Readonly<Record<string, Group>>
}

/** A quantity with the digits and the unit it was typed with; undefined where nothing was typed. */
export function quantityTyped({ text, unit }: { text: string; unit: Unit }): string | undefined {
  const typed = text.trim().replace(/^-/, '−')
  if (typed === '') return undefined
  const read = parseNumber(text)
  return read.ok && read.unit ? typed : `${typed} ${unitName[unit]}`
}

/** A stored value, and an object with values in it. */
export type Value = unknown
export interface Part {
  readonly [key: string]: Value
}

export const isPart = (value: Value): value is Part =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** The names of everything that has an id, the inner ones with the outer before them. */
export function namesIn(
  groups: Typed['groups'],
  value: Value,
  path: string,
  names: Map<string, string>,
  within = '',
): void {
  if (!isPart(value)) return
  if (typeof value.id === 'string' && typeof value.name === 'string' && !names.has(value.id))
    names.set(value.id, value.name.trim() || value.id)
  for (const [key, one] of Object.entries(value)) {
    const group = groups[`${path}.${key}.#`]
    if (!Array.isArray(one)) namesIn(groups, one, `${path}.${key}`, names, within)
    else if (group)
      one.forEach((part: Part, i) => {
        const given = typeof part.name === 'string' ? part.name.trim() : ''
        const own = `${group.one} ${i + 1}`
        const name = within ? `${within}, ${given || lowerFirst(own)}` : given || own
        const used = new Set(names.values())
        let apart = name
        for (let n = 2; used.has(apart); n++) apart = `${name} (${n})`
        if (typeof part.id === 'string') names.set(part.id, apart)
        namesIn(groups, part, `${path}.${key}.#`, names, name)
      })
  }
}

/** What was done at one place, in words: "Motor, back feet: shims added". */
export function actName(typed: Typed, key: string, line: object): string {
  const field = typed.fields[doneAt]
  if (typeof field !== 'object' || !field?.split) return key
  const names = new Map<string, string>()
  namesIn(typed.groups, line, 'line', names)
  const nameOf = (id: string) => names.get(id) ?? id
  const [place, way] = field.split(key)
  return `${typed.groups[doneAt]?.key?.(place, nameOf) ?? nameOf(place)}: ${lowerFirst(field.key?.(way, nameOf, line as never) ?? way)}`
}

/** Where a round keeps what was done after it. */
export const doneAt = 'round.done.*'

import { parseNumber } from '../core/frame/number'
import type { Unit } from '../core/frame/units'
import { unitName } from './terms'

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

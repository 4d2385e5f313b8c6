import type { AnyJob, AnyLine, AnyRound, KindName } from '../core/kinds'
import { formatNumber } from '../core/quantity/number'
import { wordsOf } from '../words'
import { type Field, isPart, namesIn, type Part, quantityTyped, type Typed, type Value } from '../words/fields'
import { lowerFirst } from '../words/terms'
import type { Table } from './blocks'

/**
 * What people typed on a line and in a job, with the digits and the unit they typed: enough for somebody else to work all of it
 * out again from the printed page.
 */

/** What a cell of a printed table was made of: a test makes the document again from it. */
export interface TypedRow {
  name: string
  /** By path of the value, and its key in a record; and where exactly it is stored below its root. */
  cells: Map<string, { label: string; text: string; at: number; where: readonly string[] }>
}
export interface TypedGroup {
  /** Where its parts are stored: "line.machines.#", or a root. */
  path: string
  title: string
  rows: TypedRow[]
}

/** Columns of one table at most, its names aside. */
const mostColumns = 6
/** So few parts stand side by side, their values below each other. */
const sideBySide = 4

const isQuantity = (value: Value): value is { text: string; unit: 'mm' } =>
  isPart(value) && typeof value.text === 'string' && typeof value.unit === 'string'

/** The names with those of a part's own angles, which are told by their degrees: those of another may have the same ids. */
function withAngles({ angles }: Part, names: ReadonlyMap<string, string>): ReadonlyMap<string, string> {
  if (!Array.isArray(angles)) return names
  const own = new Map(names)
  for (const { id, degrees } of angles as { id: string; degrees: number }[]) own.set(id, `${degrees}°`)
  return own
}

/** Where a walk through what was typed is. */
interface Here {
  row: TypedRow
  where: readonly string[]
  names: ReadonlyMap<string, string>
}

/** A value as it is printed; undefined where nothing was typed. */
function tell(value: Value, field: Field, nameOf: (id: string) => string): string | undefined {
  if (value === undefined || value === null) return undefined
  if (field.tell) return field.tell(value as never, nameOf)
  if (field.ref) return value === '' ? undefined : nameOf(String(value))
  if (field.choice) return field.choice[String(value)]
  if (isQuantity(value)) return quantityTyped(value)
  if (typeof value === 'number') return formatNumber(value, Number.isInteger(value) ? 0 : 4)
  return (
    String(value)
      .trim()
      .replace(/^-(?=\d|\.)/, '−') || undefined
  )
}

/** Everything typed below a root, table by table. */
export function typedGroups(
  typed: Typed,
  root: 'line' | 'round' | 'job',
  value: object,
  { line, title, blank = false }: { line: object; title: string; blank?: boolean },
): TypedGroup[] {
  const { fields, groups } = typed
  const names = new Map<string, string>()
  namesIn(groups, line, 'line', names)
  if (root !== 'line') namesIn(groups, value, root, names)
  const found = new Map<string, TypedGroup>()
  const groupAt = (path: string, heading: string): TypedGroup => {
    const group = found.get(path) ?? { path, title: heading, rows: [] }
    found.set(path, group)
    return group
  }
  const order = new Map(Object.keys(fields).map((path, i) => [path, i]))
  const write = ({ row, where, names: known }: Here, path: string, field: Field, one: Value, key = ''): void => {
    const nameOf = (id: string) => known.get(id) ?? id
    const text = tell(one, field, nameOf)
    // a sheet to be written in has a place for what is not typed yet, and none for what is read
    if (blank ? key !== '' : text === undefined) return
    const label = key ? (field.key?.(key, nameOf, line as never) ?? key) : field.name
    row.cells.set(key ? `${path} ${key}` : path, { label, text: text ?? '', at: order.get(path) ?? 0, where })
  }
  const walk = (part: Part, path: string, here: Here): void => {
    for (const [key, one] of Object.entries(part)) {
      const at = `${path}.${key}`
      const field = fields[at]
      if (field === null || one === undefined) continue
      const [list, record, leaves] = [groups[`${at}.#`], groups[`${at}.*`], fields[`${at}.*`]]
      const within = (...keys: string[]): Here => ({ ...here, where: [...here.where, key, ...keys] })
      if (field !== undefined) write(within(), at, asField(field), one)
      else if (list && Array.isArray(one))
        one.forEach((each: Part, i) => {
          const row = rowIn(groupAt(`${at}.#`, list.title), names.get(String(each.id)) ?? `${list.one} ${i + 1}`)
          walk(each, `${at}.#`, { ...within(String(i)), row, names: withAngles(each, here.names) })
        })
      else if (record && !leaves && isPart(one))
        for (const [of, each] of Object.entries(one)) {
          const own = record.key?.(of, (id) => names.get(id) ?? id) ?? of
          const name =
            here.row.name === '' || own.startsWith(here.row.name) ? own : `${here.row.name}, ${lowerFirst(own)}`
          walk(each as Part, `${at}.*`, { ...within(of), row: rowIn(groupAt(`${at}.*`, record.title), name) })
        }
      else if (leaves && isPart(one)) {
        const each = asField(leaves)
        for (const [of, leaf] of Object.entries(one)) {
          const [part, cell] = each.split?.(of) ?? ['', of]
          const table = record ? `${at}.*` : `${root}.*`
          const nameOf = (id: string) => names.get(id) ?? id
          const row = each.split
            ? rowIn(groupAt(table, groups[table]?.title ?? ''), record?.key?.(part, nameOf) ?? nameOf(part))
            : here.row
          write({ ...within(of), row }, `${at}.*`, each, leaf, cell)
        }
      } else if (isPart(one)) walk(one, at, within())
    }
  }
  walk(value as Part, root, { row: rowIn(groupAt(root, title), ''), where: [], names })
  return [...found.values()]
}

const asField = (field: Field | string): Field => (typeof field === 'string' ? { name: field } : field)

/** The row of that name, made where there is none. */
function rowIn({ rows }: TypedGroup, name: string): TypedRow {
  const found = rows.find((row) => row.name === name)
  if (found) return found
  const made = { name, cells: new Map() }
  rows.push(made)
  return made
}

/** Groups as tables: few parts side by side, many one below the other, wide tables in several. */
export function tablesOf(groups: readonly TypedGroup[]): Table[] {
  return groups.flatMap(({ title, rows }): Table[] => {
    const columns = new Map<string, { label: string; at: number }>()
    for (const { cells } of rows) for (const [path, { label, at }] of cells) columns.set(path, { label, at })
    const wanted = [...columns].sort(([, a], [, b]) => a.at - b.at)
    const cell = (row: TypedRow, path: string) => row.cells.get(path)?.text ?? '–'
    if (wanted.length === 0)
      return rows.some(({ name }) => name)
        ? [{ kind: 'table', title, head: [''], rows: rows.map(({ name }) => [name]) }]
        : []
    if (rows.every(({ name }) => name === '') || (rows.length <= sideBySide && wanted.length > 2))
      return [
        {
          kind: 'table',
          title,
          head: rows.some(({ name }) => name) ? ['', ...rows.map(({ name }) => name)] : [],
          rows: wanted.map(([path, { label }]) => [label, ...rows.map((row) => cell(row, path))]),
        },
      ]
    return Array.from({ length: Math.ceil(wanted.length / mostColumns) }, (_, i) => {
      const these = wanted.slice(i * mostColumns, (i + 1) * mostColumns)
      return {
        kind: 'table',
        title: i === 0 ? title : '',
        head: ['', ...these.map(([, { label }]) => label)],
        rows: rows.map((row) => [row.name, ...these.map(([path]) => cell(row, path))]),
      }
    })
  })
}

/** The line as typed. */
export const lineTyped = <K extends KindName>(line: AnyLine<K>, title: string): Table[] =>
  tablesOf(typedGroups(wordsOf<K>({ kind: line.kind as K }).typed, 'line', line, { line, title }))

/** A round as typed. */
export const roundTyped = <K extends KindName>(line: AnyLine<K>, round: AnyRound<K>, title: string): Table[] =>
  tablesOf(typedGroups(wordsOf<K>({ kind: line.kind as K }).typed, 'round', round, { line, title }))

/** What a job has beside its line and its rounds, as typed. */
export const jobTyped = <K extends KindName>({ line, ready, seat, proof }: AnyJob<K>, title: string): Table[] =>
  tablesOf(typedGroups(wordsOf<K>({ kind: line.kind as K }).typed, 'job', { ready, seat, proof }, { line, title }))

/** The line and the set-up of a round as a sheet to be written in: what is typed, and a box for what is not. */
export function blanksOf<K extends KindName>(
  line: AnyLine<K>,
  round: AnyRound<K>,
  titles: { line: string; round: string },
): Table[] {
  const { typed } = wordsOf<K>({ kind: line.kind as K })
  return [
    ...tablesOf(typedGroups(typed, 'line', line, { line, title: titles.line, blank: true })),
    ...tablesOf(typedGroups(typed, 'round', round, { line, title: titles.round, blank: true })),
  ].map((table) => ({ ...table, blank: table.rows.some((row) => row.includes('')) }))
}

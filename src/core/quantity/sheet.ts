import { type Quantity, quantityFault, showQuantity } from './quantity'
import type { Trouble } from './trouble'
import type { Unit } from './units'

/** One column of a sheet that is taken out and brought in as CSV. */
export interface SheetColumn<T> {
  /** Its heading, by which it is found again; the order of columns in a file is free. */
  heading: string
  tell(row: T): string
  /** The row with this cell put in, or what is wrong with the cell. */
  put(row: T, cell: string): T | Trouble
}

/** What is wrong with a file, by its row and column, from 1. */
export interface SheetFault {
  row: number
  column: number
  trouble: Trouble
}

/** A column of lengths in a unit, which stands in its heading. */
export const lengthColumn = <T>(
  name: string,
  unit: Unit,
  get: (row: T) => Quantity | undefined,
  set: (row: T, quantity: Quantity) => T,
): SheetColumn<T> => ({
  heading: `${name} ${unit}`,
  tell: (row) => {
    const quantity = get(row)
    return quantity ? showQuantity(quantity, unit) : ''
  },
  put: (row, text) => {
    const quantity = { text, unit }
    return quantityFault(quantity) ?? set(row, quantity)
  },
})

const isTrouble = (one: object): one is Trouble => 'kind' in one

const bare = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ')

/** Rows as cells, under their headings. */
export const cellsOfSheet = <T>(columns: readonly SheetColumn<T>[], rows: readonly T[]): string[][] => [
  columns.map(({ heading }) => heading),
  ...rows.map((row) => columns.map((column) => column.tell(row))),
]

/**
 * Rows from the cells of a file: all of them or, with what is wrong in which cell, none. Columns that are not there leave what is
 * there alone; a heading that nobody knows is a fault, so that nothing is left out unsaid.
 *
 * @param begin the row that a line of the file begins from: its number from 0, and its first cell
 */
export function rowsOfSheet<T extends object>(
  columns: readonly SheetColumn<T>[],
  cells: readonly (readonly string[])[],
  begin: (i: number, first: string) => T,
): { ok: true; rows: T[] } | { ok: false; faults: SheetFault[] } {
  const [headings = [], ...lines] = cells
  const found = headings.map((text) => columns.find(({ heading }) => bare(heading) === bare(text)))
  const faults: SheetFault[] = found.flatMap((column, c): SheetFault[] => {
    const text = headings[c]?.trim() ?? ''
    if (!column) return text === '' ? [] : [{ row: 1, column: c + 1, trouble: { kind: 'no-heading', text } }]
    return found.indexOf(column) < c ? [{ row: 1, column: c + 1, trouble: { kind: 'column-twice' } }] : []
  })
  const filled = lines.map((line, i) => ({ line, row: i + 2 })).filter(({ line }) => line.some((cell) => cell.trim()))
  if (filled.length === 0 && faults.length === 0) faults.push({ row: 0, column: 0, trouble: { kind: 'no-rows' } })
  const rows = filled.map(({ line, row }, i) =>
    found.reduce(
      (made, column, c) => {
        if (!column) return made
        const put = column.put(made, (line[c] ?? '').trim())
        if (!isTrouble(put)) return put
        faults.push({ row, column: c + 1, trouble: put })
        return made
      },
      begin(i, (line[0] ?? '').trim()),
    ),
  )
  return faults.length > 0 ? { ok: false, faults } : { ok: true, rows }
}

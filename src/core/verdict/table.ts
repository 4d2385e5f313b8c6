import * as v from 'valibot'
import { parseNumber } from '../quantity/number'
import { positiveMm, type Quantity } from '../quantity/quantity'
import { id, quantitySchema, text } from '../quantity/schema'
import { slopeRad } from './slope'

/** A site's own limits: for a kind of coupling and a range of speeds, how much offset and slope it takes. */

/** What couplings a row is for. */
export const rowCouplings = ['any', 'short', 'spacer', 'rigid'] as const

const slopeSchema = v.strictObject({ text: text(40), unit: v.picklist(['mm/100 mm', 'mil/in']) })

export const limitRowSchema = v.strictObject({
  id,
  coupling: v.picklist(rowCouplings),
  /** Turns a minute, both included, as typed. */
  from: text(8),
  to: text(8),
  /** May be empty in a row for spacers: their flex planes are judged by the angle alone. */
  offset: quantitySchema,
  slope: slopeSchema,
})

export const limitRowsSchema = v.pipe(v.array(limitRowSchema), v.maxLength(60, 'at most 60 rows'))

export type TypedLimitRow = v.InferOutput<typeof limitRowSchema>

/** A row as it is looked up: rpm, mm, rad. */
export interface LimitRow {
  coupling: TypedLimitRow['coupling']
  from: number
  to: number
  offset: number | undefined
  slope: number
}

/** What is wrong with a row. */
export type RowFault = 'speeds' | 'backwards' | 'offset' | 'slope' | 'overlap'

/** A speed, rpm; 0 is lawful where a range begins. */
function speedIn(typed: string): number | undefined {
  const found = parseNumber(typed)
  return found.ok && found.value >= 0 && found.value <= 100_000 ? found.value : undefined
}

/** A row in mm and rad, or the first thing that is wrong with it. */
export function readRow(row: TypedLimitRow): { ok: true; row: LimitRow } | { ok: false; fault: RowFault } {
  const [from, to] = [speedIn(row.from), speedIn(row.to)]
  if (from === undefined || to === undefined) return { ok: false, fault: 'speeds' }
  if (from >= to) return { ok: false, fault: 'backwards' }
  const offset = positiveMm(row.offset)
  if (offset === undefined && (row.offset.text.trim() !== '' || row.coupling !== 'spacer'))
    return { ok: false, fault: 'offset' }
  const slope = slopeRad(row.slope)
  if (slope === undefined || slope <= 0) return { ok: false, fault: 'slope' }
  return { ok: true, row: { coupling: row.coupling, from, to, offset, slope } }
}

/** Every row that can be read; the others say nothing. */
export const readRows = (rows: readonly TypedLimitRow[]): LimitRow[] =>
  rows.flatMap((typed) => {
    const found = readRow(typed)
    return found.ok ? [found.row] : []
  })

/** What is wrong in a table, by the index of its row: two rows for the same coupling may touch but not overlap. */
export function rowFaults(rows: readonly TypedLimitRow[]): ReadonlyMap<number, RowFault> {
  const faults = new Map<number, RowFault>()
  const read = rows.map(readRow)
  read.forEach((found, i) => {
    if (!found.ok) {
      faults.set(i, found.fault)
      return
    }
    const own = found.row
    const overlaps = read
      .slice(0, i)
      .some(
        (other) =>
          other.ok && other.row.coupling === own.coupling && other.row.from < own.to && own.from < other.row.to,
      )
    if (overlaps) faults.set(i, 'overlap')
  })
  return faults
}

/**
 * The row for a kind of coupling at a speed: one for its own kind before one for any. Where two ranges meet, the tighter one.
 *
 * @param rpm turns a minute
 */
export function rowFor(rows: readonly LimitRow[], rpm: number, kind: LimitRow['coupling']): LimitRow | undefined {
  const at = (which: LimitRow['coupling']) =>
    rows
      .filter((row) => row.coupling === which && row.from <= rpm && rpm <= row.to)
      .sort((a, b) => a.slope - b.slope)[0]
  return at(kind) ?? at('any')
}

/** The table as rows of text with a heading, lengths in mm and slopes in mm/100 mm or as they were typed. */
export const tableCells = (rows: readonly TypedLimitRow[]): string[][] => [
  ['coupling', 'from rpm', 'to rpm', 'offset', 'offset unit', 'slope', 'slope unit'],
  ...rows.map(({ coupling, from, to, offset, slope }) => [
    coupling,
    from,
    to,
    offset.text,
    offset.unit,
    slope.text,
    slope.unit,
  ]),
]

/** What is wrong in a table that was brought in: which row, counted from 1 with its heading, and which column. */
export interface CellFault {
  row: number
  column: number
  what: 'coupling' | 'unit' | RowFault
}

const columnOf: Record<RowFault, number> = { speeds: 2, backwards: 3, offset: 4, slope: 6, overlap: 2 }

/**
 * A table from the rows of a file in the shape of `tableCells`; all of it or, with what is wrong, none.
 *
 * @param newId makes an id that no other row has
 */
export function tableOfCells(
  cells: readonly (readonly string[])[],
  newId: () => string,
): { ok: true; rows: TypedLimitRow[] } | { ok: false; faults: CellFault[] } {
  const [first = []] = cells
  const start = speedIn(first[1] ?? '') === undefined ? 1 : 0
  const faults: CellFault[] = []
  const rows = cells.slice(start).flatMap((row, i): TypedLimitRow[] => {
    if (row.every((cell) => cell.trim() === '')) return []
    const number = i + start + 1
    const [coupling = '', from = '', to = '', offset = '', offsetUnit = '', slope = '', slopeUnit = ''] = row.map(
      (cell) => cell.trim(),
    )
    const kind = rowCouplings.find((one) => one === coupling.toLowerCase())
    const unit = (['mm', 'um', 'in', 'mil'] as const).find((one) => one === (offsetUnit.toLowerCase() || 'mm'))
    const per = (['mm/100 mm', 'mil/in'] as const).find((one) => one === (slopeUnit.toLowerCase() || 'mm/100 mm'))
    if (!kind) faults.push({ row: number, column: 1, what: 'coupling' })
    if (!unit) faults.push({ row: number, column: 5, what: 'unit' })
    if (!per) faults.push({ row: number, column: 7, what: 'unit' })
    if (!kind || !unit || !per) return []
    const typed: TypedLimitRow = {
      id: newId(),
      coupling: kind,
      from,
      to,
      offset: { text: offset, unit } as Quantity,
      slope: { text: slope, unit: per },
    }
    const found = readRow(typed)
    if (!found.ok) faults.push({ row: number, column: columnOf[found.fault], what: found.fault })
    return [typed]
  })
  if (faults.length === 0)
    for (const [i, fault] of rowFaults(rows)) faults.push({ row: i + start + 1, column: columnOf[fault], what: fault })
  return faults.length > 0 ? { ok: false, faults } : { ok: true, rows }
}

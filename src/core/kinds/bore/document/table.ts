import { cellsOfSheet, lengthColumn, rowsOfSheet, type SheetColumn, type SheetFault } from '../../../quantity/sheet'
import { lengthUnitFor } from '../../../quantity/usual'
import { cellsOf, degreesOf, makeSection, makeSet } from './make'
import type { BoreLine, BoreRound, BoreSection, BoreSet } from './schema'

/** A row of the sheet: a section, and the set that was read of it first. */
interface Row {
  section: BoreSection
  set: BoreSet
}

/** Most sections of a row of bores. */
const mostSections = 40

/** Every place that a sheet may have a column for, degrees. */
const places = [...new Set([4, 8, 12].flatMap((n) => cellsOf({ places: n as 4 | 8 | 12 })))].sort(
  (a, b) => degreesOf(a) - degreesOf(b),
)

/** The columns; each length says its unit in its heading. Headings are data: the same in every language. */
function columnsIn(unit: 'mm' | 'mil', cells: readonly string[]): SheetColumn<Row>[] {
  const length = lengthUnitFor(unit)
  const named = (heading: string, key: 'name' | 'pocket'): SheetColumn<Row> => ({
    heading,
    tell: ({ section }) => section[key],
    put: (row, text) => ({ ...row, section: { ...row.section, [key]: text.slice(0, 60) || row.section[key] } }),
  })
  const ofSection = (name: string, key: 'x' | 'diameter') =>
    lengthColumn<Row>(
      name,
      length,
      ({ section }) => section[key],
      (row, quantity) => ({ ...row, section: { ...row.section, [key]: quantity } }),
    )
  return [
    named('bore', 'name'),
    named('pocket', 'pocket'),
    ofSection('along', 'x'),
    ofSection('diameter', 'diameter'),
    {
      heading: 'reads',
      tell: ({ set }) => set.sense,
      put: (row, text) =>
        text === 'out' || text === 'in'
          ? { ...row, set: { ...row.set, sense: text } }
          : text === ''
            ? row
            : { kind: 'none-of', text: 'out, in' },
    },
    lengthColumn<Row>(
      'sag',
      unit,
      ({ set }) => set.sag,
      (row, sag) => ({ ...row, set: { ...row.set, sag } }),
    ),
    ...cells.map((cell) =>
      lengthColumn<Row>(
        `${degreesOf(cell)} deg`,
        unit,
        ({ set }) => set.values[cell],
        (row, quantity) => ({ ...row, set: { ...row.set, values: { ...row.set.values, [cell]: quantity } } }),
      ),
    ),
  ]
}

const firstSet = (round: BoreRound, section: string): BoreSet | undefined =>
  round.sets.find((set) => set.section === section && set.purpose === 'plan')

/** A row of bores and what was read of it, a row a section, for a spreadsheet. */
export function sheetOf(line: BoreLine, round: BoreRound, unit: 'mm' | 'mil'): string[][] {
  const rows = line.sections.map((section) => ({
    section,
    set: firstSet(round, section.id) ?? makeSet(section.id, '', unit),
  }))
  const asked = new Set(rows.flatMap(({ set }) => cellsOf(set)))
  return cellsOfSheet(
    columnsIn(
      unit,
      places.filter((cell) => asked.has(cell)),
    ),
    rows,
  )
}

/** How many places a set has, as the cells that hold something say it. */
function placesOf(set: BoreSet): BoreSet['places'] | undefined {
  const filled = Object.entries(set.values).flatMap(([cell, { text }]) => (text.trim() === '' ? [] : [cell]))
  return ([4, 8, 12] as const).find((n) => filled.every((cell) => cellsOf({ places: n }).includes(cell)))
}

/** A row of bores and its readings from such a sheet; a row takes up where the section of the same name stood. */
export function fromSheet(
  line: BoreLine,
  round: BoreRound,
  cells: readonly (readonly string[])[],
  unit: 'mm' | 'mil',
  newId: () => string,
): { ok: true; line: BoreLine; round: BoreRound } | { ok: false; faults: SheetFault[] } {
  const known = new Map(line.sections.map((section) => [section.name.trim().toLowerCase(), section]))
  const read = rowsOfSheet(columnsIn(unit, places), cells, (i, first): Row => {
    const own = known.get(first.toLowerCase())
    known.delete(first.toLowerCase())
    const section = own ?? { ...makeSection(i + 1, unit), id: newId() }
    return { section, set: firstSet(round, section.id) ?? makeSet(section.id, newId(), unit) }
  })
  if (!read.ok) return read
  const { rows } = read
  const faults = rows.flatMap(({ set }, i): SheetFault[] =>
    placesOf(set) ? [] : [{ row: i + 2, column: 1, trouble: { kind: 'uneven-places' } }],
  )
  if (faults.length > 0) return { ok: false, faults }
  if (rows.length < 2 || rows.length > mostSections)
    return { ok: false, faults: [{ row: 0, column: 0, trouble: { kind: rows.length < 2 ? 'no-rows' : 'too-large' } }] }
  const ids = new Set(rows.map(({ section }) => section.id))
  const sets = rows.map(({ set }): BoreSet => {
    const n = placesOf(set) ?? set.places
    return { ...set, places: n > set.places || cellsOf(set).every((cell) => !set.values[cell]?.text) ? n : set.places }
  })
  const held = (id: string) => (ids.has(id) ? id : '')
  return {
    ok: true,
    line: {
      ...line,
      sections: rows.map(({ section }) => section),
      reference: { ...line.reference, held: [held(line.reference.held[0]), held(line.reference.held[1])] },
    },
    round: {
      ...round,
      sets: [
        ...sets,
        // what else was read of a section that is still there
        ...round.sets.filter((set) => ids.has(set.section) && !sets.some(({ id }) => id === set.id)),
      ],
    },
  }
}

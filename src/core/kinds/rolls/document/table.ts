import { parseNumber } from '../../../quantity/number'
import type { Quantity } from '../../../quantity/quantity'
import { cellsOfSheet, lengthColumn, rowsOfSheet, type SheetColumn, type SheetFault } from '../../../quantity/sheet'
import type { Trouble } from '../../../quantity/trouble'
import { lengthUnitFor } from '../../../quantity/usual'
import { slopeTyped } from '../solve/measured'
import { cellOf, makeRoll } from './make'
import {
  type LengthCell,
  type LevelCell,
  lengthCells,
  levelCells,
  mostRolls,
  type RollOfLine,
  type RollsLine,
  type RollsRound,
} from './schema'

/** A row of the sheet: a roll, and what was read of it. */
interface Row {
  roll: RollOfLine
  lengths: Partial<Record<LengthCell, Quantity>>
  divisions: Partial<Record<LevelCell, string>>
  stand: string | undefined
}

const lengthNames: Readonly<Record<LengthCell, string>> = {
  near: 'scale near',
  far: 'scale far',
  tapeNear: 'tape near',
  tapeFar: 'tape far',
  centre: 'from the baseline',
}
const levelNames: Readonly<Record<LevelCell, string>> = { level: 'level', turned: 'level turned' }

/** The columns; each length says its unit in its heading. Headings are data: the same in every language. */
function columnsIn(unit: 'mm' | 'mil'): SheetColumn<Row>[] {
  const length = lengthUnitFor(unit)
  const ofRoll = (name: string, key: 'x' | 'z' | 'diameter') =>
    lengthColumn<Row>(
      name,
      length,
      ({ roll }) => roll[key],
      (row, quantity) => ({ ...row, roll: { ...row.roll, [key]: quantity } }),
    )
  const choice = (
    heading: string,
    words: readonly [string, string],
    get: (roll: RollOfLine) => boolean,
    set: (second: boolean) => Partial<RollOfLine>,
  ): SheetColumn<Row> => ({
    heading,
    tell: ({ roll }) => words[get(roll) ? 1 : 0],
    put: (row, text) => {
      const at = text === '' ? 0 : words.indexOf(text.toLowerCase())
      return at < 0 ? { kind: 'none-of', text: words.join(', ') } : { ...row, roll: { ...row.roll, ...set(at === 1) } }
    },
  })
  const bare = (text: string): Trouble | undefined => {
    if (text === '') return undefined
    const typed = parseNumber(text)
    return typed.ok ? (typed.unit || text.length > 12 ? { kind: 'not-a-number', text } : undefined) : typed.trouble
  }
  const number = (heading: string, key: 'incline' | 'limit'): SheetColumn<Row> => ({
    heading,
    tell: ({ roll }) => roll[key],
    put: (row, text) => {
      const slope = key === 'limit' && text.length <= 12 && slopeTyped(text) !== undefined
      return (slope ? undefined : bare(text)) ?? { ...row, roll: { ...row.roll, [key]: text } }
    },
  })
  return [
    {
      heading: 'roll',
      tell: ({ roll }) => roll.name,
      put: (row, text) => ({ ...row, roll: { ...row.roll, name: text.slice(0, 60) || row.roll.name } }),
    },
    ofRoll('down the line', 'x'),
    ofRoll('up', 'z'),
    ofRoll('diameter', 'diameter'),
    choice(
      'web passes',
      ['over', 'under'],
      ({ side }) => side === 'under',
      (under) => ({ side: under ? 'under' : 'over' }),
    ),
    choice(
      'can be moved',
      ['yes', 'no'],
      ({ fixed }) => fixed,
      (fixed) => ({ fixed }),
    ),
    number('base rises deg', 'incline'),
    number('limit mm/m', 'limit'),
    ...levelCells.map(
      (cell): SheetColumn<Row> => ({
        heading: `${levelNames[cell]} divisions`,
        tell: ({ divisions }) => divisions[cell] ?? '',
        put: (row, text) => bare(text) ?? { ...row, divisions: { ...row.divisions, [cell]: text } },
      }),
    ),
    ...lengthCells.map((cell) =>
      lengthColumn<Row>(
        lengthNames[cell],
        length,
        ({ lengths }) => lengths[cell],
        (row, quantity) => ({ ...row, lengths: { ...row.lengths, [cell]: quantity } }),
      ),
    ),
    {
      heading: 'stand',
      tell: ({ stand }) => stand ?? '',
      put: (row, text) => ({ ...row, stand: text.slice(0, 20) }),
    },
  ]
}

const filledOf = <K extends string, V>(keys: readonly K[], values: Readonly<Record<string, V>>, roll: string) =>
  Object.fromEntries(
    keys.flatMap((key) => (values[`${roll}.${key}`] === undefined ? [] : [[key, values[`${roll}.${key}`]]])),
  )

const rowOf = (roll: RollOfLine, round: RollsRound): Row => ({
  roll,
  lengths: filledOf(lengthCells, round.values, roll.id),
  divisions: filledOf(levelCells, round.divisions, roll.id),
  stand: round.stands[roll.id],
})

/** A section and what was read of it, a row a roll, for a spreadsheet. */
export const sheetOf = (line: RollsLine, round: RollsRound, unit: 'mm' | 'mil'): string[][] =>
  cellsOfSheet(
    columnsIn(unit),
    line.rolls.map((roll) => rowOf(roll, round)),
  )

/**
 * A section and its readings from such a sheet. A row takes up where the roll of the same name stood; the file says which rolls there
 * are, and in which order the web runs.
 */
export function fromSheet(
  line: RollsLine,
  round: RollsRound,
  cells: readonly (readonly string[])[],
  unit: 'mm' | 'mil',
  newId: () => string,
): { ok: true; line: RollsLine; round: RollsRound } | { ok: false; faults: SheetFault[] } {
  const known = new Map(line.rolls.map((roll) => [roll.name.trim().toLowerCase(), roll]))
  const read = rowsOfSheet(columnsIn(unit), cells, (i, first) => {
    const own = known.get(first.toLowerCase())
    known.delete(first.toLowerCase())
    return own
      ? rowOf(own, round)
      : {
          ...rowOf(makeRoll(i + 1, unit), { ...round, values: {}, divisions: {}, stands: {} }),
          roll: { ...makeRoll(i + 1, unit), id: newId() },
        }
  })
  if (!read.ok) return read
  const { rows } = read
  if (rows.length < 2 || rows.length > mostRolls)
    return { ok: false, faults: [{ row: 0, column: 0, trouble: { kind: rows.length < 2 ? 'no-rows' : 'too-large' } }] }
  const ids = new Set(rows.map(({ roll }) => roll.id))
  const named = <V>(of: (row: Row) => Readonly<Record<string, V | undefined>>): Record<string, V> =>
    Object.fromEntries(
      rows.flatMap((row) =>
        Object.entries(of(row)).flatMap(([cell, value]): [string, V][] =>
          value === undefined ? [] : [[cellOf(row.roll.id, cell as LengthCell), value]],
        ),
      ),
    )
  return {
    ok: true,
    line: {
      ...line,
      rolls: rows.map(({ roll }) => roll),
      reference: ids.has(line.reference) ? line.reference : '',
    },
    round: {
      ...round,
      values: named(({ lengths }) => lengths),
      divisions: named(({ divisions }) => divisions),
      stands: Object.fromEntries(rows.flatMap(({ roll, stand }) => (stand ? [[roll.id, stand]] : []))),
    },
  }
}

import { labels, plural, t } from '../language'

/** What is said where lines are brought in and taken out as a table. */
export const tableWords = labels({
  table: 'Import or export as a table',
  bringIn: 'Import CSV',
  takeOut: 'Export as CSV',
  found: (count: number) =>
    plural(count, { one: t`One line would be added.`, other: t`${count} lines would be added.` }),
  first: (names: string) => t`The first: ${names}.`,
  doIt: 'Import',
  cancel: 'Cancel',
  done: (count: number) => plural(count, { one: t`One line was added.`, other: t`${count} lines were added.` }),
  nothing: 'Nothing imported. Correct these, then choose the file again:',
  fault: (row: number, column: number, what: string) => t`Row ${row}, column ${column}: ${what}`,
  more: (count: number) => t`and ${count} more`,
  tooMany: 'Maximum 500 lines per file.',
  empty: 'This file contains no lines.',
  leftOut: (count: number) =>
    count === 1
      ? t`1 line was left out: its dimensions don’t fit this table.`
      : t`${count} lines were left out: their dimensions don’t fit this table.`,
  holds: 'Coupled machines, one line per row, basic dimensions only. Growth, tolerances and checks are not included.',
})

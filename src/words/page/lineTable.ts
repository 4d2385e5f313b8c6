import { labels, plural, t } from '../language'

/** What is said where lines are brought in and taken out as a table. */
export const tableWords = labels({
  table: 'As a table',
  bringIn: 'Bring in a CSV',
  takeOut: 'Export as CSV',
  found: (count: number) =>
    plural(count, { one: t`One line would be added.`, other: t`${count} lines would be added.` }),
  first: (names: string) => t`The first: ${names}.`,
  doIt: 'Bring them in',
  cancel: 'Cancel',
  done: (count: number) => plural(count, { one: t`One line was added.`, other: t`${count} lines were added.` }),
  nothing: 'Nothing would be added. Mend these, then choose the file again:',
  fault: (row: number, column: number, what: string) => t`Row ${row}, column ${column}: ${what}`,
  more: (count: number) => t`and ${count} more`,
  tooMany: 'At most 500 lines at once.',
  empty: 'There is no line in this file.',
  leftOut: (count: number) =>
    count === 1
      ? t`One line is measured in a way that this table cannot hold; it was left out.`
      : t`${count} lines are measured in a way that this table cannot hold; they were left out.`,
  holds:
    'Coupled machines, a line a row, with their plainest dimensions. Growth, tolerances and checks stay where they are.',
})

import type { SheetFault } from '../../core/quantity/sheet'
import { labels, t } from '../language'
import { sayTrouble } from '../troubles'

/** What is said where a job is brought in and taken out as a sheet of rows. */
export const sheetWords = labels({
  title: 'Import or export as a table',
  bringIn: 'Import CSV',
  takeOut: 'Export as CSV',
  found: (count: number) => t`${count} rows read. They replace what is entered here.`,
  doIt: 'Replace',
  cancel: 'Cancel',
  done: (count: number) => t`${count} rows imported. Undo restores the old ones.`,
  nothing: 'Nothing imported. Correct these, then choose the file again:',
  more: (count: number) => t`and ${count} more`,
  unreadable: 'That file is not readable text.',
})

export const sayFault = ({ row, column, trouble }: SheetFault): string =>
  row === 0 ? sayTrouble(trouble) : t`Row ${row}, column ${column}: ${sayTrouble(trouble)}`

import type { SheetFault } from '../../core/frame/sheet'
import { labels, t } from '../language'
import { sayTrouble } from '../troubles'

/** What is said where a job is brought in and taken out as a sheet of rows. */
export const sheetWords = labels({
  title: 'As a sheet',
  bringIn: 'Bring in a CSV',
  takeOut: 'Export as CSV',
  found: (count: number) => t`${count} rows read. What is typed here is replaced by them.`,
  doIt: 'Take them',
  cancel: 'Cancel',
  done: (count: number) => t`${count} rows taken. Undo brings back what was there.`,
  nothing: 'Nothing was taken. Mend these, then choose the file again:',
  more: (count: number) => t`and ${count} more`,
  unreadable: 'That file can’t be read as text.',
})

export const sayFault = ({ row, column, trouble }: SheetFault): string =>
  row === 0 ? sayTrouble(trouble) : t`Row ${row}, column ${column}: ${sayTrouble(trouble)}`

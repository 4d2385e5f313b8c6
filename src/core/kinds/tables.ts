import type { KindName, Kinds } from './index'
import type { LineTable } from './kind'
import { trainTable } from './train/document/lineTable'

/** Lines of each kind as a table for a spreadsheet, out and in, apart from what a job's screens need; absent where a kind has none yet. */
export const lineTables: { readonly [K in KindName]?: LineTable<Kinds[K]['line']> } = {
  train: trainTable,
}

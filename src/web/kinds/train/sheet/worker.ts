import { expose } from 'comlink'
import papa from 'papaparse'
import { type Cells, type Mapping, type Taken, takeReadings } from '../../../../core/kinds/train/document/table'
import type { ReadSet } from '../../../../core/shafts/schema'

/** So many bytes at a time: progress is told after each. */
const atOnce = 1 << 18
/** Rows at the top that the page shows and guesses by. */
const shown = 50
/** More faults than this are counted, not told one by one. */
const mostFaults = 20

let cells: string[][] = []
let opened = 0

/** What readings a file or a text has; its rows stay here. */
export interface Opened {
  head: Cells
  rows: number
}

/** The same as `Taken`, with no more faults than a person reads, and how many there are. */
export type TakenTold =
  | Extract<Taken, { ok: true }>
  | { ok: false; faults: Extract<Taken, { ok: false }>['faults']; all: number }

const sheet = {
  /** Rows and columns of a file. @param onProgress the share that is read, 0 to 1 */
  open(file: File, onProgress: (share: number) => void): Promise<Opened> {
    const rows: string[][] = []
    const mine = ++opened
    return new Promise((done, failed) => {
      papa.parse<string[]>(file, {
        skipEmptyLines: 'greedy',
        chunkSize: atOnce,
        chunk: ({ data, meta }) => {
          for (const row of data) rows.push(row)
          onProgress(Math.min(1, meta.cursor / Math.max(1, file.size)))
        },
        complete: () => {
          // one that was chosen since is not overwritten by one that took longer
          if (mine === opened) cells = rows
          done({ head: rows.slice(0, shown), rows: rows.length })
        },
        error: failed,
      })
    })
  },
  /** What the rows would make of a set, or what is wrong with them. */
  take(set: ReadSet, mapping: Mapping, sides: { near: string; far: string }): TakenTold {
    const taken = takeReadings(set, cells, mapping, sides)
    return taken.ok ? taken : { ok: false, faults: taken.faults.slice(0, mostFaults), all: taken.faults.length }
  },
}

export type SheetWorker = typeof sheet

expose(sheet)

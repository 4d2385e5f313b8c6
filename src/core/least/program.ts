/** A mixed-integer linear program: the least of Σ cost·x within the bounds of every column and every row. */
export interface Program {
  columns: Column[]
  rows: Row[]
}

interface Column {
  cost: number
  low: number
  high: number
  /** Only whole numbers. */
  whole?: boolean
}

interface Row {
  low: number
  high: number
  /** Column and factor. */
  terms: (readonly [column: number, factor: number])[]
}

/** Solves a program: a value for every column, or null where nothing fits all the bounds. */
export type SolveProgram = (program: Program) => readonly number[] | null

/** Builds a program column by column and row by row. */
export class ProgramBuilder {
  private readonly columns: Column[] = []
  private readonly rows: Row[] = []

  /** @returns the column's place */
  column(low: number, high: number, whole = false): number {
    return this.columns.push({ cost: 0, low, high, ...(whole ? { whole } : {}) }) - 1
  }

  row(low: number, high: number, ...terms: Row['terms']): void {
    this.rows.push({ low, high, terms })
  }

  /** The program that makes the sum of these terms least. */
  least(...terms: Row['terms']): Program {
    const columns = this.columns.map((column) => ({ ...column }))
    for (const [at, cost] of terms) {
      const column = columns[at]
      if (column) column.cost += cost
    }
    return { columns, rows: [...this.rows] }
  }
}

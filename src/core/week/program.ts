/** A column of a linear program: what one of it costs, and in which rows it counts once. */
export interface Column {
  cost: number
  rows: readonly number[]
}

/** A row of a linear program: its sum is from `least` to `most`. */
export interface Row {
  least: number
  most: number
}

/** A linear program that is made row by row and grows by columns; each column is 0 or more. Whoever solves it is given from outside. */
export interface Program {
  add: (columns: readonly Column[]) => void
  /** A row behind the others, and the columns there are that count in it. */
  addRow: (row: Row, columns: readonly number[]) => void
  /** The least cost with parts of columns, how much of each, and the price of each row; null where there is none or it took longer. */
  relaxed: (seconds: number) => { cost: number; taken: Float64Array; prices: Float64Array } | null
  /** Takes a column once from now on, or leaves that open again. */
  fix: (column: number, taken: boolean) => void
  /** Columns taken whole: which, and what no choice costs less than; null where none was found in the time. */
  whole: (seconds: number) => { taken: Float64Array; bound: number } | null
  end: () => void
}

/** Begins a program with rows that hold a sum from `least` to `most`. */
export type BeginProgram = (rows: readonly Row[]) => Program

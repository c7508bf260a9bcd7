import { stringify } from 'csv-stringify/sync'

/** What a cell may hold. */
export type Cell = string | number | boolean | Date | null | undefined

/** What a spreadsheet would take for something to reckon. */
const RUNS = /^[=+\-@\t\r]/
const NUMBER = /^-?\d+(\.\d+)?$/

/**
 * A line of a file of cells. A text that a spreadsheet would run is written with a mark before it, which reading it here takes off again;
 * numbers stay numbers.
 * @example csvLine(['Ash 14', '=1+1', -75.2]) // "Ash 14,'=1+1,-75.2\r\n"
 */
export function csvLine(cells: readonly Cell[]): string {
  return stringify(
    [
      cells.map((cell) => {
        if (cell === null || cell === undefined) return ''
        if (cell instanceof Date) return cell.toISOString()
        if (typeof cell !== 'string') return String(cell)
        return RUNS.test(cell) && !NUMBER.test(cell) ? `'${cell}` : cell
      }),
    ],
    { record_delimiter: 'windows' },
  )
}

import { stringify } from 'csv-stringify/sync'
import { forSheet } from '@/core/text/sheetCell'

/** What a cell may hold. */
export type Cell = string | number | boolean | Date | null | undefined

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
        return typeof cell === 'string' ? forSheet(cell) : String(cell)
      }),
    ],
    { record_delimiter: 'windows' },
  )
}

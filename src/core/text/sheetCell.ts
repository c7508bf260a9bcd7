/** What a spreadsheet would take for something to reckon, at the beginning of a cell. */
const RUNS = /^[=+\-@\t\r]/
const NUMBER = /^-?\d+(\.\d+)?$/

/**
 * A text as it is written into a cell, so that no spreadsheet runs it: with a mark before what it would run; numbers stay numbers.
 * @example forSheet('=1+1') // "'=1+1"
 */
export function forSheet(text: string): string {
  return RUNS.test(text) && !NUMBER.test(text) ? `'${text}` : text
}

/** The other way: a cell as it is meant, without that mark. `fromSheet("'=1+1")` is "=1+1" */
export function fromSheet(cell: string): string {
  return cell.startsWith("'") && RUNS.test(cell.slice(1)) ? cell.slice(1) : cell
}

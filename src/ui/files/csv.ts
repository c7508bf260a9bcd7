import { parse } from 'csv-parse/browser/esm/sync'
import { ok, refuse, type Result } from '@/core/problem'

/** A table as it is written to a file: its cells, line by line, and whether numbers in it may have a comma. */
export interface CsvFile {
  lines: string[][]
  commaInNumbers: boolean
}

/** No line of names is longer, characters. */
const LONGEST_LINE = 20_000

/**
 * Reads a file of cells between semicolons, tabs or commas, by what its first line has. Problem: `bad-quantity` for a quote that is not closed,
 * and for a first line that goes on and on.
 *
 * @example readCsv('time;wind (km/h)\n2026-06-12 08:00;5,4').value.lines[1] // ['2026-06-12 08:00', '5,4']
 */
export function readCsv(text: string): Result<CsvFile> {
  const first = text.trim().split('\n', 1)[0] ?? ''
  // Read as a table, a line that goes on and on takes seconds.
  if (first.length > LONGEST_LINE)
    return refuse(
      'bad-quantity',
      'file',
      'Its first line is longer than any line of names; is this the right file?',
    )
  const delimiter = ['\t', ';', ','].find((d) => first.includes(d)) ?? ','
  try {
    const lines = parse(text.trim(), {
      delimiter,
      trim: true,
      skip_empty_lines: true,
      relax_column_count: true,
      bom: true,
    })
    return ok({ lines, commaInNumbers: delimiter !== ',' })
  } catch {
    return refuse('bad-quantity', 'file', 'A quote is opened and not closed; save the file again as CSV.')
  }
}

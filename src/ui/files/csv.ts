import { parse } from 'csv-parse/browser/esm/sync'
import { ok, refuse, type Result } from '@/core/problem'

/** A table as it is written to a file: its cells, line by line, and whether numbers in it may have a comma. */
export interface CsvFile {
  lines: string[][]
  commaInNumbers: boolean
}

/**
 * Reads a file of cells between semicolons, tabs or commas, by what its first line has. Problem: `bad-quantity` for a quote that is not closed.
 *
 * @example readCsv('time;wind (km/h)\n2026-06-12 08:00;5,4').value.lines[1] // ['2026-06-12 08:00', '5,4']
 */
export function readCsv(text: string): Result<CsvFile> {
  const first = text.trim().split('\n', 1)[0] ?? ''
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

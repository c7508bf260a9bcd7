import { parse } from 'csv-parse/browser/esm/sync'
import { isDate } from '@/core/time/calendar'
import { ok, refuse, type Result } from '@/core/problem'
import type { Rows } from './sheet'

const MOST_ROWS = 400

/**
 * Reads rows copied from a spreadsheet or a weather file: cells between tabs, semicolons, commas or spaces, quoted or not;
 * columns in the order of the form, or in any order under a first line that names them, others left aside. Answers the rows
 * by line path. Problems name the line and what to do: `missing` for nothing, `bad-quantity` for a line with other columns
 * or a date that is none, `out-of-range` for more than 400 rows.
 *
 * @example readPasted('2026-05-01, 38, 61', days) // { ok: true, value: [{ date: '2026-05-01', min: '38', max: '61' }] }
 */
export function readPasted(text: string, rows: Rows): Result<Record<string, string>[]> {
  const { lines } = rows
  const no = (code: 'bad-quantity' | 'out-of-range' | 'missing', message: string) =>
    refuse(code, rows.rows, message)
  const first = text.trim().split('\n', 1)[0]!
  const between = ['\t', ';', ','].find((d) => first.includes(d)) ?? ' '
  let cells: string[][]
  try {
    cells = parse(text.trim(), {
      delimiter: between,
      trim: true,
      skip_empty_lines: true,
      relax_column_count: true,
      ignore_last_delimiters: false,
      bom: true,
    })
  } catch {
    return no('bad-quantity', 'A quote is opened and not closed; copy the rows again or take the quotes out.')
  }
  if (between === ' ') cells = cells.map((row) => row.filter((c) => c !== ''))
  if (cells.length === 0)
    return no('missing', `Nothing is pasted; copy rows of ${namesOf(rows)} and paste them here.`)

  const named = /\d/.test(cells[0]!.join('')) ? null : cells.shift()!.map((c) => c.toLowerCase())
  const columns = lines.map((line, i) => {
    if (!named) return i
    const names = [line.label.toLowerCase(), line.path.toLowerCase(), ...(line.also ?? [])]
    return named.findIndex((c) => names.some((n) => c === n || c.split(/[^a-z]+/).includes(n)))
  })
  const unnamed = lines.filter((_, i) => columns[i] === -1)
  if (unnamed.length > 0)
    return no(
      'bad-quantity',
      `The first line names no column for ${unnamed.map((l) => l.label).join(' and ')}; name it there, or take the first line away and keep the order ${namesOf(rows)}.`,
    )
  if (cells.length > MOST_ROWS)
    return no(
      'out-of-range',
      `${cells.length} rows are pasted; at most ${MOST_ROWS} go on one sheet. Paste the part that is asked about.`,
    )
  const read: Record<string, string>[] = []
  for (const [i, row] of cells.entries()) {
    const at = `Line ${i + (named ? 2 : 1)}`
    if (named ? row.length < Math.max(...columns) + 1 : row.length !== lines.length)
      return no(
        'bad-quantity',
        `${at} has ${row.length} ${row.length === 1 ? 'column' : 'columns'}; the form takes ${namesOf(rows)}. Leave others out, or name the columns in the first line.`,
      )
    const record = Object.fromEntries(lines.map((l, c) => [l.path, row[columns[c]!]!]))
    const off = lines.find((l) => l.kind === 'date' && !isDate(record[l.path]!))
    if (off)
      return no(
        'bad-quantity',
        `${at}: "${record[off.path]!.slice(0, 24)}" is not a calendar date; write it as 2026-05-01.`,
      )
    read.push(record)
  }
  return ok(read)
}

function namesOf(rows: Rows): string {
  return rows.lines.map((l) => l.label.toLowerCase()).join(', ')
}

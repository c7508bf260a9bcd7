import { CsvError, parse } from 'csv-parse/sync'
import { refuse, type Result } from '@/core/problem'
import type { List } from '@/core/treeList/readList'
import { decoded, type Encoding } from './decoded'

/** A file that says what trees there are, and how it was written. */
export interface ReadFile {
  list: List
  encoding: Encoding
  parted: 'commas' | 'semicolons' | 'tabs' | 'features'
}

/** A header longer than this, or one cell, is no list. Characters. */
const LONGEST_HEADER = 20_000
const LONGEST_ROW = 60_000
const MOST_COLUMNS = 300
/** More trees than this in one file are several files. */
export const MOST_ROWS = 200_000

const bad = (message: string) => refuse('bad-quantity', 'body', message)

/** Reads a list from the bytes of a file. Problems: `bad-quantity` and `out-of-range` of the body, each in a sentence. */
export function readFile(bytes: Uint8Array, kind: 'csv' | 'geojson'): Result<ReadFile> {
  if (bytes.length === 0)
    return refuse('missing', 'body', 'The file is empty; choose the one with the trees.')
  const read = decoded(bytes)
  if (!read)
    return bad(
      'This file is no text: it may be a picture or a workbook. Save the list as CSV and choose that.',
    )
  return kind === 'geojson' ? readGeoJson(read.text, read.encoding) : readTable(read.text, read.encoding)
}

const PARTED = [
  [',', 'commas'],
  [';', 'semicolons'],
  ['\t', 'tabs'],
] as const

function readTable(text: string, encoding: Encoding): Result<ReadFile> {
  const end = text.slice(0, LONGEST_HEADER + 1).search(/[\r\n]/)
  const header = end < 0 ? text : text.slice(0, end)
  if (header.length > LONGEST_HEADER)
    return bad('The first line is longer than the head of any list; is this the right file?')
  const count = (mark: string) => header.split(mark).length
  const [mark, parted] = [...PARTED].sort((a, b) => count(b[0]) - count(a[0]))[0]!
  let records: { record: string[]; raw: string }[]
  try {
    records = parse(text, {
      delimiter: mark,
      raw: true,
      relax_column_count: true,
      relax_quotes: true,
      max_record_size: LONGEST_ROW,
      to: MOST_ROWS + 2,
    }) as unknown as typeof records
  } catch (error) {
    if (!(error instanceof CsvError)) throw error
    const line = (error as unknown as { lines?: number }).lines
    return bad(
      error.code === 'CSV_MAX_RECORD_SIZE'
        ? `The row that begins near line ${line ?? 1} never ends: a quotation mark may be left open there.`
        : `The file cannot be read as a list near line ${line ?? 1}; check its quotation marks.`,
    )
  }
  const [head, ...rest] = records
  if (!head) return refuse('missing', 'body', 'The file is empty; choose the one with the trees.')
  if (head.record.length > MOST_COLUMNS)
    return refuse(
      'out-of-range',
      'body',
      `More than ${MOST_COLUMNS} columns; save only those about the trees.`,
    )
  if (rest.length > MOST_ROWS)
    return refuse(
      'out-of-range',
      'body',
      `More than ${MOST_ROWS.toLocaleString('en-US')} rows; save them as several files.`,
    )
  // Which line each row begins on; a quoted cell may hold line ends.
  let line = 1 + lineEnds(head.raw)
  const rows = rest.map(({ record, raw }) => {
    const row = { line, cells: record }
    line += lineEnds(raw)
    return row
  })
  return {
    ok: true,
    value: {
      list: { headers: named(head.record), rows, decimalComma: mark !== ',' },
      encoding,
      parted,
    },
  }
}

const lineEnds = (raw: string) => raw.match(/\r\n|\n|\r/g)?.length ?? 0

/** Headers by which each column can be told: one without a name by its number, one that stands twice with a mark. */
function named(headers: readonly string[]): string[] {
  const seen = new Map<string, number>()
  return headers.map((typed, i) => {
    const own =
      typed
        .replace(/[\s\u0000-\u001f\ufeff]+/g, ' ')
        .trim()
        .slice(0, 120) || `column ${i + 1}`
    const times = (seen.get(own) ?? 0) + 1
    seen.set(own, times)
    return times === 1 ? own : `${own} (${times})`
  })
}

interface Feature {
  geometry?: { type?: unknown; coordinates?: unknown } | null
  properties?: Record<string, unknown> | null
}

/** Names of the columns that stand for where a feature lies. */
const LONGITUDE = 'longitude'
const LATITUDE = 'latitude'

function readGeoJson(text: string, encoding: Encoding): Result<ReadFile> {
  let whole: unknown
  try {
    whole = JSON.parse(text)
  } catch {
    return bad('This is no JSON; save the trees as GeoJSON and choose that.')
  }
  const features = (whole as { type?: unknown; features?: unknown } | null)?.features
  if ((whole as { type?: unknown } | null)?.type !== 'FeatureCollection' || !Array.isArray(features))
    return bad('This is no collection of features; save the trees as a GeoJSON FeatureCollection.')
  if (features.length > MOST_ROWS)
    return refuse(
      'out-of-range',
      'body',
      `More than ${MOST_ROWS.toLocaleString('en-US')} features; save them as several files.`,
    )
  const headers = new Set<string>()
  for (const f of features as (Feature | null)[])
    for (const key of Object.keys(f?.properties ?? {})) {
      headers.add(key)
      if (headers.size > MOST_COLUMNS)
        return refuse(
          'out-of-range',
          'body',
          `More than ${MOST_COLUMNS} properties; save only those about the trees.`,
        )
    }
  const own = [...headers]
  return {
    ok: true,
    value: {
      list: {
        headers: [
          ...named(own),
          ...[LONGITUDE, LATITUDE].map((h) => (headers.has(h) ? `${h} of the point` : h)),
        ],
        rows: (features as (Feature | null)[]).map((f, i) => ({
          line: i + 1,
          cells: [...own.map((key) => cellOf(f?.properties?.[key])), ...pointOf(f)],
        })),
        decimalComma: false,
      },
      encoding,
      parted: 'features',
    },
  }
}

function cellOf(value: unknown): string {
  if (value === null || value === undefined) return ''
  return typeof value === 'string' ? value : JSON.stringify(value)
}

/** Degrees east and north of a point, written out; what is no point is told as such where it is read. */
function pointOf(feature: Feature | null): [string, string] {
  const { type, coordinates } = feature?.geometry ?? {}
  if (feature?.geometry === null || feature?.geometry === undefined) return ['', '']
  const [east, north] = Array.isArray(coordinates) ? (coordinates as unknown[]) : []
  return type === 'Point' && typeof east === 'number' && typeof north === 'number'
    ? [plainNumber(east), plainNumber(north)]
    : ['no point', 'no point']
}

/** Without an exponent, whatever its size. */
const plainNumber = (n: number) => (Number.isFinite(n) ? n.toFixed(9).replace(/\.?0+$/, '') : 'no number')

import { ok, refuse, type Result } from '../problem'
import { isDate } from '../time/calendar'
import { instantOf, offsetIn } from '../time/zone'
import type { TOLD, Columns } from './placeDays'

const HOUR = 3_600_000
/** As many hours as a file may hold; a service answers as many at once. */
export const MOST_HOURS = 9600

type Told = (typeof TOLD)[number]

/** No station writes more columns, nor longer names. */
const MOST_COLUMNS = 200
const LONGEST_NAME = 200

/** What is called like weather and is none of the hour outside: of the soil or a room, felt, reckoned, or of more than the hour. */
const OTHER =
  /dew|soil|ground|indoor|inside|room|console|chill|feels|apparent|heat index|wet.?bulb|rate|intensity|total|sum\b|since|daily|today|week|month|year|storm|event/

/** What has been measured anywhere in an hour, a little widened, in the units a service tells. */
const BOUNDS: Record<Told, { from: number; to: number; say: string }> = {
  temperature: { from: -70, to: 55, say: '-94 to 131 °F' },
  wind: { from: 0, to: 80, say: '0 to 179 mph' },
  gust: { from: 0, to: 120, say: '0 to 268 mph' },
  windFrom: { from: 0, to: 360, say: '0 to 360 degrees' },
  rain: { from: 0, to: 300, say: '0 to 11.8 in' },
  cloud: { from: 0, to: 1, say: '0 to 100 %' },
  humidity: { from: 0, to: 1, say: '0 to 100 %' },
  chance: { from: 0, to: 1, say: '0 to 100 %' },
}

/** What a column is called, the first that fits; units in its name, how they become what a service tells. */
const COLUMNS: readonly {
  told: Told
  named: RegExp
  units: readonly [RegExp, (v: number) => number][]
  say: string
}[] = [
  {
    told: 'windFrom',
    named: /wind ?(from|dir)|direction/,
    units: [[/./, (v) => v]],
    say: 'degrees',
  },
  {
    told: 'gust',
    named: /gust/,
    units: speeds(),
    say: 'gust (mph)',
  },
  { told: 'wind', named: /wind/, units: speeds(), say: 'wind (mph)' },
  {
    told: 'temperature',
    named: /temp/,
    units: [
      [/\bf\b/, (v) => (v - 32) / 1.8],
      [/\bc\b/, (v) => v],
    ],
    say: 'temperature (F)',
  },
  {
    told: 'chance',
    named: /chance|prob/,
    units: shares(),
    say: 'chance (%)',
  },
  {
    told: 'rain',
    named: /rain|precip/,
    units: [
      [/\bmm\b/, (v) => v],
      [/\bin\b|inch/, (v) => v * 25.4],
    ],
    say: 'rain (in)',
  },
  { told: 'cloud', named: /cloud/, units: shares(), say: 'cloud (%)' },
  { told: 'humidity', named: /humid/, units: shares(), say: 'humidity (%)' },
]

function speeds(): readonly [RegExp, (v: number) => number][] {
  return [
    [/\bmph\b/, (v) => v * 0.44704],
    [/km\/?h|\bkph\b/, (v) => v / 3.6],
    [/m\/s|\bms\b/, (v) => v],
  ]
}

function shares(): readonly [RegExp, (v: number) => number][] {
  return [
    [/%|percent|per cent/, (v) => v / 100],
    [/share|0.?(to|-).?1/, (v) => v],
  ]
}

export interface HoursFile {
  /** The first hour, epoch ms. */
  from: number
  /** One entry an hour, in the units a service tells; null where the file has none. */
  hours: Columns
  /** Hours that the file has. */
  rows: number
  /** What each column was taken for, as it is called in the file, and how far its figures reach, in the units a service tells. */
  columns: { name: string; told: Told; hours: number; least: number | null; most: number | null }[]
  /** Columns that were left aside, by name. */
  leftAside: string[]
  /** Hours between its first and its last that it does not have. */
  missing: number
  /** Hours that the clock shows twice, as they were read: the second line of the same time is the hour after. Epoch ms of each. */
  twice: number[]
}

/**
 * Reads the cells of a file of hours as a weather station or a spreadsheet writes it: a first line of names with units, `time, temperature (F), wind (mph),
 * rain (in)`, then a line an hour. Times are of the wall clock of the site unless they say otherwise (`Z`, `+02:00`); an hour that the clock
 * shows twice stands twice. Hours that are missing are not known. Problems, with the line: `missing` for no time or nothing to read,
 * `bad-quantity` for a unit, a time or a number that cannot be read, `out-of-range` for lines out of order or too many, for a first line that is none, and
 * for what was never measured in an hour. Columns of the soil, of a room, of what is felt or summed up are left aside.
 *
 * @example readHoursFile([['time', 'rain (in)'], ['2026-06-12 08:00', '0.1']], 'UTC').value.hours.rain // [2.54]
 */
export function readHoursFile(
  cells: readonly (readonly string[])[],
  timeZone: string,
  commaInNumbers = false,
): Result<HoursFile> {
  if ((cells[0]?.length ?? 0) > MOST_COLUMNS || cells[0]?.some((n) => n.length > LONGEST_NAME))
    return no(
      'out-of-range',
      `The first line has more than ${MOST_COLUMNS} columns, or a name that goes on and on; it is no line of names.`,
    )
  const written = cells[0] ?? []
  const names = written.map((n) => n.toLowerCase())
  const lines = cells.slice(1)
  const timeAt = names.findIndex((n) => /^(date|time|hour|when)/.test(n))
  if (timeAt < 0)
    return no(
      'missing',
      'The first line names no column “time”. Begin the file with a line such as: time, temperature (F), wind (mph), rain (in).',
    )
  const columns: { at: number; told: Told; per: (v: number) => number; name: string }[] = []
  const leftAside: string[] = []
  for (const [at, name] of names.entries()) {
    if (at === timeAt || name === '') continue
    const column = OTHER.test(name) ? undefined : COLUMNS.find((c) => c.named.test(name))
    if (!column || columns.some((c) => c.told === column.told)) {
      leftAside.push(written[at]!)
      continue
    }
    const unit = column.units.find(([pattern]) => pattern.test(name.replace(column.named, ' ')))
    if (!unit)
      return no(
        'bad-quantity',
        `The column “${written[at]}” does not say its unit. Name it, such as ${column.say}.`,
      )
    columns.push({ at, told: column.told, per: unit[1], name: written[at]! })
  }
  if (columns.length === 0)
    return no(
      'missing',
      'No column is one of temperature, wind, gust, wind from, rain, cloud, humidity or chance.',
    )
  if (lines.length === 0) return no('missing', 'There is no hour in it, only a line of names.')

  const rows: { at: number; cells: readonly string[] }[] = []
  let before: { text: string; at: number } | null = null
  const twice: number[] = []
  for (const [i, cells] of lines.entries()) {
    const line = i + 2
    const time = cells[timeAt] ?? ''
    let at = readTime(time, timeZone)
    if (at === null) return no('bad-quantity', `Line ${line}: “${time}” is no time such as 2026-06-12 08:00.`)
    at = Math.floor(at / HOUR) * HOUR
    if (before && at === before.at && time === before.text) {
      at += HOUR
      // Only where the clock does show it twice: anywhere else the line stands there twice.
      if (!sameOnClock(at, before.at, timeZone))
        return no(
          'out-of-range',
          `Line ${line}: ${time} stands there twice. One line an hour, the oldest first.`,
        )
      twice.push(at)
    }
    // The second of two hours that the clock shows alike is followed by the next one.
    if (before && at <= before.at)
      return no(
        'out-of-range',
        `Line ${line}: ${time} does not come after the line before it. One line an hour, the oldest first.`,
      )
    before = { text: time, at }
    rows.push({ at, cells })
  }
  const from = rows[0]!.at
  const count = (rows.at(-1)!.at - from) / HOUR + 1
  if (count > MOST_HOURS)
    return no(
      'out-of-range',
      `It reaches over ${count.toLocaleString('en-US')} hours; at most ${MOST_HOURS.toLocaleString('en-US')} are read at once. Cut it in two.`,
    )
  const hours: Columns = {}
  for (const { told } of columns) hours[told] = Array.from({ length: count }, () => null)
  for (const [i, row] of rows.entries())
    for (const { at, told, per, name } of columns) {
      const cell = (row.cells[at] ?? '').replace('−', '-').replace(/%$/, '').trim()
      if (cell === '' || /^(na|n\/a|null|[-–—]+|m)$/i.test(cell)) continue
      const value = Number(commaInNumbers ? cell.replace(',', '.') : cell)
      if (!Number.isFinite(value))
        return no('bad-quantity', `Line ${i + 2}: “${cell}” in the column “${name}” is no number.`)
      const { from: least, to: most, say } = BOUNDS[told]
      if (!(per(value) >= least - SLACK && per(value) <= most + SLACK))
        return no(
          'out-of-range',
          `Line ${i + 2}: ${cell} in the column “${name}” was never measured in an hour; ${say} is read. Mend the cell or leave it empty.`,
        )
      hours[told]![(row.at - from) / HOUR] = per(value)
    }
  return ok({
    from,
    hours,
    rows: rows.length,
    columns: columns.map(({ name, told }) => {
      const figures = hours[told]!.filter((v) => v !== null)
      return {
        name,
        told,
        hours: figures.length,
        least: figures.reduce<number | null>((a, v) => (a === null || v < a ? v : a), null),
        most: figures.reduce<number | null>((a, v) => (a === null || v > a ? v : a), null),
      }
    }),
    leftAside,
    missing: count - rows.length,
    twice,
  })
}

/** True where a clock shows two instants alike. */
const sameOnClock = (a: number, b: number, timeZone: string) =>
  a + offsetIn(timeZone, a) === b + offsetIn(timeZone, b)

/** What turning units leaves over. */
const SLACK = 1e-9

const no = (code: 'missing' | 'bad-quantity' | 'out-of-range', message: string) =>
  refuse(code, 'file', message)

/** An instant, epoch ms; null for what is no time. */
function readTime(text: string, timeZone: string): number | null {
  const read =
    /^(\d{4}-\d{2}-\d{2})[T ](\d{1,2}):(\d{2})(?::\d{2}(?:\.\d+)?)?\s*(Z|[+-]\d{2}:?\d{2})?$/i.exec(
      text.trim(),
    )
  if (!read) return null
  const [, date, hour, minute, zone] = read
  if (!isDate(date!) || Number(hour) > 23 || Number(minute) > 59) return null
  if (zone) {
    const offset = zone.toUpperCase() === 'Z' ? 'Z' : zone.replace(/^(.\d{2}):?/, '$1:')
    return Date.parse(`${date}T${hour!.padStart(2, '0')}:${minute}:00${offset}`)
  }
  return instantOf(timeZone, date!, Number(hour) * 60 + Number(minute))
}

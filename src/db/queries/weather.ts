import type { Columns } from '@/core/weather/placeDays'
import { grouped } from '@/core/grouped'
import type { FirmSql } from '../client'

/** A square of the globe with a calendar: what weather is kept by. */
export interface WeatherCell {
  north: number
  east: number
  timeZone: string
}

/** Where the weather of a site is asked for. */
export interface WeatherPlace extends WeatherCell {
  /** True where the site itself says where it lies; else it is its firm's town. */
  own: boolean
}

export interface WeatherDayRow {
  date: string
  begins: number
  knownUntil: number
  askedAt: number
  madeUp: boolean
  min: number | null
  max: number | null
  rain: number | null
  /** Null for days that were not asked for by the hour. */
  hours: Columns | null
}

/** Degrees to a square; the same as in the tables. */
const PER_DEGREE = 20

/** The middle of a square. */
export function spotOf({ north, east }: Pick<WeatherCell, 'north' | 'east'>): {
  latitude: number
  longitude: number
} {
  return { latitude: north / PER_DEGREE, longitude: east / PER_DEGREE }
}

type Joined = { north: number | null; east: number | null; timeZone: string; own: boolean } & {
  [Key in keyof WeatherDayRow]: WeatherDayRow[Key] | null
}

/** Which days of a place are read, and which of them by the hour; both ends included. */
export interface WeatherSpan {
  from: string
  to: string
  hoursFrom: string
  hoursTo: string
}

const dayColumns = (sql: FirmSql, { hoursFrom, hoursTo }: WeatherSpan) => sql`
  w.date::text, (extract(epoch from w.begins) * 1000)::double precision as begins,
  (extract(epoch from w.known_until) * 1000)::double precision as "knownUntil",
  (extract(epoch from w.asked_at) * 1000)::double precision as "askedAt", w.made_up as "madeUp",
  w.least_c as min, w.most_c as max, w.rain_m as rain,
  case when w.date between ${hoursFrom} and ${hoursTo} then w.hours end as hours`

/**
 * The days of a place, along its key; the limit keeps the planner from reading all places at once. The place is a row of its own: behind row-level
 * security a key is looked up by plain columns only, not by what is chosen between two.
 */
const daysOf = (sql: FirmSql, { from, to }: Pick<WeatherSpan, 'from' | 'to'>) => sql`
  select * from weather_day d where d.firm_id = current_firm() and d.cell_north = p.north and d.cell_east = p.east
    and d.time_zone = p.time_zone and d.date between ${from} and ${to} order by d.date limit 4000`

function parted(rows: Joined[]): { place: WeatherPlace | null; days: WeatherDayRow[] } {
  const first = rows[0]
  if (!first || first.north === null || first.east === null) return { place: null, days: [] }
  return {
    place: { north: first.north, east: first.east, timeZone: first.timeZone, own: first.own },
    days: rows.filter((r) => r.date !== null).map((r) => r as unknown as WeatherDayRow),
  }
}

/** Where the weather of a site `s` is asked for: where it says it lies, else its firm `f`’s town. */
const placeOf = (sql: FirmSql) => sql`
  coalesce(s.cell_north, f.cell_north) as north, coalesce(s.cell_east, f.cell_east) as east, s.cell_north is not null as own`

/** The days of a site's weather, of its firm's town where it says no place. */
export async function weatherOfSite(
  sql: FirmSql,
  siteId: string,
  days: WeatherSpan,
): Promise<{ place: WeatherPlace | null; days: WeatherDayRow[] }> {
  const rows = await sql<Joined[]>`
    with place as materialized (
      select ${placeOf(sql)}, s.time_zone
      from site s join firm f on f.id = s.firm_id where s.id = ${siteId})
    select p.north, p.east, p.time_zone as "timeZone", p.own, ${dayColumns(sql, days)}
    from place p left join lateral (${daysOf(sql, days)}) w on true order by w.date`
  return parted(rows)
}

/** The same of the firm's own town. */
export async function weatherOfTown(
  sql: FirmSql,
  days: WeatherSpan,
): Promise<{ place: WeatherPlace | null; days: WeatherDayRow[] }> {
  const rows = await sql<Joined[]>`
    select p.north, p.east, p.time_zone as "timeZone", true as own, ${dayColumns(sql, days)}
    from (select cell_north as north, cell_east as east, time_zone from firm where id = current_firm()) p
      left join lateral (${daysOf(sql, days)}) w on true order by w.date`
  return parted(rows)
}

/** The places of sites, and the rain of each square they lie in, day by day, once. */
export async function rainOfSites(
  sql: FirmSql,
  siteIds: string[],
  days: { from: string; to: string },
): Promise<{ siteId: string; place: WeatherPlace; days: RainDayRow[] }[]> {
  if (siteIds.length === 0) return []
  const placed = await sql<({ siteId: string } & WeatherPlace)[]>`
    select s.id as "siteId", ${placeOf(sql)}, s.time_zone as "timeZone"
    from site s join firm f on f.id = s.firm_id
    where s.id = any(${siteIds}) and coalesce(s.cell_north, f.cell_north) is not null`
  const cells = [...new Map(placed.map((p) => [cellName(p), p])).values()]
  const rows = await sql<(WeatherCell & RainDayRow)[]>`
    select p.north, p.east, p.time_zone as "timeZone", (extract(epoch from w.begins) * 1000)::double precision as begins,
      (extract(epoch from w.asked_at) * 1000)::double precision as "askedAt", w.hours->'rain' as rain
    from unnest(${cells.map((c) => c.north)}::int[], ${cells.map((c) => c.east)}::int[], ${cells.map((c) => c.timeZone)}::text[])
      p (north, east, time_zone) cross join lateral (${daysOf(sql, days)}) w order by w.date`
  const byCell = grouped(rows, cellName)
  return placed.map(({ siteId, ...place }) => ({ siteId, place, days: byCell.get(cellName(place)) ?? [] }))
}

/** The rain of a day, mm by its hours; null where none is kept. */
export interface RainDayRow {
  begins: number
  askedAt: number
  rain: (number | null)[] | null
}

/** A square in one word. */
export const cellName = ({ north, east, timeZone }: WeatherCell) => `${north} ${east} ${timeZone}`

/** From which day to which weather of a square is kept, and up to which it is measured throughout. */
export async function keptOfCell(
  sql: FirmSql,
  { north, east, timeZone }: WeatherCell,
): Promise<{ first: string | null; measured: string | null }> {
  const rows = await sql<{ first: string | null; measured: string | null }[]>`
    select min(date)::text as first, max(date) filter (where known_until >= begins + interval '25 hours')::text as measured
    from weather_day where firm_id = current_firm() and cell_north = ${north} and cell_east = ${east} and time_zone = ${timeZone}`
  return rows[0]!
}

/** Keeps days as they were told last. */
export async function keepWeatherDays(
  sql: FirmSql,
  { north, east, timeZone }: WeatherCell,
  days: readonly (Omit<WeatherDayRow, 'hours'> & { hours: Columns })[],
): Promise<void> {
  if (days.length === 0) return
  const rows = days.map((d) => ({
    date: d.date,
    begins: new Date(d.begins).toISOString(),
    known_until: new Date(d.knownUntil).toISOString(),
    asked_at: new Date(d.askedAt).toISOString(),
    made_up: d.madeUp,
    least_c: d.min,
    most_c: d.max,
    rain_m: d.rain,
    hours: d.hours,
  }))
  await sql`
    insert into weather_day (firm_id, cell_north, cell_east, time_zone, date, begins, known_until, asked_at, made_up,
      least_c, most_c, rain_m, hours)
    select current_firm(), ${north}, ${east}, ${timeZone}, d.date, d.begins, d.known_until, d.asked_at, d.made_up,
      d.least_c, d.most_c, d.rain_m, d.hours
    from jsonb_to_recordset(${sql.json(rows)}) as d(date date, begins timestamptz, known_until timestamptz,
      asked_at timestamptz, made_up boolean, least_c double precision, most_c double precision, rain_m double precision, hours jsonb)
    on conflict (firm_id, cell_north, cell_east, time_zone, date) do update
      set begins = excluded.begins, known_until = excluded.known_until, asked_at = excluded.asked_at, made_up = excluded.made_up,
        least_c = excluded.least_c, most_c = excluded.most_c, rain_m = excluded.rain_m, hours = excluded.hours`
}

/** Says where a site lies. */
export async function placeSite(
  sql: FirmSql,
  siteId: string,
  spot: { latitude: number; longitude: number } | null,
): Promise<void> {
  await sql`update site set latitude = ${spot?.latitude ?? null}, longitude = ${spot?.longitude ?? null} where id = ${siteId}`
}

/** Weather as somebody read it at a site. */
export interface WeatherReadingRow {
  id: string
  /** Epoch ms. */
  at: number
  temperatureC: number
  windMs: number
  by: string
}

/** What was read at a site from an instant on and was not taken back, the newest first. */
export async function weatherReadings(
  sql: FirmSql,
  siteId: string,
  from: Date,
): Promise<WeatherReadingRow[]> {
  return sql<WeatherReadingRow[]>`
    select r.id, (extract(epoch from r.at) * 1000)::double precision as at, r.temperature_c as "temperatureC", r.wind_ms as "windMs", p.name as by
    from weather_reading r join person p on p.firm_id = r.firm_id and p.id = r.by_person
    where r.site_id = ${siteId} and r.at >= ${from} and r.taken_back_at is null order by r.at desc, r.id desc limit 50`
}

export async function addWeatherReading(
  sql: FirmSql,
  r: {
    id: string
    firmId: string
    siteId: string
    at: Date
    temperatureC: number
    windMs: number
    by: string
  },
): Promise<void> {
  await sql`insert into weather_reading (id, firm_id, site_id, at, temperature_c, wind_ms, by_person)
    values (${r.id}, ${r.firmId}, ${r.siteId}, ${r.at}, ${r.temperatureC}, ${r.windMs}, ${r.by})`
}

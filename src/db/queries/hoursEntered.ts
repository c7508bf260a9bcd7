import type { Columns } from '@/core/weather/placeDays'
import type { FirmSql } from '../client'
import type { WeatherCell, WeatherDayRow } from './weather'

/** A day that hours of a file went into: as it was before, null where nothing was known, and the hours that were made of it. */
export interface EnteredDay {
  date: string
  before: WeatherDayRow | null
  made: Columns
}

/** Notes hours that came from a file, so that they can be taken back. `from`, `to`: epoch ms. */
export async function noteHoursEntered(
  sql: FirmSql,
  e: {
    id: string
    firmId: string
    siteId: string
    place: WeatherCell
    at: Date
    by: string
    hours: number
    from: number
    to: number
    days: readonly EnteredDay[]
  },
): Promise<void> {
  await sql`insert into hours_entered (id, firm_id, site_id, cell_north, cell_east, time_zone, at, by_person, hours, from_at, to_at, days)
    values (${e.id}, ${e.firmId}, ${e.siteId}, ${e.place.north}, ${e.place.east}, ${e.place.timeZone}, ${e.at}, ${e.by}, ${e.hours},
      ${new Date(e.from)}, ${new Date(e.to)}, ${sql.json(e.days as never)})`
}

/** What a file changed, to take it back. */
export async function hoursEntered(
  sql: FirmSql,
  id: string,
): Promise<{ place: WeatherCell; days: EnteredDay[] } | undefined> {
  const rows = await sql<(WeatherCell & { days: EnteredDay[] })[]>`
    select cell_north as north, cell_east as east, time_zone as "timeZone", days from hours_entered
    where id = ${id} and taken_back_at is null for update`
  return rows[0] && { place: rows[0], days: rows[0].days }
}

/** Files of hours that were taken in at a site since an instant and stand, the newest first. */
export async function hoursEnteredAt(
  sql: FirmSql,
  siteId: string,
  since: Date,
): Promise<{ id: string; at: Date; by: string; hours: number; from: Date; to: Date }[]> {
  return sql<{ id: string; at: Date; by: string; hours: number; from: Date; to: Date }[]>`
    select e.id, e.at, p.name as by, e.hours, e.from_at as from, e.to_at as to
    from hours_entered e join person p on p.firm_id = e.firm_id and p.id = e.by_person
    where e.site_id = ${siteId} and e.taken_back_at is null and e.at >= ${since} order by e.id desc limit 20`
}

/** The hours of days of a square as they are kept now. */
export async function daysOfCell(
  sql: FirmSql,
  { north, east, timeZone }: WeatherCell,
  days: readonly { date: string }[],
): Promise<{ date: string; hours: Columns }[]> {
  return sql<{ date: string; hours: Columns }[]>`
    select date::text, hours from weather_day
    where cell_north = ${north} and cell_east = ${east} and time_zone = ${timeZone} and date = any(${days.map((d) => d.date)}::date[])`
}

/** Forgets days of a square: nothing is known of them any more. */
export async function forgetWeatherDays(
  sql: FirmSql,
  { north, east, timeZone }: WeatherCell,
  dates: readonly string[],
): Promise<void> {
  if (dates.length === 0) return
  await sql`delete from weather_day
    where cell_north = ${north} and cell_east = ${east} and time_zone = ${timeZone} and date = any(${dates as string[]}::date[])`
}

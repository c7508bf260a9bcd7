import { readWeatherAsks } from '@/asks/season'
import { isDeepStrictEqual } from 'node:util'
import { z } from 'zod'
import { ok, refuse, type Result } from '@/core/problem'
import { MOST_HOURS } from '@/core/weather/hoursFile'
import { dayWeather, partDays, TOLD, type Columns } from '@/core/weather/placeDays'
import { dateIn } from '@/core/time/calendar'
import { hoursOf } from '@/core/time/zone'
import { siteById } from '@/db/queries/site'
import { daysOfCell, forgetWeatherDays, hoursEntered, noteHoursEntered } from '@/db/queries/hoursEntered'
import { addWeatherReading, keepWeatherDays, weatherOfSite } from '@/db/queries/weather'
import { takenBack } from './takenBack'
import { id } from '@/asks/text'
import { typedWeather } from './weather/typed'
import { verb } from './verb'

const HOUR = 3_600_000
/** The newest hour a file may hold: a forecast reaches ten days. */
const AHEAD_MS = 11 * 24 * HOUR

/**
 * Keeps the weather as somebody reads it at a site: for an hour it stands before what a service says of the square. What lies far from that is
 * asked about once.
 */
export const readWeatherVerb = verb({
  roles: ['arborist', 'crew lead', 'technician', 'office'],
  about: (i) => i.siteId,
  makes: (i) => i.id,
  input: readWeatherAsks,
  run: async (context, input): Promise<Result<{ id: string }>> => {
    const { sql, person, at } = context
    const site = await siteById(sql, input.siteId)
    if (!site) return refuse('unknown', 'siteId', 'There is no such site.')
    const read = await typedWeather(context, site.id, input)
    if (!read.ok) return read
    await addWeatherReading(sql, {
      id: input.id,
      firmId: person.firmId,
      siteId: site.id,
      at,
      ...read.value,
      by: person.id,
    })
    return ok({ id: input.id })
  },
})

/** Takes back a reading of the weather that was wrong. */
export const takeWeatherBackVerb = verb({
  roles: ['arborist', 'crew lead', 'technician', 'office'],
  about: (i) => i.readingId,
  input: z.strictObject({ readingId: id('readingId') }),
  run: (context, input) => takenBack(context, 'weather_reading', input.readingId, 'readingId'),
})

const column = z.array(z.number().nullable()).max(MOST_HOURS).optional()

/**
 * Keeps hours of weather from a file, in the units a service tells: those before now as measured, those after it as forecast. What the file does
 * not say stays as it was known.
 */
export const enterHoursVerb = verb({
  roles: ['arborist', 'office'],
  about: (i) => i.siteId,
  makes: (i) => i.id,
  input: z.strictObject({
    id: id(),
    siteId: id('siteId'),
    from: z.int({ error: 'The first hour is an instant in milliseconds.' }),
    hours: z.strictObject(
      Object.fromEntries(TOLD.map((t) => [t, column])) as Record<(typeof TOLD)[number], typeof column>,
    ),
  }),
  run: async (
    { sql, now, at, person },
    input,
  ): Promise<Result<{ id: string; days: number; place: 'site' | 'town' }>> => {
    const site = await siteById(sql, input.siteId)
    if (!site) return refuse('unknown', 'siteId', 'There is no such site.')
    const lengths = new Set(Object.values(input.hours).flatMap((c) => (c ? [c.length] : [])))
    if (lengths.size !== 1 || lengths.has(0))
      return refuse('bad-quantity', 'hours', 'The columns have not as many hours each; read the file again.')
    const [length] = [...lengths]
    const end = input.from + length! * HOUR
    if (end > now.getTime() + AHEAD_MS)
      return refuse('out-of-range', 'file', 'It reaches more than ten days ahead; no forecast does.')
    if (input.from < now.getTime() - 5 * 366 * 24 * HOUR)
      return refuse(
        'out-of-range',
        'file',
        'It begins more than five years ago; the usual year is of the last three.',
      )
    const [from, to] = [input.from, end].map((ms) => dateIn(site.timeZone, new Date(ms)))
    const { place, days: kept } = await weatherOfSite(sql, site.id, {
      from: from!,
      to: to!,
      hoursFrom: from!,
      hoursTo: to!,
    })
    if (!place)
      return refuse('missing', 'file', 'Nothing says where this site lies; say it first, then read the file.')
    const days = partDays(input.hours, input.from, Math.min(end, now.getTime()), place.timeZone).map(
      (told) => {
        const before = kept.find((k) => k.date === told.date)
        const count = hoursOf(place.timeZone, told.date)
        const day = before?.hours ? over(before, told, count) : told
        return {
          ...day,
          ...dayWeather(day, count),
          knownUntil: Math.max(day.knownUntil, before?.knownUntil ?? 0),
          askedAt: before?.askedAt ?? now.getTime(),
          madeUp: before?.madeUp ?? false,
        }
      },
    )
    await keepWeatherDays(sql, place, days)
    await noteHoursEntered(sql, {
      id: input.id,
      firmId: person.firmId,
      siteId: site.id,
      place,
      at,
      by: person.id,
      hours: length!,
      from: input.from,
      to: end,
      days: days.map(({ date, hours }) => ({
        date,
        before: kept.find((k) => k.date === date) ?? null,
        made: hours,
      })),
    })
    return ok({ id: input.id, days: days.length, place: place.own ? 'site' : 'town' })
  },
})

/**
 * Takes hours of a file back: each day is again as it was before, unless it was told anew since; those are left and counted.
 */
export const takeHoursBackVerb = verb({
  roles: ['arborist', 'office'],
  about: (i) => i.enteredId,
  input: z.strictObject({ enteredId: id('enteredId') }),
  run: async (context, input): Promise<Result<{ days: number; left: number }>> => {
    const { sql } = context
    const entered = await hoursEntered(sql, input.enteredId)
    const taken = await takenBack(context, 'hours_entered', input.enteredId, 'enteredId')
    if (!taken.ok) return taken
    const { place, days } = entered!
    const now = new Map((await daysOfCell(sql, place, days)).map((d) => [d.date, d.hours]))
    const stands = days.filter((d) => isDeepStrictEqual(now.get(d.date), d.made))
    await keepWeatherDays(
      sql,
      place,
      stands.flatMap(({ before }) => (before?.hours ? [{ ...before, hours: before.hours }] : [])),
    )
    await forgetWeatherDays(
      sql,
      place,
      stands.flatMap(({ date, before }) => (before?.hours ? [] : [date])),
    )
    return ok({ days: stands.length, left: days.length - stands.length })
  },
})

/** Hours that were told over those that were kept of a day. */
function over<Day extends { begins: number; hours: Columns }>(
  kept: { begins: number; hours: Columns | null },
  told: Day,
  count: number,
): Day {
  const begins = Math.min(kept.begins, told.begins)
  const hours: Columns = {}
  for (const key of TOLD) {
    const [a, b] = [kept.hours?.[key], told.hours[key]]
    if (!a && !b) continue
    hours[key] = Array.from({ length: count }, (_, i) => {
      const [own, was] = [
        b?.[i - (told.begins - begins) / HOUR] ?? null,
        a?.[i - (kept.begins - begins) / HOUR] ?? null,
      ]
      return own ?? was
    })
  }
  return { ...told, begins, hours }
}

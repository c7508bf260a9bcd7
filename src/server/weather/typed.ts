import { readWeather } from '@/core/methods/signing'
import { ok, type Result } from '@/core/problem'
import type { Speed, Temperature } from '@/core/quantity/units'
import { addDays, dateIn } from '@/core/time/calendar'
import { doubtWeather } from '@/core/weather/said'
import type { Context } from '../verb'
import { knownWeather } from './known'

/**
 * The weather as a person types it at a site, in their own units where none is typed; what lies far from what is known of the hour is asked about,
 * unless that was answered.
 */
export async function typedWeather(
  context: Context,
  siteId: string,
  input: { temperature: string; wind: string; accepted: readonly string[] },
): Promise<Result<{ temperatureC: Temperature; windMs: Speed }>> {
  const { person, at } = context
  const read = readWeather(input, person.units)
  if (!read.ok) return read
  const measured = (
    await knownWeather(context, siteId, { hoursFrom: addDays(dateIn(person.timeZone, at), -1) })
  ).at(at)
  // What another person read here is no service to be held against.
  const asked =
    measured && !measured.readBy ? doubtWeather(read.value, measured, person.units, input.accepted) : ok(null)
  if (!asked.ok) return asked
  return ok({ temperatureC: read.value.temperature, windMs: read.value.wind })
}

import { ok, refuse, type Result } from '@/core/problem'
import { readQuantity } from '@/core/quantity/parse'
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
  const temperature = readQuantity(input.temperature, 'temperature', 'temperature', {
    bareUnit: person.units === 'us' ? 'F' : 'C',
    name: 'Temperature',
  })
  if (!temperature.ok) return temperature
  if (temperature.value.si < -40 || temperature.value.si > 55)
    return refuse(
      'out-of-range',
      'temperature',
      'The temperature is not one for working outdoors; check the number and the unit.',
    )
  const wind = readQuantity(input.wind, 'speed', 'wind', {
    bareUnit: person.units === 'us' ? 'mph' : 'm/s',
    name: 'Wind',
  })
  if (!wind.ok) return wind
  if (wind.value.si < 0 || wind.value.si > 60)
    return refuse('out-of-range', 'wind', 'The wind speed cannot be; check the number and the unit.')
  const measured = (
    await knownWeather(context, siteId, { hoursFrom: addDays(dateIn(person.timeZone, at), -1) })
  ).at(at)
  // What another person read here is no service to be held against.
  const asked =
    measured && !measured.readBy
      ? doubtWeather(
          { temperature: temperature.value.si, wind: wind.value.si },
          measured,
          person.units,
          input.accepted,
        )
      : ok(null)
  if (!asked.ok) return asked
  return ok({ temperatureC: temperature.value.si, windMs: wind.value.si })
}

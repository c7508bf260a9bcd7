import type { ForecastHour } from '@/core/methods/hours'
import { addDays, dateIn, hourIn } from '@/core/time/calendar'
import { simulatedWeather } from '@/standins/weather'

/** Hours that are looked ahead. */
const AHEAD = 72
const HOUR = 3_600_000

/**
 * The hours from this one on at a place, by its wall clock. Where the clock is changed an hour is left out or said once, so that
 * hours follow one another.
 */
export function forecastAt(timeZone: string, now: Date): ForecastHour[] {
  const from = Math.floor(hourIn(timeZone, now))
  const today = dateIn(timeZone, now)
  return Array.from({ length: AHEAD }, (_, i) => {
    const w = simulatedWeather(timeZone, new Date(now.getTime() - (now.getTime() % HOUR) + i * HOUR))
    const hour = from + i
    return {
      time: `${addDays(today, Math.floor(hour / 24))}T${String(hour % 24).padStart(2, '0')}:00`,
      temperature: w.temperature,
      wind: w.wind,
      gust: w.gust,
      rain: w.rainMm / 1000,
      sun: w.sun,
      cloud: w.cloud,
      soil: w.soil,
    }
  })
}

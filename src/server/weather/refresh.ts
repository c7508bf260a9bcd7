import { addDays, dateIn } from '@/core/time/calendar'
import { beginOf, hoursOf } from '@/core/time/zone'
import { dayWeather, partDays } from '@/core/weather/placeDays'
import { inFirm } from '@/db/client'
import { cellName, keepWeatherDays, keptOfCell, spotOf, type WeatherCell } from '@/db/queries/weather'
import { serverEnvironment } from '../environment'
import { log } from '../log'
import { askService } from './service'

/** Past years that the usual year is made of. */
export const PAST_YEARS = 3
/** Asked for first, so that there is something to look at; what is older comes after it. */
const DAYS_BACK = 12
const DAYS_AHEAD = 11
const DAYS_AT_ONCE = 390
/** After an answer that did not come the service is left alone so long. */
const REST_MS = 20_000

const holder = globalThis as unknown as {
  elmhornWeather?: { running: Map<string, Promise<void>>; rests: Map<string, number> }
}

/**
 * Asks the service for a square's weather as it is known at `now` on the firm's clock, and keeps it: the days around now first, then the past years
 * that are not kept yet. Nothing of what is kept is lost where it does not answer. One at a time for a square; never rejects.
 */
export function refreshWeather(firmId: string, cell: WeatherCell, now: Date): Promise<void> {
  const state = (holder.elmhornWeather ??= {
    running: new Map<string, Promise<void>>(),
    rests: new Map<string, number>(),
  })
  const key = `${firmId} ${cellName(cell)}`
  const running = state.running.get(key)
  if (running) return running
  const service = serverEnvironment().WEATHER_URL
  if (!service || (state.rests.get(key) ?? 0) > Date.now()) return Promise.resolve()
  const asking = ask(service, firmId, cell, now)
    .catch((error: unknown) => {
      log.error({ error }, 'the weather could not be kept')
      return false
    })
    .then((told) => {
      if (told) state.rests.delete(key)
      else state.rests.set(key, Date.now() + REST_MS)
    })
    .finally(() => state.running.delete(key))
  state.running.set(key, asking)
  return asking
}

/** Forgets that the service did not answer: it is asked at the next occasion, not after a rest. */
export function askAtOnce(): void {
  holder.elmhornWeather?.rests.clear()
}

/** A stretch of days in pieces that are answered at once, the newest first. */
function inPieces(from: string, to: string): [from: string, to: string][] {
  const pieces: [string, string][] = []
  for (let end = to; end > from;) {
    const begin = addDays(end, -DAYS_AT_ONCE)
    pieces.push([begin > from ? begin : from, end])
    end = begin
  }
  return pieces
}

/** True where everything that was asked for was told. */
async function ask(service: string, firmId: string, cell: WeatherCell, now: Date): Promise<boolean> {
  const { timeZone } = cell
  const today = dateIn(timeZone, now)
  const kept = await inFirm(firmId, (sql) => keptOfCell(sql, cell))
  const oldest = `${Number(today.slice(0, 4)) - PAST_YEARS - 1}-07-01`
  const near = addDays(today, -DAYS_BACK)
  // What is measured throughout is not asked for again; what was forecast is.
  const known = kept.measured !== null && kept.measured < today ? kept.measured : null
  const pieces: (readonly [from: string, to: string])[] = [
    [known !== null && known > near ? known : near, addDays(today, DAYS_AHEAD)],
    ...(known !== null && known < near ? inPieces(known, near) : []),
    ...inPieces(oldest, kept.first !== null && kept.first < near ? kept.first : near),
  ]
  for (const [from, to] of pieces) {
    const told = await askService(service, {
      spot: spotOf(cell),
      from: beginOf(timeZone, from),
      to: beginOf(timeZone, to),
      at: now.getTime(),
    })
    if (typeof told === 'string') {
      log.warn({ cell }, told)
      return false
    }
    const days = partDays(told.hours, told.from, told.measuredUntil, timeZone).map((day) => ({
      ...day,
      ...dayWeather(day, hoursOf(timeZone, day.date)),
      askedAt: now.getTime(),
      madeUp: told.madeUp,
    }))
    await inFirm(firmId, (sql) => keepWeatherDays(sql, cell, days))
  }
  return true
}

import { z } from 'zod'
import type { Columns } from '@/core/weather/placeDays'
import type { Spot } from '@/core/weather/sunlight'
import { readBytes } from '../http'

/** An answer is waited for so long; no page waits for it. */
const PATIENCE_MS = 8000
/** Bytes, counted as they come, after what was packed is unpacked. */
const LONGEST_ANSWER = 6_000_000
const HOUR_MS = 3_600_000

const Column = z.array(z.number().nullable()).max(10_000).optional()
const Answer = z.object({
  from: z.iso.datetime(),
  measuredUntil: z.iso.datetime(),
  madeUp: z.boolean().default(false),
  hours: z.object({
    temperature: Column,
    wind: Column,
    gust: Column,
    windFrom: Column,
    rain: Column,
    cloud: Column,
    humidity: Column,
    chance: Column,
  }),
})

export interface Told {
  /** The first hour, epoch ms. */
  from: number
  measuredUntil: number
  madeUp: boolean
  hours: Columns
}

/**
 * Asks the weather service for the hours of a place, as docs/WEATHER.md has it. Resolves to what it told, or to a sentence that says why
 * nothing came; never rejects.
 */
export async function askService(
  service: string,
  { spot, from, to, at }: { spot: Spot; from: number; to: number; at: number },
): Promise<Told | string> {
  const url = new URL('/v1/hours', service)
  const instant = (ms: number) => new Date(ms).toISOString()
  for (const [key, value] of Object.entries({
    latitude: String(spot.latitude),
    longitude: String(spot.longitude),
    from: instant(from),
    to: instant(to),
    at: instant(at),
  }))
    url.searchParams.set(key, value)
  try {
    const answer = await fetch(url, { signal: AbortSignal.timeout(PATIENCE_MS), redirect: 'error' })
    if (!answer.ok) return `The weather service answered ${answer.status}.`
    const body = await readBytes(answer, LONGEST_ANSWER)
    if ('over' in body)
      return body.over
        ? 'The weather service answered more than can be read.'
        : 'The weather service cannot be reached.'
    const read = Answer.safeParse(JSON.parse(body.bytes.toString('utf8')))
    if (!read.success) return 'What the weather service answered cannot be read.'
    const lengths = new Set(Object.values(read.data.hours).flatMap((c) => (c ? [c.length] : [])))
    if (lengths.size > 1) return 'What the weather service answered does not fit together.'
    const begins = Date.parse(read.data.from)
    // Of other hours than were asked for nothing is believed, nor is a measurement of what is still to come.
    const first = Math.max(0, Math.ceil((from - begins) / HOUR_MS))
    const last = Math.max(first, Math.floor((to - begins) / HOUR_MS))
    return {
      from: begins + first * HOUR_MS,
      measuredUntil: Math.min(Date.parse(read.data.measuredUntil), at),
      madeUp: read.data.madeUp,
      hours: Object.fromEntries(
        Object.entries(read.data.hours).map(([name, column]) => [name, column?.slice(first, last)]),
      ),
    }
  } catch (error) {
    return error instanceof SyntaxError
      ? 'What the weather service answered cannot be read.'
      : 'The weather service cannot be reached.'
  }
}

import { z } from 'zod'
import type { Columns } from '@/core/weather/placeDays'
import type { Spot } from '@/core/weather/sunlight'

/** An answer is waited for so long; no page waits for it. */
const PATIENCE_MS = 8000
const LONGEST_ANSWER = 6_000_000

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
    const text = await answer.text()
    if (text.length > LONGEST_ANSWER) return 'The weather service answered more than can be read.'
    const read = Answer.safeParse(JSON.parse(text))
    if (!read.success) return 'What the weather service answered cannot be read.'
    const lengths = new Set(Object.values(read.data.hours).flatMap((c) => (c ? [c.length] : [])))
    if (lengths.size > 1) return 'What the weather service answered does not fit together.'
    return {
      from: Date.parse(read.data.from),
      measuredUntil: Date.parse(read.data.measuredUntil),
      madeUp: read.data.madeUp,
      hours: read.data.hours,
    }
  } catch (error) {
    return error instanceof SyntaxError
      ? 'What the weather service answered cannot be read.'
      : 'The weather service cannot be reached.'
  }
}

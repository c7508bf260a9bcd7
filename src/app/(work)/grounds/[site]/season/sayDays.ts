import { addDays, spokenDay } from '@/core/time/calendar'
import type { SeasonView } from '@/server/read/season'

/** How sure a date is, in words. */
export function sayReached(
  view: SeasonView,
  r: { day: number; earliest: number; latest: number; by: 'measured' | 'forecast' | 'past years' } | null,
): string {
  if (!r) return 'not this year'
  const on = (d: number) => spokenDay(addDays(view.from, d))
  if (r.by === 'measured' && r.earliest === r.latest) return on(r.day)
  if (r.earliest === r.latest) return `about ${on(r.day)}${r.by === 'forecast' ? ', by the forecast' : ''}`
  return `about ${on(r.day)}, between ${on(r.earliest)} and ${on(r.latest)}`
}

/** What work closes, each on a lane of its own. */
export const CLOSED_LANES = [
  ['ground', 'Closed ground'],
  ['harvest', 'No picking'],
] as const

/** Something closed, in words. */
export function sayClosed({ kind, card, host }: SeasonView['closed'][number]): string {
  return kind === 'ground' ? `ground closed after ${card}` : `${host}: no picking after ${card}`
}

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

/** How long the last stage of a table is shown. */
export const LAST_STAGE_DAYS = 14

/** What work closes, each on a lane of its own. */
export const CLOSED_LANES = [
  ['ground', 'Closed ground'],
  ['harvest', 'No picking'],
] as const

/** Something closed, in words. */
export function sayClosed({ kind, card, host }: SeasonView['closed'][number]): string {
  return kind === 'ground' ? `ground closed after ${card}` : `${host}: no picking after ${card}`
}

/** A card’s days among those of a view. */
export const idOfWindow = (w: SeasonView['windows'][number]): string =>
  [w.card, w.method, w.kind, w.window].join(' ')

/** The lane of a card’s days; its kind of tree where they differ by kind. */
export function nameOfWindow(view: SeasonView, w: SeasonView['windows'][number]): string {
  const several = view.windows.filter((o) => o.card === w.card && o.method === w.method).length > 1
  return several ? `${w.card}, ${w.kind.toLowerCase()}` : `${w.card} may go on`
}

/** What a card’s days say to one day: inside, outside and when next, or left to the season. */
export function sayWindow(view: SeasonView, w: SeasonView['windows'][number], day: number): string {
  const what = `${w.card}, ${w.kind.toLowerCase()}`
  const open = w.stretches.find((s) => s.from <= day && s.to > day)
  if (open)
    return open.sure ? `${what}: may go on (${w.window})` : `${what}: perhaps (${w.window}), look at the tree`
  const next = w.stretches.find((s) => s.from > day)
  return `${what}: not now, it goes on ${w.window}; ${
    next ? `next about ${spokenDay(addDays(view.from, next.from))}` : 'not again this year'
  }`
}

import type { RingMark } from '@/core/ports/marks'
import { yearsBetween } from '@/core/ports/marks'
import { dateIn } from '@/core/time/calendar'
import type { MarkRow } from '@/db/queries/ring'

/** A hole as the ring draws it: where, and how many years ago. */
export interface HoleOnRing {
  bearing: number
  years: number
}

/** Marks without their row ids, for the ring. */
export function plainMarks(rows: readonly MarkRow[]): RingMark[] {
  return rows.map(({ kind, from, to, severity, notedOn }) => ({ kind, from, to, severity, notedOn }))
}

/** All earlier holes: those of recorded work and those seen on the bark. */
export function holesOnRing(
  rows: readonly MarkRow[],
  drilled: readonly { bearing: number; drilledAt: Date }[],
  timeZone: string,
  today: string,
): HoleOnRing[] {
  // To a thousandth, a third of a day: it is drawn, not reckoned with, and many are sent.
  const years = (on: string) => Math.round(yearsBetween(on, today) * 1000) / 1000
  return [
    ...drilled.map((h) => ({ bearing: h.bearing, years: years(dateIn(timeZone, h.drilledAt)) })),
    ...rows.filter((m) => m.kind === 'hole').map((m) => ({ bearing: m.from, years: years(m.notedOn) })),
  ]
}

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
  return [
    ...drilled.map((h) => ({
      bearing: h.bearing,
      years: yearsBetween(dateIn(timeZone, h.drilledAt), today),
    })),
    ...rows
      .filter((m) => m.kind === 'hole')
      .map((m) => ({ bearing: m.from, years: yearsBetween(m.notedOn, today) })),
  ]
}

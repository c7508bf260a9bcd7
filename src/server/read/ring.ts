import { grouped } from '@/core/grouped'
import { yearsBetween, type DrilledDay, type RingMark } from '@/core/ports/marks'
import type { MarkRow } from '@/db/queries/ring'

/** Holes as the ring draws them: how many years ago, and where. */
export interface HolesOnRing {
  years: number
  bearings: number[]
}

/** Marks without their row ids, for the ring. */
export function plainMarks(rows: readonly MarkRow[]): RingMark[] {
  return rows.map(({ kind, from, to, severity, notedOn }) => ({ kind, from, to, severity, notedOn }))
}

/** All earlier holes: those of recorded work and those seen on the bark. */
export function holesOnRing(
  rows: readonly MarkRow[],
  drilled: readonly DrilledDay[],
  today: string,
): HolesOnRing[] {
  const seen = grouped(
    rows.filter((m) => m.kind === 'hole'),
    (m) => m.notedOn,
  )
  return [
    ...drilled.map(({ drilledOn, bearings }) => ({ on: drilledOn, bearings })),
    ...[...seen].map(([on, own]) => ({ on, bearings: own.map((m) => m.from) })),
    // To a thousandth, a third of a day: it is drawn, not reckoned with, and many are sent.
  ].map(({ on, bearings }) => ({ years: Math.round(yearsBetween(on, today) * 1000) / 1000, bearings }))
}

import { grouped } from '@/core/grouped'
import { yearsBetween, type DrilledDay, type RingMark } from '@/core/ports/marks'
import type { MarkRow } from '@/db/queries/ring'

/** Holes as the ring draws them: how many years ago, and where. */
export interface HolesOnRing {
  years: number
  bearings: number[]
  /** Which of several stems; left out where nobody said. */
  stem?: number
}

/** Marks without their row ids, for the ring. */
export function plainMarks(rows: readonly MarkRow[]): RingMark[] {
  return rows.map(({ kind, from, to, severity, notedOn, stem }) => ({
    kind,
    from,
    to,
    severity,
    notedOn,
    ...(stem !== null && { stem }),
  }))
}

/** All earlier holes: those of recorded work and those seen on the bark. */
export function holesOnRing(
  rows: readonly MarkRow[],
  drilled: readonly DrilledDay[],
  today: string,
): HolesOnRing[] {
  const seen = grouped(
    rows.filter((m) => m.kind === 'hole'),
    (m) => `${m.notedOn} ${m.stem ?? ''}`,
  )
  return [
    ...drilled.map(({ drilledOn, bearings, stem }) => ({ on: drilledOn, bearings, stem })),
    ...[...seen.values()].map((own) => ({
      on: own[0]!.notedOn,
      bearings: own.map((m) => m.from),
      stem: own[0]!.stem,
    })),
    // To a thousandth, a third of a day: it is drawn, not reckoned with, and many are sent.
  ].map(({ on, bearings, stem }) => ({
    years: Math.round(yearsBetween(on, today) * 1000) / 1000,
    bearings,
    ...(stem && { stem }),
  }))
}

import { FINDINGS } from '@/almanac/findings'
import type { Seen } from '@/core/diagnose/almanac'
import type { FindingRow } from '@/db/queries/assessment'
import type { ScreenRow } from '@/db/queries/decideSite'

/** Findings of an examination in the shape the weighing reads. */
export function seenOf(rows: readonly FindingRow[]): Seen {
  return Object.fromEntries(rows.map((r) => [r.finding, r.state]))
}

/** The names of the signs of danger that are there. */
export function signsOfDanger(seen: Seen): string[] {
  return FINDINGS.filter((f) => f.unsafe && seen[f.id] === 'there').map((f) => f.name)
}

/** What a screen that ends in a referral says, as a sign of danger; nothing where none does. */
export function screenedDanger(screen: ScreenRow | null | undefined): string[] {
  return screen?.refer
    ? [`Screened: ${screen.defectWords}; beneath it ${screen.targetWords}; ${screen.consequenceWords}`]
    : []
}

import { activeKey } from '@/core/actives/actives'
import type { CountedRow } from '@/db/queries/record'
import type { Trouble } from '@/db/queries/seal'
import { readRecord } from './body'

/** One amount as it counts: of a product, m³ or kg, and of its first active, kg. */
type Amount = readonly [amount: number, activeKg: number | null]

const DAY = 86_400_000
/** So near two figures are one: a figure is kept as it was computed. */
const SAME = 1e-12

const alike = (a: number | null, b: number | null) =>
  a === b || (a !== null && b !== null && Math.abs(a - b) <= SAME * Math.max(1, Math.abs(a), Math.abs(b)))

const inOrder = (amounts: readonly Amount[]) =>
  [...amounts].sort((a, b) => a[0] - b[0] || (a[1] ?? -1) - (b[1] ?? -1))

function same(signed: readonly Amount[], counted: readonly Amount[]): boolean {
  const [s, c] = [inOrder(signed), inOrder(counted)]
  return s.length === c.length && s.every(([amount, kg], i) => alike(amount, c[i]![0]) && alike(kg, c[i]![1]))
}

/**
 * What counts toward limits and intervals stands in rows beside the ledger; it must be what was signed there: each amount, its active
 * and its day. Answers the first record whose rows say something else, or null. A body nobody can read is told by its hash.
 */
export function countsAsSigned(rows: readonly CountedRow[]): Trouble | null {
  for (const row of rows) {
    const read = readRecord(row)
    const what = read.body === null ? null : differs(row, read)
    if (what === null) continue
    return {
      seq: row.seq,
      kind: 'changed',
      words: `What counts of record ${row.seq} was changed outside the product: ${what}.`,
    }
  }
  return null
}

function differs(row: CountedRow, read: ReturnType<typeof readRecord<CountedRow>>): string | null {
  if (read.kind === 'correction') {
    const signed = read.body?.amounts ?? []
    // Of corrections from before it was signed, what active there was is not known.
    const known = signed.every((a) => a.activeKg !== undefined)
    return same(
      signed.map((a) => [a.amount, a.activeKg ?? null]),
      row.counted.map((c) => [c.amount, known ? c.activeKg : null]),
    )
      ? null
      : 'its amounts are not those that were signed'
  }
  const body = read.body!
  if (
    !same(
      body.subjects.map((s) => [s.amount, s.activeKg]),
      row.counted.map((c) => [c.amount, c.activeKg]),
    )
  )
    return 'its amounts are not those that were signed'
  const first = body.product.actives[0]
  if (row.counted.some((c) => c.active !== null && (!first || c.active !== activeKey(first.name))))
    return 'its active is not the one that was signed'
  // It counts from the day it was done, earlier records from the day they were signed; a day more for the time of the place.
  const least = Date.parse(body.startedAt) - 2 * DAY
  const most = Math.max(Date.parse(body.endedAt), row.signedAt.getTime()) + DAY
  return row.counted.some((c) => Date.parse(c.onDate) < least || Date.parse(c.onDate) > most)
    ? 'its day is not the one that was signed'
    : null
}

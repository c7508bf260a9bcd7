import type { Problem } from '../problem'

/** What happens to a lot beside what records use of it. */
export const STOCK_MOVES = ['bought', 'opened', 'spilled', 'given back', 'counted'] as const
export type StockKind = (typeof STOCK_MOVES)[number]

export interface StockMove {
  kind: StockKind
  /** m³ or kg; null where it was only opened. */
  amount: number | null
  /** Epoch ms. */
  at: number
}

/** What went on by a record, as it is known now. */
export interface StockUse {
  amount: number
  /** When the work ended, epoch ms. */
  at: number
}

/** How a lot stands, m³ or kg. */
export interface LotStock {
  /** Below nothing where more went on than was ever there. */
  left: number
  /** Since it was counted last, or since the first that is known of it. */
  since: { at: number; counted: number | null }
  bought: number
  used: number
  spilled: number
  givenBack: number
  opened: boolean
}

/**
 * What is left of a lot: what was counted last, and since then what was bought, less what was used by records, spilled and given back. A count
 * stands above all that was before it. Null where nothing is known of it: nobody entered or counted it.
 *
 * @example lotStock([{ kind: 'bought', amount: 2e-3, at: 1 }], [{ amount: 5e-4, at: 2 }])?.left // 0.0015
 */
export function lotStock(moves: readonly StockMove[], uses: readonly StockUse[]): LotStock | null {
  if (moves.length === 0) return null
  const inTime = [...moves].sort((a, b) => a.at - b.at)
  const count = inTime.findLast((m) => m.kind === 'counted')
  const from = count?.at ?? inTime[0]!.at
  const later = inTime.filter((m) => m !== count && (count ? m.at > from : true))
  const sum = (kind: StockKind) =>
    later.filter((m) => m.kind === kind).reduce((n, m) => n + (m.amount ?? 0), 0)
  const used = uses.filter((u) => u.at > from).reduce((n, u) => n + u.amount, 0)
  const [bought, spilled, givenBack] = [sum('bought'), sum('spilled'), sum('given back')]
  return {
    left: (count?.amount ?? 0) + bought - used - spilled - givenBack,
    since: { at: from, counted: count?.amount ?? null },
    bought,
    used,
    spilled,
    givenBack,
    opened: used > 0 || inTime.some((m) => m.kind === 'opened'),
  }
}

/** A count further off than this share of what should be there is asked about. House figure. */
const MOST_OFF = 0.03

/**
 * Asks before a count is kept that is not what the records leave (`doubt`, field `differs`), unless it was answered with its reason; null
 * where nothing is to be asked. `say` shows an amount.
 *
 * @example countAsked({ counted: 8e-4, expected: 1e-3, words: null, accepted: false, say }) // 'By the records …'
 */
export function countAsked(of: {
  counted: number
  /** Null where nothing is known of the lot yet. */
  expected: number | null
  words: string | null
  accepted: boolean
  say: (amount: number) => string
}): Problem | null {
  const { counted, expected, words, accepted, say } = of
  if (expected === null) return null
  const off = counted - expected
  if (Math.abs(off) <= Math.max(Math.abs(expected), counted) * MOST_OFF) return null
  if (accepted && words && words.trim() !== '') return null
  if (accepted)
    return {
      code: 'missing',
      field: 'words',
      message:
        'Say where the difference comes from: spilled, measured short, a record that is not signed yet.',
    }
  return {
    code: 'doubt',
    field: 'differs',
    message: `By the records ${say(Math.max(0, expected))} should be left; you counted ${say(counted)}, ${say(Math.abs(off))} ${off < 0 ? 'less' : 'more'}. Count once more, or say where the difference comes from. Is that what is there?`,
  }
}

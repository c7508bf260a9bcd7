import { enterStockAsks, setLeastAsks } from '@/asks/shelf'
import { ok, refuse, refusing, type Result } from '@/core/problem'
import { countAsked, lotStock, type LotStock } from '@/core/stock/lotStock'
import { readStock, showStock, type StockAmount } from '@/core/stock/stockAmount'
import { lotsOfCodes, versionsOfCard } from '@/db/queries/card'
import type { FirmSql } from '@/db/client'
import {
  addStockMove,
  lotById,
  movesOfCards,
  setLeast,
  usesOfLots,
  type StockMoveRow,
} from '@/db/queries/stock'
import { verb } from './verb'

/** How the lots of cards stand, by lot; of those that nobody entered anything is known. */
export async function stockOfCards(
  sql: FirmSql,
  codes: readonly string[],
): Promise<Map<string, { stock: LotStock; measure: StockAmount['measure']; moves: StockMoveRow[] }>> {
  const moves = await movesOfCards(sql, codes)
  const known = [...moves].flatMap(([lotId, own]) => {
    const first = lotStock(own, [])
    const measure = own.find((m) => m.measure !== null)?.measure
    return first && measure ? [{ lotId, own, at: first.since.at, measure }] : []
  })
  const uses = await usesOfLots(sql, known)
  return new Map(
    known.map(({ lotId, own, measure }) => [
      lotId,
      { stock: lotStock(own, uses.get(lotId) ?? [])!, measure, moves: own },
    ]),
  )
}

/**
 * Enters what happened to a lot: bought, opened, spilled, given back, or counted. A count that the records do not leave is asked about, and is
 * kept with where the difference comes from.
 */
export const enterStockVerb = verb({
  roles: 'all',
  about: (i) => i.lotId,
  makes: (i) => i.id,
  input: enterStockAsks,
  run: async ({ sql, person, at }, input): Promise<Result<{ id: string }>> => {
    const lot = await lotById(sql, input.lotId)
    if (!lot) return refuse('unknown', 'lotId', 'There is no such lot on the shelf. Load the page again.')
    const known = (await stockOfCards(sql, [lot.code])).get(lot.id)
    const typed = (input.amount ?? '').trim()
    if (typed === '' && input.kind !== 'opened')
      return refuse('missing', 'amount', 'Say how much, with its unit: 64 fl oz, 2 lb.')
    const read = typed === '' ? null : readStock(typed, 'amount', known?.measure ?? null)
    if (read && !read.ok) return read
    if (input.kind === 'counted') {
      const asked = refusing(
        countAsked({
          counted: read!.value.amount,
          expected: known?.stock.left ?? null,
          words: input.words,
          accepted: input.accepted.includes('differs'),
          say: (amount) => showStock({ amount, measure: read!.value.measure }, person.units),
        }),
      )
      if (asked) return asked
    }
    if ((input.kind === 'spilled' || input.kind === 'given back') && !input.words)
      return refuse('missing', 'words', 'Say what happened, and where it went.')
    const { id, kind, words } = input
    await addStockMove(sql, {
      id,
      firmId: person.firmId,
      lotId: lot.id,
      kind,
      amount: read?.value.amount ?? null,
      measure: read?.value.measure ?? null,
      words,
      by: person.id,
      at,
    })
    return ok({ id })
  },
})

/** Says how much of a card is to be on the shelf at least; empty, nothing is. */
export const setLeastVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  about: (i) => i.id,
  makes: (i) => i.id,
  input: setLeastAsks,
  run: async ({ sql, person, now }, { id, code, least }): Promise<Result<{ id: string }>> => {
    if ((await versionsOfCard(sql, code)).length === 0)
      return refuse('unknown', 'code', 'There is no such card. Load the page again.')
    const typed = (least ?? '').trim()
    const stock = await stockOfCards(sql, [code])
    const measure = [...stock.values()][0]?.measure ?? null
    const read = typed === '' ? null : readStock(typed, 'least', measure)
    if (read && !read.ok) return read
    if (read && read.value.amount === 0)
      return refuse('out-of-range', 'least', 'Nothing is no least; leave it empty.')
    await setLeast(sql, {
      id,
      firmId: person.firmId,
      code,
      amount: read?.value.amount ?? null,
      measure: read?.value.measure ?? null,
      by: person.id,
      at: now,
    })
    return ok({ id })
  },
})

/** Lots of cards with what is left of each, for whoever loads or counts. */
export async function lotsWithStock(sql: FirmSql, codes: string[]) {
  const [lots, stock] = await Promise.all([lotsOfCodes(sql, codes), stockOfCards(sql, codes)])
  return lots.map((l) => {
    const known = stock.get(l.id)
    return {
      ...l,
      left: known ? { amount: known.stock.left, measure: known.measure } : null,
      opened: known?.stock.opened ?? false,
    }
  })
}

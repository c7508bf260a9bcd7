import { causeName } from '@/almanac/causes'
import { isGood } from '@/core/card/lot'
import { cards, lotsOfCodes, putOnFrom, versionsOfCard } from '@/db/queries/card'
import { leastOfCards, lotById, treesOfLot } from '@/db/queries/stock'
import { showProduct } from '@/core/methods/showProduct'
import { stringify } from 'csv-stringify/sync'
import { cardDocument } from '../shelf'
import { stockOfCards } from '../stock'
import { reading } from './reader'

/** Every card in its newest version, with its lots. */
export function shelfView() {
  return reading(async ({ sql, today }) => {
    const all = await cards(sql)
    const lots = await lotsOfCodes(
      sql,
      all.map((c) => c.code),
    )
    return {
      today,
      cards: all.map((c) => {
        const own = lots.filter((l) => l.code === c.code)
        return {
          code: c.code,
          version: c.version,
          kind: c.kind,
          name: c.name,
          formulation: c.body.formulation,
          actives: c.body.actives.map((a) => a.name),
          methods: [...new Set(c.uses.map((u) => u.method))],
          /** What it is against, by name. */
          targets: [...new Set(c.uses.flatMap((u) => u.targets))].map(causeName),
          lots: own.length,
          goodLots: own.filter((l) => isGood(l, today)).length,
        }
      }),
    }
  })
}

export type ShelfView = Awaited<ReturnType<typeof shelfView>>

/** One card with its versions and lots; null where there is none. */
export function cardView(code: string) {
  return reading(async ({ sql, person, today }) => {
    const versions = await versionsOfCard(sql, code)
    if (!versions[0]) return null
    const lots = await lotsOfCodes(sql, [code])
    const [stock, least] = await Promise.all([stockOfCards(sql, [code]), leastOfCards(sql, [code])])
    return {
      today,
      timeZone: person.timeZone,
      versions: versions.map((v) => ({
        version: v.version,
        at: v.enteredAt?.getTime() ?? null,
        by: v.enteredBy,
        card: cardDocument(v),
      })),
      lots: lots.map((l) => {
        const known = stock.get(l.id)
        return {
          ...l,
          stock: known ? { ...known.stock, measure: known.measure } : null,
          moves: known?.moves ?? [],
        }
      }),
      least: least.get(code) ?? null,
      units: person.units,
      /** What was put on from lots that were called back. */
      putOn: lots.some((l) => l.withdrawnOn !== null) ? [...(await putOnFrom(sql, code))] : [],
    }
  })
}

export type CardView = NonNullable<Awaited<ReturnType<typeof cardView>>>

/** Every tree of a lot as rows for a spreadsheet, with its number; null where there is none. */
export function lotCsv(id: string): Promise<{ number: string; csv: string } | null> {
  return reading(async ({ sql, person }) => {
    const lot = await lotById(sql, id)
    if (!lot) return null
    const rows = (await treesOfLot(sql, id)).map(({ amount, kind, method, record, ...r }) => ({
      ...r,
      amount: showProduct(amount, kind, method, person.units),
      record,
      lot: lot.number,
      product: lot.name,
    }))
    const csv = stringify(rows, { header: true, bom: true, escape_formulas: true, columns: LOT_COLUMNS })
    return { number: lot.number, csv }
  })
}

const LOT_COLUMNS = ['tag', 'site', 'client', 'contacts', 'on', 'amount', 'record', 'lot', 'product']

import { causeName } from '@/almanac/causes'
import { isGood } from '@/core/card/lot'
import { cards, lotsOfCodes, putOnFrom, versionsOfCard } from '@/db/queries/card'
import { cardDocument } from '../shelf'
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
    return {
      today,
      timeZone: person.timeZone,
      versions: versions.map((v) => ({
        version: v.version,
        at: v.enteredAt?.getTime() ?? null,
        by: v.enteredBy,
        card: cardDocument(v),
      })),
      lots,
      /** What was put on from lots that were called back. */
      putOn: lots.some((l) => l.withdrawnOn !== null) ? [...(await putOnFrom(sql, code))] : [],
    }
  })
}

export type CardView = NonNullable<Awaited<ReturnType<typeof cardView>>>

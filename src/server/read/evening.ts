import { milesFrom } from '@/core/roster/roads'
import { dayEnded, jobsOfDay, productsOfDay, stillIn, type StillInRow } from '@/db/queries/evening'
import { crewsOfDay } from '@/db/queries/loaded'
import { yardOf } from '@/db/queries/week'
import type { Reading } from '../verb'
import { isGood } from '@/core/card/lot'
import { lotsWithStock } from '../stock'
import { reading } from './reader'

/**
 * The evening: what is still in trees anywhere, and how a crew's day stands. `crewId` undefined: one's own crew, else the first that has
 * work; null: the work that no crew has.
 */
export function eveningView(crewId: string | null | undefined) {
  return reading((context) => eveningOf(context, crewId))
}

/** The same for whoever looks. */
export async function eveningOf(
  { sql, person, today }: Omit<Reading, 'now'>,
  crewId: string | null | undefined,
) {
  const yard = await yardOf(sql)
  const at = ({ latitude, longitude }: StillInRow) =>
    yard.latitude === null || yard.longitude === null || latitude === null || longitude === null
      ? null
      : milesFrom({ latitude: yard.latitude, longitude: yard.longitude }, { latitude, longitude })
  const still = (await stillIn(sql)).map((row) => {
    const { latitude: _, longitude: __, ...rest } = row
    return { ...rest, at: at(row) }
  })
  const days = await crewsOfDay(sql, today, person.id)
  // A crew that left something in a tree has an evening, though nothing of it stands on today.
  const crews = [
    ...days,
    ...still
      .filter(
        (t, i) => !days.some((c) => c.id === t.crewId) && still.findIndex((o) => o.crewId === t.crewId) === i,
      )
      .map((t) => ({ id: t.crewId, name: t.crew, truck: t.truck, own: false })),
  ]
  const crew = crews.find((c) => c.id === crewId) ?? crews[0] ?? null
  const of = { crewId: crew?.id ?? null, onDate: today }
  const products = crew ? await productsOfDay(sql, of) : []
  const lots = await lotsWithStock(
    sql,
    products.map((p) => p.code),
  )
  const ended = crew ? await dayEnded(sql, of) : null
  return {
    today,
    crews,
    crew,
    still,
    jobs: crew ? await jobsOfDay(sql, of) : [],
    /** What comes back into the yard: every lot that may be put on from, of the products of the day. */
    lots: lots
      .filter((l) => isGood(l, today))
      .map(({ id, code, number, left }) => ({
        id,
        number,
        name: products.find((p) => p.code === code)!.name,
        left,
      })),
    units: person.units,
    ended: ended && { by: ended.by, at: ended.at.getTime() },
    timeZone: person.timeZone,
  }
}

export type EveningView = Awaited<ReturnType<typeof eveningView>>

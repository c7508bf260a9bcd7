import { withOwn } from '@/almanac/own'
import { houseRules, newestNotes, ownEntries } from '@/db/queries/almanac'
import { clients, districts } from '@/db/queries/site'
import type { OwnEntry } from '@/almanac/ownEntry'
import { ownOf } from '../almanac'
import { reading } from './reader'

/** What a firm has added to the almanac: entries, notes, house rules. */
export function almanacView() {
  return reading(async ({ sql, person }) => {
    const [own, notes, rules] = [await ownEntries(sql), await newestNotes(sql), await houseRules(sql)]
    return {
      timeZone: person.timeZone,
      own: own.map((o) => ({ id: o.id, entry: o.body as OwnEntry, by: o.madeBy, at: o.madeAt.getTime() })),
      notes: notes.filter((n) => n.words !== '').map((n) => ({ ...n, at: n.at.getTime() })),
      rules: rules.map((r) => ({ ...r, at: r.at.getTime() })),
      districts: await districts(sql),
      clients: await clients(sql),
    }
  })
}

/** What the firm has added to the almanac. */
export function ownEntriesView() {
  return reading(({ sql }) => ownOf(sql))
}

/** What a person reckons in, and what the firm has added to the almanac. */
export function reckonView() {
  return reading(async ({ sql, person }) => ({ units: person.units, own: await ownOf(sql) }))
}

export type AlmanacView = Awaited<ReturnType<typeof almanacView>>

/** The causes and findings of a firm from its view. */
export function almanacOf(view: Pick<AlmanacView, 'own'>) {
  return withOwn(view.own.map((o) => o.entry))
}

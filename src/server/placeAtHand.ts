import type { Method } from '@/core/card/card'
import { isHand } from '@/core/methods/hand'
import type { UseOf } from '@/core/methods/plan'
import { methodOf } from '@/core/methods/registry'
import { distanceTo } from '@/core/place/distance'
import type { UnitSystem } from '@/core/quantity/format'
import type { Length } from '@/core/quantity/units'
import type { StandingRule } from '@/core/rules/localRule'
import { refusedByRules, type AgainstRule } from '@/core/rules/refused'
import type { FirmSql } from '@/db/client'
import { rulesAt } from '@/db/queries/localRule'
import { featuresOfSite, type FeatureRow } from '@/db/queries/site'

/** What a site asks of every tree on it: its outlines, and the rules of its district. */
export interface PlaceAtHand {
  features: FeatureRow[]
  rules: StandingRule[]
  /** The nearest water or well to a point, or null where none is drawn. */
  waterAt: (at: { eastM: Length; northM: Length }) => { distance: Length; what: string } | null
}

/** What stands at a site, by two questions. */
export async function placeAtHand(sql: FirmSql, siteId: string): Promise<PlaceAtHand> {
  const [features, rules] = await Promise.all([featuresOfSite(sql, siteId), rulesAt(sql, siteId)])
  const wet = features.filter((f) => f.kind === 'water' || f.kind === 'well')
  return {
    features,
    rules,
    waterAt: (at) =>
      wet
        .map((f) => ({ distance: distanceTo(at, f.geometry), what: f.name ?? f.kind }))
        .sort((a, b) => a.distance - b.distance)[0] ?? null,
  }
}

/** Work that is booked already: by which use, at what tree. */
export interface Booked {
  use: UseOf<Method>
  actives: readonly { name: string; group: string }[]
  host: string
  eastM: Length
  northM: Length
}

/** The rules of a place that stand against booked work on a day. Who is told before it was told when the day was set. */
export function closedHere(place: PlaceAtHand, work: Booked, on: string, units: UnitSystem): AgainstRule[] {
  const { method } = work.use
  return refusedByRules(place.rules, {
    method,
    actives: isHand(method) ? [] : work.actives,
    host: work.host,
    on,
    today: null,
    onGround: methodOf(work.use).onGround,
    water: place.waterAt(work),
    units,
  })
}

import { isHand } from '@/core/methods/names'
import type { Method } from '@/core/card/card'
import type { UseOf } from '@/core/methods/plan'
import { methodOf } from '@/core/methods/registry'
import { distanceTo } from '@/core/place/distance'
import { isWet } from '@/core/place/outlineKinds'
import type { Place } from '@/core/place/place'
import type { UnitSystem } from '@/core/quantity/format'
import { readQuantity } from '@/core/quantity/parse'
import type { Length } from '@/core/quantity/units'
import { refusedByCard, refusedNear, tooNear, type TooNear } from '@/core/rules/keptClear'
import type { StandingRule } from '@/core/rules/localRule'
import { refusedByRules, type AgainstRule } from '@/core/rules/refused'
import type { FirmSql } from '@/db/client'
import { rulesAt } from '@/db/queries/localRule'
import { groundOfSite, type FeatureRow } from '@/db/queries/plan'

/** What a site asks of every tree on it: its outlines, and the rules of its district. */
export interface PlaceAtHand {
  features: FeatureRow[]
  rules: StandingRule[]
  /**
   * The nearest water or well to a tree; null where there is none, undefined where nobody has said: neither is drawn and nobody said
   * that there is none, or the tree itself is not on the plan yet.
   */
  waterAt: (at: Standing) => { distance: Length; what: string } | null | undefined
  /** What is nearer to a tree than the distance that is kept from it; null where distances are kept and it is not on the plan. */
  nearAt: (at: Standing) => TooNear[] | null
}

/** Where a tree stands; not `placed`, it only lies beside the plan. */
type Standing = Place & { placed: boolean }

/** What stands at a site, by two questions. */
export async function placeAtHand(sql: FirmSql, siteId: string): Promise<PlaceAtHand> {
  const [{ features, waterSaid: said }, rules] = await Promise.all([
    groundOfSite(sql, siteId),
    rulesAt(sql, siteId),
  ])
  const wet = features.filter((f) => isWet(f.kind))
  const clear = features.filter((f) => f.setback !== null)
  return {
    features,
    rules,
    waterAt: (at) => {
      if (wet.length === 0) return said ? null : undefined
      return at.placed
        ? wet
            .map((f) => ({ distance: distanceTo(at, f.geometry), what: f.name ?? f.kind }))
            .sort((a, b) => a.distance - b.distance)[0]!
        : undefined
    },
    nearAt: (at) => (clear.length === 0 ? [] : at.placed ? tooNear(at, clear) : null),
  }
}

/** Work that is booked already: by which use, at what tree. */
export interface Booked {
  use: UseOf<Method>
  actives: readonly { name: string; group: string }[]
  host: string
  eastM: Length
  northM: Length
  placed: boolean
}

/** What of a place stands against booked work on a day: its rules, its plan, the card’s distance to water. Who is told before it was told when the day was set. */
export function closedHere(place: PlaceAtHand, work: Booked, on: string, units: UnitSystem): AgainstRule[] {
  const { method } = work.use
  const { onGround } = methodOf(work.use)
  const water = place.waterAt(work) ?? null
  const setback =
    !onGround || isHand(method) || work.use.waterSetback === undefined
      ? null
      : readQuantity(work.use.waterSetback, 'length', 'waterSetback')
  const byCard = setback?.ok ? refusedByCard(setback.value.si, water, units) : null
  return [
    ...refusedByRules(place.rules, {
      method,
      actives: isHand(method) ? [] : work.actives,
      host: work.host,
      on,
      today: null,
      onGround,
      water,
      units,
    }),
    ...refusedNear(place.nearAt(work) ?? [], { onGround, units }),
    ...(byCard ? [byCard] : []),
  ]
}

import { z } from 'zod'
import { doubtPlace, spreadOf, together, type Place } from '@/core/place/place'
import { refuse, type Result } from '@/core/problem'
import { featuresOfSite, type FeatureRow } from '@/db/queries/plan'
import { spreadOfTrees } from '@/db/queries/tree'
import { typed } from '@/asks/text'
import type { Context } from './verb'

const metres = () =>
  z
    .number({ error: 'Place: press the plan where the tree stands, or type both distances.' })
    .min(-5000, { error: 'The place is more than 5 km off the plan; check the distance.' })
    .max(5000, { error: 'The place is more than 5 km off the plan; check the distance.' })

/** Where a tree stands, as a step takes it, and what was asked about it and answered yes. */
export const placeFields = {
  eastM: metres(),
  northM: metres(),
  accepted: z.array(typed('What was accepted', 40)).max(10).default([]),
}

/**
 * Asks about a place far beyond everything else on the plan, unless that was answered. `besides` is the tree that is being
 * moved, which may be the one that lies far off.
 */
export async function askAboutPlace(
  { sql, person }: Pick<Context, 'sql' | 'person'>,
  siteId: string,
  place: Place & { accepted: readonly string[] },
  besides?: { id: string },
): Promise<Result<never> | null> {
  if (place.accepted.includes('far')) return null
  const drawn = spreadOf((await featuresOfSite(sql, siteId)).flatMap(cornersOf))
  const doubt = doubtPlace(place, together(drawn, await spreadOfTrees(sql, siteId, besides)), person.units)
  return doubt === null ? null : refuse('doubt', 'far', doubt)
}

function cornersOf(feature: Pick<FeatureRow, 'geometry'>): Place[] {
  const { type, coordinates } = feature.geometry
  const points = (
    type === 'Polygon' ? (coordinates as unknown[])[0] : type === 'Point' ? [coordinates] : coordinates
  ) as [number, number][]
  return points.map(([eastM, northM]) => ({ eastM, northM }))
}

import { doubtPlace, spreadOf, together, type Place } from '@/core/place/place'
import { refuse, type Result } from '@/core/problem'
import { featuresOfSite, type FeatureRow } from '@/db/queries/plan'
import { spreadOfTrees } from '@/db/queries/tree'
import type { Context } from './verb'

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

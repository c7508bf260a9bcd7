import { z } from 'zod'
import { addSiteAsks, changeSiteAsks, SPOT_IN_PART } from '@/asks/places'
import { id } from '@/asks/text'
import { ok, refuse, type Result } from '@/core/problem'
import { clientWhole } from '@/db/queries/client'
import { addSite, archiveSite, changeSite, openAtSite, siteWhole } from '@/db/queries/site'
import { remark } from '../anew'
import { changedMeanwhile } from '../standing'
import { verb } from '../verb'

const keepers = ['arborist', 'office'] as const
const noSite = refuse('unknown', 'siteId', 'There is no such site. Load the page again.')

function spotProblem(spot: { latitude: number | null; longitude: number | null }): Result<never> | null {
  if ((spot.latitude === null) === (spot.longitude === null)) return null
  return refuse('missing', spot.latitude === null ? 'latitude' : 'longitude', SPOT_IN_PART)
}

/** Enters a site of a client. It lies in the time zone of the firm. */
export const addSiteVerb = verb({
  roles: keepers,
  input: addSiteAsks,
  about: (i) => i.id,
  makes: (i) => i.id,
  run: async ({ sql, person }, input): Promise<Result<{ id: string }>> => {
    const client = await clientWhole(sql, input.clientId)
    if (!client || client.archivedAt !== null)
      return refuse('unknown', 'clientId', 'There is no such client; choose it from the list.')
    const wrong = spotProblem(input)
    if (wrong) return wrong
    await addSite(sql, { ...input, firmId: person.firmId, timeZone: person.timeZone })
    return ok({ id: input.id })
  },
})

/** Changes a site, unless somebody changed it since. */
export const changeSiteVerb = verb({
  roles: keepers,
  bearing: 'change',
  input: changeSiteAsks,
  about: (i) => i.siteId,
  run: async (context, { siteId, version, ...fields }): Promise<Result<{ version: number }>> => {
    const { sql } = context
    const before = await siteWhole(sql, siteId)
    if (!before) return noSite
    const wrong = spotProblem(fields)
    if (wrong) return wrong
    const next = await changeSite(sql, siteId, version, fields)
    if (next === null) return changedMeanwhile('site')
    // Rules of another district may hold there now.
    if (before.district !== fields.district) await remark(context, { siteId })
    return ok({ version: next })
  },
})

/** Puts a site away where nothing is worked any more, or takes it back. Its trees and records stay. */
export const archiveSiteVerb = verb({
  roles: keepers,
  input: z.strictObject({ siteId: id('siteId'), away: z.boolean() }),
  about: (i) => i.siteId,
  run: async ({ sql, now }, input): Promise<Result<{ away: boolean }>> => {
    const site = await siteWhole(sql, input.siteId)
    if (!site) return noSite
    if (input.away) {
      const open = await openAtSite(sql, site.id)
      if (open.work > 0 || open.looks > 0)
        return refuse(
          'conflict',
          'siteId',
          `At ${site.name} ${[
            open.work > 0 && `${open.work} ${open.work === 1 ? 'tree is' : 'trees are'} with the crew`,
            open.looks > 0 && `${open.looks} ${open.looks === 1 ? 'look is' : 'looks are'} promised`,
          ]
            .filter(Boolean)
            .join(' and ')}; do that, or end it with its reason, before the site is put away.`,
        )
    }
    if (!input.away) {
      const client = await clientWhole(sql, site.clientId)
      if (client?.archivedAt)
        return refuse('conflict', 'siteId', `${client.name} is put away; take the client back first.`)
    }
    await archiveSite(sql, site.id, input.away ? now : null)
    return ok({ away: input.away })
  },
})

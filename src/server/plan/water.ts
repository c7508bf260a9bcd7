import { sayWaterAsks } from '@/asks/plan'
import { ok, refuse, type Result } from '@/core/problem'
import { sayWater } from '@/db/queries/plan'
import { siteById } from '@/db/queries/site'
import { verb } from '../verb'

/**
 * Says that all water and wells near the trees of a site are on its plan, also where there is none; or takes that back. Until somebody says so
 * or draws one, nothing is signed that keeps a distance from water.
 */
export const sayWaterVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  bearing: 'change',
  about: (i) => i.siteId,
  input: sayWaterAsks,
  run: async ({ sql, person, at }, input): Promise<Result<{ said: boolean }>> => {
    const site = await siteById(sql, input.siteId)
    if (!site) return refuse('unknown', 'siteId', 'There is no such site. Load the page again.')
    await sayWater(sql, site.id, input.said ? { at, by: person.id } : null)
    return ok({ said: input.said })
  },
})

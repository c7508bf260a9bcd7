import { ownHosts } from '../almanac'
import { featuresOfSite, siteById, sites } from '@/db/queries/site'
import { marksOfSite, treesNamed, treesOfSite, treesWaiting, type AfterTree } from '@/db/queries/tree'
import { searchable } from '../text'
import { isId, reading } from './reader'
import { plainMarks } from './ring'

export function sitesView() {
  return reading(async ({ sql }) => ({ sites: await sites(sql) }))
}

/** A site with its outlines and its trees, a page of 500 at a time in tag order. */
export function siteView(id: string, after: { tag: string; id: string } | null = null) {
  return reading(async ({ sql, person }) => {
    const site = isId(id) ? await siteById(sql, id) : undefined
    if (!site) return null
    const [features, trees, marks] = [
      await featuresOfSite(sql, id),
      await treesOfSite(sql, id, after, 501),
      await marksOfSite(sql, id),
    ]
    const more = trees.length > 500
    return {
      site,
      features,
      more,
      role: person.role,
      ownHosts: await ownHosts(sql),
      trees: trees
        .slice(0, 500)
        .map((t) => ({ ...t, marks: plainMarks(marks.filter((m) => m.treeId === t.id)) })),
    }
  })
}

export type SiteView = NonNullable<Awaited<ReturnType<typeof siteView>>>

/** Trees that wait at a step, a page at a time, with how many there are in all. */
export function waitingView(
  step: 'examine' | 'weigh' | 'decide' | 'prescribe',
  after: AfterTree | null = null,
) {
  return reading(async ({ sql, person }) => ({
    ...(await treesWaiting(sql, step, after, WAITING_PAGE)),
    units: person.units,
  }))
}

/** Trees of one page of a waiting list. */
export const WAITING_PAGE = 100

export function findView(text: string) {
  return reading(async ({ sql }) => (searchable(text) === '' ? [] : treesNamed(sql, searchable(text))))
}

import { ownHosts } from '../almanac'
import { calendarLinks } from '@/db/queries/calendar'
import { groundOfSite } from '@/db/queries/plan'
import { siteById, sites } from '@/db/queries/site'
import { rulesAt } from '@/db/queries/localRule'
import { HOSTS } from '@/almanac/hosts'
import { spreadOf, type Spread } from '@/core/place/place'
import type { Stage } from '@/core/plan/stage'
import {
  clustersInBox,
  countTreesOfSite,
  spreadOfTrees,
  treeById,
  treesInBox,
  treesOfSite,
  type AfterListed,
  treesWaiting,
  type AfterTree,
  type Cluster,
  type TreeCard,
} from '@/db/queries/tree'
import type { Reading } from '../verb'
import { isId, reading } from './reader'
import type { TreeOrder } from '@/core/plan/order'

export function sitesView() {
  return reading(async ({ sql }) => ({ sites: await sites(sql) }))
}

/** Trees of one page of a site's list. */
const SITE_PAGE = 200
/** More trees than this in view are gathered into clusters. */
const MOST_DRAWN = 300

/**
 * A site with its outlines, the first page of its trees in tag order, and its plan as a whole; with the tree of it that is to
 * be moved, if one is.
 */
export function siteView(id: string, moving: string | null = null) {
  return reading(async (context) => {
    const { sql, person } = context
    const site = isId(id) ? await siteById(sql, id) : undefined
    if (!site) return null
    const [list, tree, rules, links, { features, picture }, hosts, spread] = await Promise.all([
      pageOfTrees(context, site, null, {}),
      moving ? treeById(sql, moving) : undefined,
      rulesAt(sql, site.id),
      // Under which the client's calendar is read.
      calendarLinks(sql, { crewId: null, clientId: site.clientId }),
      groundOfSite(sql, id),
      ownHosts(sql),
      site.trees > SITE_PAGE ? planOf(context, site, null) : null,
    ])
    const moved = tree?.siteId === site.id && tree.status === 'standing' ? tree : null
    return {
      site,
      rules: rules.length,
      links,
      features,
      picture,
      moving: moved && {
        id: moved.id,
        tag: moved.tag,
        version: moved.version,
        eastM: moved.eastM,
        northM: moved.northM,
      },
      units: person.units,
      ownHosts: hosts,
      list,
      // A site that fits one page is drawn from its list; it is not read or sent twice.
      plan: list.more
        ? (spread ?? (await planOf(context, site, null)))
        : { whole: spreadOf(list.trees), trees: list.trees, clusters: [] },
    }
  })
}

/** A site by its id, for what asks about its trees. */
export function siteNamed({ sql }: Pick<Reading, 'sql'>, id: string) {
  return siteById(sql, id)
}

/** A page of a site's trees, narrowed by what is typed and by stage, with how many there are in all. */
export async function pageOfTrees(
  { sql }: Pick<Reading, 'sql'>,
  site: { id: string; trees: number },
  after: AfterListed | null,
  typed: { text?: string; stage?: Stage },
  order: TreeOrder = 'tag',
) {
  const text = typed.text?.toLowerCase()
  const filter = { text, stage: typed.stage, hosts: text ? hostsNamed(text, await ownHosts(sql)) : [] }
  const trees = await treesOfSite(sql, site.id, after, SITE_PAGE + 1, filter, order)
  return {
    trees: trees.slice(0, SITE_PAGE),
    more: trees.length > SITE_PAGE,
    total: after ? null : text || typed.stage ? await countTreesOfSite(sql, site.id, filter) : site.trees,
  }
}

/** What is in a stretch of the plan: trees one by one, or clusters where there are too many; the whole site by default. */
export async function planOf(
  { sql }: Pick<Reading, 'sql'>,
  site: { id: string; trees: number },
  box: Spread | null,
): Promise<PlanView> {
  const whole = await spreadOfTrees(sql, site.id)
  const shown = box ?? whole
  if (!whole || !shown) return { whole, trees: [], clusters: [] }
  if (box || site.trees <= MOST_DRAWN) {
    const trees = await treesInBox(sql, site.id, shown, MOST_DRAWN + 1)
    if (trees.length <= MOST_DRAWN) return { whole, trees, clusters: [] }
  }
  const cell = Math.max(1, Math.max(shown.east - shown.west, shown.north - shown.south) / 16)
  return { whole, trees: [], clusters: await clustersInBox(sql, site.id, shown, cell) }
}

export type PageOfTrees = Awaited<ReturnType<typeof pageOfTrees>>
export interface PlanView {
  /** How far the site's trees spread; null without any. */
  whole: Spread | null
  trees: TreeCard[]
  clusters: Cluster[]
}

/** The kinds of tree whose name has a text in it. */
function hostsNamed(text: string, own: readonly { id: string; name: string }[]): string[] {
  return [...HOSTS, ...own].filter((h) => h.name.toLowerCase().includes(text)).map((h) => h.id)
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
export const WAITING_PAGE = 50

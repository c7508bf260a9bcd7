import type { Spread } from '@/core/place/place'
import { stageOf, type Stage, type StageFacts } from '@/core/plan/stage'
import { sentBack } from '@/core/respond/compare'
import type { FirmSql } from '../client'
import type { MarkRow } from './ring'
import type { TreeOrder } from '@/core/plan/order'
import type { Length } from '@/core/quantity/units'

export interface TreeRow {
  id: string
  siteId: string
  siteName: string
  /** The site is put away: nothing is worked there. */
  siteAway: boolean
  /** The site's, for every day and hour that is said of the tree. */
  timeZone: string
  tag: string
  host: string
  listedAs: string | null
  identityConfirmedAt: Date | null
  eastM: Length
  northM: Length
  /** False while it only lies beside the plan, as nobody has said where it stands. */
  placed: boolean
  liveCrownPercent: number | null
  note: string | null
  status: 'standing' | 'removed'
  version: number
  /** Of the newest reading, metres; null without one. */
  diameterM: Length | null
  readAt: Date | null
  /** Whose turn it is; the rule stands in core/plan/stage. */
  stage: Stage
  /** The bank, row or terrace it is worked with. */
  block: string | null
  /** Why work came back to the arborist; null when it did not. */
  returned: string | null
  /** Why and when it left the standing ones; null while it stands. */
  removedWords: string | null
  removedAt: Date | null
  /** The tree it turned out to be, where one tree was listed twice. */
  mergedInto: string | null
}

const columns = (sql: FirmSql) => sql`
  t.id, t.site_id as "siteId", s.name as "siteName", s.archived_at is not null as "siteAway", s.time_zone as "timeZone", t.tag, t.host, t.listed_as as "listedAs",
  t.identity_confirmed_at as "identityConfirmedAt", t.east_m as "eastM", t.north_m as "northM", t.placed,
  t.live_crown_percent as "liveCrownPercent", t.note, t.status, t.version, t.stage, t.block, t.returned,
  t.diameter_m as "diameterM", t.read_at as "readAt",
  t.removed_words as "removedWords", t.removed_at as "removedAt", t.merged_into as "mergedInto"`

const sources = (sql: FirmSql) => sql`tree t join site s on s.firm_id = t.firm_id and s.id = t.site_id`

/** A tree as a list and the plan draw it. Marks are `[kind, from, to, severity]`. */
export interface TreeCard {
  id: string
  tag: string
  host: string
  eastM: Length
  northM: Length
  diameterM: Length | null
  liveCrownPercent: number | null
  stage: Stage
  /** The bank, row or terrace it is worked with. */
  block: string | null
  /** Its dose must be worked out again. */
  anew: boolean
  returned: boolean
  confirmed: boolean
  marks: [MarkRow['kind'], number, number, number | null][]
}

const card = (sql: FirmSql) => sql`
  t.id, t.tag, t.host, t.east_m as "eastM", t.north_m as "northM", t.diameter_m as "diameterM",
  t.live_crown_percent as "liveCrownPercent", t.stage, t.block, t.returned is not null as returned,
  t.stage = 'run' and exists (select 1 from item_subject x where x.firm_id = t.firm_id and x.tree_id = t.id and x.anew is not null and x.status = 'handed') as anew,
  t.identity_confirmed_at is not null as confirmed,
  coalesce((select json_agg(json_build_array(m.kind, m.from_deg, m.to_deg, m.severity)) from ring_mark m
    where m.tree_id = t.id and m.kind <> 'hole' and m.stem is null), '[]') as marks`

/** What a list of a site's trees is narrowed to. */
export interface TreeFilter {
  /** Part of a tag, lower case; also any kind in `hosts`. */
  text?: string
  hosts?: readonly string[]
  stage?: Stage
}

/** The conditions of a filter on the tree `t`, for the list and for its count alike. */
function narrowed(sql: FirmSql, filter: TreeFilter) {
  return sql`
    ${filter.stage ? sql`and t.stage = ${filter.stage}` : sql``}
    ${
      filter.text
        ? sql`and (position(${filter.text} in lower(t.tag)) > 0 or position(${filter.text} in lower(t.block)) > 0 or t.host = any(${[...(filter.hosts ?? [])]}))`
        : sql``
    }`
}

/** The last row of a page of a site's trees: where the next one goes on. */
export interface AfterListed {
  /** By the order's own key, see `orderKey`. */
  key: number
  tag: string
  id: string
}

/** Standing trees of a site in an order, a page at a time: pass the last row to go on. */
export async function treesOfSite(
  sql: FirmSql,
  siteId: string,
  after: AfterListed | null = null,
  limit = 200,
  filter: TreeFilter = {},
  order: TreeOrder = 'tag',
): Promise<TreeCard[]> {
  const key =
    order === 'girth'
      ? sql`coalesce(-t.diameter_m, 0)`
      : order === 'crown'
        ? sql`coalesce(t.live_crown_percent, 101)`
        : null
  return sql<TreeCard[]>`
    select ${card(sql)} from tree t
    where t.site_id = ${siteId} and t.status = 'standing'
      ${
        after
          ? key
            ? sql`and (${key}, t.tag, t.id) > (${after.key}, ${after.tag}, ${after.id})`
            : sql`and (t.tag, t.id) > (${after.tag}, ${after.id})`
          : sql``
      }
      ${narrowed(sql, filter)}
    order by ${key ? sql`${key}, t.tag, t.id` : sql`t.tag, t.id`} limit ${limit}`
}

/** Standing trees of a site by tag after one of them, as programs list them. */
export async function treesAfter(
  sql: FirmSql,
  siteId: string,
  after: string | null,
  limit: number,
): Promise<
  (Pick<
    TreeRow,
    'id' | 'tag' | 'host' | 'listedAs' | 'eastM' | 'northM' | 'diameterM' | 'readAt' | 'stage'
  > & {
    placed: boolean
  })[]
> {
  return sql`
    select t.id, t.tag, t.host, t.listed_as as "listedAs", t.east_m as "eastM", t.north_m as "northM", t.placed,
      t.diameter_m as "diameterM", t.read_at as "readAt", t.stage
    from tree t where t.site_id = ${siteId} and t.status = 'standing'
      ${after === null ? sql`` : sql`and (t.tag, t.id) > (select x.tag, x.id from tree x where x.id = ${after})`}
    order by t.tag, t.id limit ${limit}`
}

/** How many trees of a site a filter leaves. */
export async function countTreesOfSite(sql: FirmSql, siteId: string, filter: TreeFilter): Promise<number> {
  const rows = await sql<{ count: number }[]>`
    select count(*)::int as count from tree t where t.site_id = ${siteId} and t.status = 'standing'
      ${narrowed(sql, filter)}`
  return rows[0]!.count
}

/** Trees that stand too close together on the plan to be drawn one by one. */
export interface Cluster {
  eastM: Length
  northM: Length
  trees: number
}

/** How far a site's trees spread, without one at a place if given; null without any. */
export async function spreadOfTrees(
  sql: FirmSql,
  siteId: string,
  besides?: { id: string },
): Promise<Spread | null> {
  const rows = await sql<Spread[]>`
    select min(east_m) as west, min(north_m) as south, max(east_m) as east, max(north_m) as north
    from tree where site_id = ${siteId} and status = 'standing' ${besides ? sql`and id <> ${besides.id}` : sql``}`
  return rows[0] && rows[0].west !== null ? rows[0] : null
}

/** Trees in a stretch of the plan, at most `limit`. */
export async function treesInBox(
  sql: FirmSql,
  siteId: string,
  box: Spread,
  limit: number,
): Promise<TreeCard[]> {
  return sql<TreeCard[]>`
    select ${card(sql)} from (
      select * from tree where site_id = ${siteId} and status = 'standing'
        and east_m between ${box.west} and ${box.east} and north_m between ${box.south} and ${box.north}
      order by tag, id limit ${limit}) t order by t.tag, t.id`
}

/** The trees in a stretch of the plan, gathered by squares of `cell` metres. */
export async function clustersInBox(
  sql: FirmSql,
  siteId: string,
  box: Spread,
  cell: number,
): Promise<Cluster[]> {
  return sql<Cluster[]>`
    select round(avg(east_m)::numeric, 2)::double precision as "eastM", round(avg(north_m)::numeric, 2)::double precision as "northM", count(*)::int as trees from tree
    where site_id = ${siteId} and status = 'standing'
      and east_m between ${box.west} and ${box.east} and north_m between ${box.south} and ${box.north}
    group by floor(east_m / ${cell}), floor(north_m / ${cell}) order by 1, 2 limit 400`
}

export async function treeById(sql: FirmSql, id: string): Promise<TreeRow | undefined> {
  const rows = await sql<TreeRow[]>`select ${columns(sql)} from ${sources(sql)} where t.id = ${id}`
  return rows[0]
}

/** A standing tree of the same kind near another one. */
export interface NearRow {
  of: string
  treeId: string
  tag: string
}

/** The standing trees of the same kind at their site within so many metres of these trees, by tag. */
export async function nearOfKind(sql: FirmSql, ids: string[], within: number): Promise<NearRow[]> {
  if (ids.length === 0) return []
  return sql<NearRow[]>`
    select t.id as of, n.id as "treeId", n.tag from unnest(${ids}::uuid[]) q (id) join tree t on t.id = q.id
    join tree n on n.firm_id = t.firm_id and n.site_id = t.site_id and n.id <> t.id and n.status = 'standing' and n.host = t.host
      and n.east_m between t.east_m - ${within} and t.east_m + ${within} and n.north_m between t.north_m - ${within} and t.north_m + ${within}
      and sqrt((n.east_m - t.east_m) ^ 2 + (n.north_m - t.north_m) ^ 2) <= ${within}
    order by n.tag, n.id`
}

/** The standing trees before and after a tree on its site, by tag; null at either end. */
export async function neighboursOf(
  sql: FirmSql,
  tree: { siteId: string; tag: string },
): Promise<{ previous: string | null; next: string | null }> {
  const [row] = await sql<{ previous: string | null; next: string | null }[]>`
    select (select id from tree x where x.site_id = ${tree.siteId} and x.status = 'standing' and x.tag < ${tree.tag} order by x.tag desc, x.id limit 1) as previous,
      (select id from tree x where x.site_id = ${tree.siteId} and x.status = 'standing' and x.tag > ${tree.tag} order by x.tag, x.id limit 1) as next`
  return row!
}

/** Trees by their ids, by tag. */
export async function treesById(sql: FirmSql, ids: string[]): Promise<TreeRow[]> {
  return sql<
    TreeRow[]
  >`select ${columns(sql)} from ${sources(sql)} where t.id = any(${ids}) order by t.tag, t.id`
}

/** Holds trees until the transaction ends, in the order of their ids. Answers them as they are then, by tag. */
export async function treesForChange(sql: FirmSql, ids: string[]): Promise<TreeRow[]> {
  await sql`select 1 from tree where id = any(${ids}) order by id for no key update`
  return treesById(sql, ids)
}

/**
 * Holds the tree until the transaction ends, so that steps that rest on its newest examination, cause or decision take
 * turns. Answers it as it is then.
 */
export async function treeForChange(sql: FirmSql, id: string): Promise<TreeRow | undefined> {
  const rows = await sql<{ id: string }[]>`select id from tree where id = ${id} for no key update`
  return rows[0] ? treeById(sql, id) : undefined
}

/**
 * Works out anew whose turn a tree is and writes it down. Every step that moves the work on ends with it.
 * @param returned why the work came back to the arborist; null when that is settled, left out to keep what stands
 */
export async function restage(sql: FirmSql, treeId: string, returned?: string | null): Promise<Stage> {
  const rows = await sql<(Omit<StageFacts, 'sentBack'> & { nextStep: string | null })[]>`
    select exists (select 1 from finding f where f.firm_id = t.firm_id and f.assessment_id = a.id) as looked,
      d.id is not null as diagnosed, c.action, x.status as prescription,
      exists (select 1 from follow_up u where u.firm_id = t.firm_id and u.tree_id = t.id and not u.done
        and u.prescription_id = x.prescription_id) as "openChecks",
      (select m.next_step from follow_up u join measurement m on m.firm_id = u.firm_id and m.follow_up_id = u.id
        where u.firm_id = t.firm_id and u.tree_id = t.id and (u.prescription_id = x.prescription_id or u.decision_id = c.id)
        order by m.measured_at desc, m.id desc limit 1) as "nextStep"
    from tree t
      left join lateral (select id from assessment where tree_id = t.id and firm_id = t.firm_id order by started_at desc, id desc limit 1) a on true
      left join lateral (select id from diagnosis where assessment_id = a.id and firm_id = t.firm_id) d on true
      left join lateral (select id, action from decision where diagnosis_id = d.id and firm_id = t.firm_id order by signed_at desc, id desc limit 1) c on true
      left join lateral (
        select case when bool_or(s.status = 'handed') then 'handed' when bool_or(s.status = 'partly') then 'partly'
            when bool_or(s.status = 'not treated') then 'not treated' when bool_or(s.status in ('done', 'client')) then 'done' end as status,
          (array_agg(i.prescription_id order by s.n))[1] as prescription_id
        from item_subject s join prescription_item i on i.firm_id = s.firm_id and i.id = s.item_id
        where s.decision_id = c.id and s.status <> 'withdrawn' and s.firm_id = t.firm_id
          and s.round = (select max(y.round) from item_subject y where y.firm_id = t.firm_id and y.decision_id = c.id and y.status <> 'withdrawn')) x on true
    where t.id = ${treeId}`
  const { nextStep, ...facts } = rows[0]!
  const stage = stageOf({ ...facts, sentBack: nextStep === null ? null : sentBack(nextStep) })
  if (returned === undefined)
    await sql`update tree set stage = ${stage} where id = ${treeId} and stage <> ${stage}`
  else await sql`update tree set stage = ${stage}, returned = ${returned} where id = ${treeId}`
  return stage
}

/** Where a list that goes by site and tag goes on. */
export interface AfterTree {
  site: string
  tag: string
  id: string
}

/**
 * Standing trees at a stage, by site and tag, a page at a time: pass the last row's site, tag and id to go on. Sites come
 * by name; how many trees wait at each is counted, not loaded.
 */
export async function treesWaiting(
  sql: FirmSql,
  stage: Stage,
  after: AfterTree | null = null,
  limit = 100,
): Promise<{ trees: TreeRow[]; total: number; sites: number }> {
  const sites = await sql<{ id: string; trees: number }[]>`
    select w.site_id as id, w.trees from (
      select site_id, count(*)::int as trees from tree where stage = ${stage} and status = 'standing' group by site_id) w
    join site s on s.id = w.site_id order by s.name, s.id`
  const total = sites.reduce((n, s) => n + s.trees, 0)
  const from = after ? sites.findIndex((s) => s.id === after.site) : 0
  // As many sites as fill the page; the first may be read in part already.
  const page: string[] = []
  let filled = 0
  for (const [i, site] of (from < 0 ? [] : sites.slice(from)).entries()) {
    if (filled >= limit) break
    page.push(site.id)
    if (i > 0 || !after) filled += site.trees
  }
  if (page.length === 0) return { trees: [], total, sites: sites.length }
  const trees = await sql<TreeRow[]>`
    select ${columns(sql)} from unnest(${page}::uuid[]) with ordinality w (site_id, place)
      join site s on s.id = w.site_id
      cross join lateral (
        select * from tree x where x.firm_id = s.firm_id and x.site_id = w.site_id and x.stage = ${stage} and x.status = 'standing'
          ${after ? sql`and (x.site_id <> ${after.site} or (x.tag, x.id) > (${after.tag}, ${after.id}))` : sql``}
        order by x.tag, x.id limit ${limit}) t
    order by w.place, t.tag, t.id limit ${limit}`
  return { trees, total, sites: sites.length }
}

/** The stages at which a tree waits for the arborist. */
export const WAITING = ['examine', 'weigh', 'decide', 'prescribe'] as const

/** How many standing trees wait at each of the arborist's steps. */
export async function waitingCounts(sql: FirmSql): Promise<Record<(typeof WAITING)[number], number>> {
  const rows = await sql<{ stage: Stage; count: number }[]>`
    select stage, count(*)::int as count from tree
    where status = 'standing' and stage = any(${[...WAITING]}) group by stage`
  const of = (stage: Stage) => rows.find((r) => r.stage === stage)?.count ?? 0
  return { examine: of('examine'), weigh: of('weigh'), decide: of('decide'), prescribe: of('prescribe') }
}

export interface NewTree {
  id: string
  firmId: string
  siteId: string
  tag: string
  host: string
  eastM: Length
  northM: Length
  note: string | null
}

/** Adds a tree. Answers whether the tag was free. */
export async function addTree(sql: FirmSql, tree: NewTree): Promise<'added' | 'tag-taken'> {
  const rows = await sql`
    insert into tree (id, firm_id, site_id, tag, host, east_m, north_m, note)
    values (${tree.id}, ${tree.firmId}, ${tree.siteId}, ${tree.tag}, ${tree.host}, ${tree.eastM}, ${tree.northM}, ${tree.note})
    on conflict (firm_id, site_id, tag) where status = 'standing' do nothing returning id`
  if (rows.length === 0) return 'tag-taken'
  await sql`update site set trees = trees + 1 where id = ${tree.siteId}`
  return 'added'
}

/** Changes the tree's own fields if nobody did since `version`; answers the new version or null. */
export async function changeTree(
  sql: FirmSql,
  id: string,
  version: number,
  change: { tag: string; host: string; note: string | null; liveCrownPercent: number | null },
): Promise<number | null> {
  const rows = await sql<{ version: number }[]>`
    update tree set tag = ${change.tag}, host = ${change.host}, note = ${change.note},
      live_crown_percent = ${change.liveCrownPercent},
      identity_confirmed_at = case when host = ${change.host} then identity_confirmed_at end,
      version = version + 1
    where id = ${id} and version = ${version} returning version`
  return rows[0]?.version ?? null
}

export async function confirmIdentity(
  sql: FirmSql,
  id: string,
  host: string,
  by: string,
  at: Date,
): Promise<void> {
  await sql`update tree set host = ${host}, identity_confirmed_at = ${at}, identity_confirmed_by = ${by},
    version = version + 1 where id = ${id}`
}

/** Takes one step of the version; answers null when somebody was faster. */
export async function touchTree(sql: FirmSql, id: string, version: number): Promise<number | null> {
  const rows = await sql<{ version: number }[]>`
    update tree set version = version + 1 where id = ${id} and version = ${version} returning version`
  return rows[0]?.version ?? null
}

/** Puts a tree elsewhere on its plan if nobody changed it since `version`; answers the new version or null. */
export async function moveTree(
  sql: FirmSql,
  id: string,
  version: number,
  place: { eastM: Length; northM: Length },
): Promise<number | null> {
  const rows = await sql<{ version: number }[]>`
    update tree set east_m = ${place.eastM}, north_m = ${place.northM}, placed = true, version = version + 1
    where id = ${id} and version = ${version} returning version`
  return rows[0]?.version ?? null
}

/** Puts a tree where it stood before, on the plan or beside it. */
export async function placeTree(
  sql: FirmSql,
  id: string,
  place: { eastM: Length; northM: Length; placed: boolean },
): Promise<void> {
  await sql`update tree set east_m = ${place.eastM}, north_m = ${place.northM}, placed = ${place.placed}, version = version + 1
    where id = ${id}`
}

/**
 * Takes a tree from the standing ones. What was promised for it falls with it, with the reason; listings that were merged
 * into it go to the tree it turned out to be.
 */
export async function takeFromStanding(
  sql: FirmSql,
  t: { id: string; siteId: string; words: string; at: Date; mergedInto: string | null },
): Promise<void> {
  await sql`update tree set status = 'removed', removed_words = ${t.words}, removed_at = ${t.at}, merged_into = ${t.mergedInto},
    version = version + 1 where id = ${t.id}`
  if (t.mergedInto !== null)
    await sql`update tree set merged_into = ${t.mergedInto} where merged_into = ${t.id}`
  await sql`update site set trees = trees - 1 where id = ${t.siteId}`
  await sql`update follow_up set done = true, dropped = ${t.words} where tree_id = ${t.id} and not done`
}

/** Puts a tree back among the standing ones, with what was promised for it. False where its tag was taken meanwhile. */
export async function standAgain(sql: FirmSql, t: { id: string; siteId: string }): Promise<boolean> {
  const rows = await sql`
    update tree x set status = 'standing', removed_words = null, removed_at = null, merged_into = null, version = version + 1
    where x.id = ${t.id} and not exists (
      select 1 from tree o where o.site_id = x.site_id and o.tag = x.tag and o.status = 'standing') returning id`
  if (rows.length === 0) return false
  await sql`update site set trees = trees + 1 where id = ${t.siteId}`
  await sql`update follow_up set done = false, dropped = null where tree_id = ${t.id} and dropped is not null
    and (decision_id is null or decision_id = (select c.id from decision c where c.tree_id = ${t.id} order by c.signed_at desc, c.id desc limit 1))`
  return true
}

/** The standing tree of a site with a tag, whatever case it is typed in. */
export async function standingTagged(sql: FirmSql, siteId: string, tag: string): Promise<string | undefined> {
  const rows = await sql<{ id: string; tag: string }[]>`
    select id, tag from tree where site_id = ${siteId} and status = 'standing' and lower(tag) = lower(${tag}) order by tag`
  return (rows.find((r) => r.tag === tag) ?? rows[0])?.id
}

/** A tree and every other listing of it. */
export async function listingsOf(sql: FirmSql, id: string): Promise<string[]> {
  const rows = await sql<{ id: string }[]>`select id from tree where merged_into = ${id}`
  return [id, ...rows.map((r) => r.id)]
}

/** Every listing of trees, each tree's own first, by tree. */
export async function listingsOfTrees(sql: FirmSql, ids: string[]): Promise<Map<string, string[]>> {
  const rows = await sql<{ id: string; into: string }[]>`
    select id, merged_into as into from tree where merged_into = any(${ids})`
  return new Map(ids.map((id) => [id, [id, ...rows.filter((r) => r.into === id).map((r) => r.id)]]))
}

/** A tree `t` that waits for a prescription: decided to treat, or to care for, of which products may be part. */
export const toPrescribe = (sql: FirmSql) => sql`(t.stage = 'prescribe' or (t.stage = 'otherwise' and
      (select c.action from decision c where c.firm_id = t.firm_id and c.tree_id = t.id order by c.signed_at desc, c.id desc limit 1) = 'care'))`

type Where = (sql: FirmSql) => ReturnType<typeof toPrescribe>

/** Standing trees of a site or of a block of it for which something holds, by tag. */
const treesFor =
  (holds: Where) =>
  async (sql: FirmSql, siteId: string, block: string | null, limit: number): Promise<TreeRow[]> =>
    sql<TreeRow[]>`
    select ${columns(sql)} from ${sources(sql)}
    where t.site_id = ${siteId} and t.status = 'standing' ${block === null ? sql`` : sql`and t.block = ${block}`} and ${holds(sql)}
    order by t.tag, t.id limit ${limit}`

/** Those whose signed cause waits for a decision. */
export const treesToDecide = treesFor((sql) => sql`t.stage = 'decide'`)

/** Those that wait for a prescription: decided to treat, or to care for, of which products may be part. */
export const treesToPrescribe = treesFor(toPrescribe)

/** The tags of trees by their ids. */
export async function tagsOfTrees(sql: FirmSql, ids: readonly string[]): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map()
  const rows = await sql<
    { id: string; tag: string }[]
  >`select id, tag from tree where id = any(${ids as string[]})`
  return new Map(rows.map((r) => [r.id, r.tag]))
}

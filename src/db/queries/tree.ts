import type { FirmSql } from '../client'

export interface TreeRow {
  id: string
  siteId: string
  siteName: string
  tag: string
  host: string
  listedAs: string | null
  identityConfirmedAt: Date | null
  eastM: number
  northM: number
  liveCrownPercent: number | null
  note: string | null
  status: 'standing' | 'removed'
  version: number
  /** Of the newest reading, metres; null without one. */
  diameterM: number | null
  readAt: Date | null
  /** How far the chain of work has come: the newest sign of each step. */
  examined: boolean
  diagnosed: boolean
  decided: boolean
  /** The newest decision is to treat. */
  toTreat: boolean
  prescribed: boolean
  recorded: boolean
  followed: boolean
}

const columns = (sql: FirmSql) => sql`
  t.id, t.site_id as "siteId", s.name as "siteName", t.tag, t.host, t.listed_as as "listedAs",
  t.identity_confirmed_at as "identityConfirmedAt", t.east_m as "eastM", t.north_m as "northM",
  t.live_crown_percent as "liveCrownPercent", t.note, t.status, t.version,
  (select sqrt(sum(d * d)) from unnest(r.stems_m) d) as "diameterM", r.read_at as "readAt",
  exists (select 1 from finding f where f.assessment_id = a.id) as examined,
  d.id is not null as diagnosed, c.id is not null as decided, coalesce(c.action = 'treat', false) as "toTreat",
  p.id is not null as prescribed,
  coalesce(p.status = 'done', false) as recorded,
  coalesce(p.status = 'done' and not exists (
    select 1 from follow_up u where u.prescription_id = p.id
      and not exists (select 1 from measurement m where m.follow_up_id = u.id)), false) as followed`

const sources = (sql: FirmSql) => sql`
  tree t
  join site s on s.id = t.site_id
  left join lateral (select stems_m, read_at from stem_reading where tree_id = t.id and firm_id = t.firm_id order by read_at desc, id desc limit 1) r on true
  left join lateral (select id from assessment where tree_id = t.id and firm_id = t.firm_id order by started_at desc, id desc limit 1) a on true
  left join lateral (select id from diagnosis where assessment_id = a.id and firm_id = t.firm_id order by signed_at desc, id desc limit 1) d on true
  left join lateral (select id, action from decision where diagnosis_id = d.id and firm_id = t.firm_id order by signed_at desc, id desc limit 1) c on true
  left join lateral (select id, status from prescription where decision_id = c.id and status <> 'withdrawn' and firm_id = t.firm_id order by signed_at desc, id desc limit 1) p on true`

/** Standing trees of a site in tag order, a page at a time: pass the last row's tag and id to go on. */
export async function treesOfSite(
  sql: FirmSql,
  siteId: string,
  after: { tag: string; id: string } | null = null,
  limit = 200,
): Promise<TreeRow[]> {
  return sql<TreeRow[]>`
    select ${columns(sql)} from ${sources(sql)}
    where t.site_id = ${siteId} and t.status = 'standing'
      ${after ? sql`and (t.tag, t.id) > (${after.tag}, ${after.id})` : sql``}
    order by t.tag, t.id limit ${limit}`
}

export async function treeById(sql: FirmSql, id: string): Promise<TreeRow | undefined> {
  const rows = await sql<TreeRow[]>`select ${columns(sql)} from ${sources(sql)} where t.id = ${id}`
  return rows[0]
}

/** Trees whose work stands at a step, oldest reading first: what waits to be examined, weighed, decided, prescribed. */
export async function treesWaiting(
  sql: FirmSql,
  step: 'examine' | 'weigh' | 'decide' | 'prescribe',
  limit = 100,
): Promise<TreeRow[]> {
  const rows = await sql<TreeRow[]>`
    select * from (select ${columns(sql)} from ${sources(sql)} where t.status = 'standing') w
    where ${
      step === 'examine'
        ? sql`not w.diagnosed and not w.examined`
        : step === 'weigh'
          ? sql`w.examined and not w.diagnosed`
          : step === 'decide'
            ? sql`w.diagnosed and not w.decided`
            : sql`w."toTreat" and not w.prescribed`
    }
    order by w."siteName", w.tag limit ${limit}`
  return rows
}

/** How many standing trees wait at each step, in one pass. */
export async function waitingCounts(
  sql: FirmSql,
): Promise<{ examine: number; weigh: number; decide: number; prescribe: number }> {
  const rows = await sql<{ examine: number; weigh: number; decide: number; prescribe: number }[]>`
    select count(*) filter (where not w.diagnosed and not w.examined)::int as examine,
      count(*) filter (where w.examined and not w.diagnosed)::int as weigh,
      count(*) filter (where w.diagnosed and not w.decided)::int as decide,
      count(*) filter (where w.decided and not w.prescribed and w.treat)::int as prescribe
    from (
      select exists (select 1 from finding f where f.assessment_id = a.id) as examined,
        d.id is not null as diagnosed, c.id is not null as decided, p.id is not null as prescribed,
        coalesce(c.action = 'treat', false) as treat
      from ${sources(sql)} where t.status = 'standing') w`
  return rows[0]!
}

/** Finds trees by tag, kind or site as typed in the search. */
export async function treesNamed(sql: FirmSql, text: string, limit = 12) {
  const like = `%${text.replace(/[\\%_]/g, (c) => `\\${c}`)}%`
  return sql<{ id: string; tag: string; host: string; siteName: string }[]>`
    select t.id, t.tag, t.host, s.name as "siteName" from tree t join site s on s.id = t.site_id
    where t.tag ilike ${like} or t.host ilike ${like} or s.name ilike ${like}
    order by t.tag, t.id limit ${limit}`
}

export interface NewTree {
  id: string
  firmId: string
  siteId: string
  tag: string
  host: string
  eastM: number
  northM: number
  note: string | null
}

/** Adds a tree; a repeat with the same id changes nothing. Answers whether the tag was free. */
export async function addTree(sql: FirmSql, tree: NewTree): Promise<'added' | 'repeated' | 'tag-taken'> {
  const same = await sql`select 1 from tree where id = ${tree.id}`
  if (same.length > 0) return 'repeated'
  const rows = await sql`
    insert into tree (id, firm_id, site_id, tag, host, east_m, north_m, note)
    values (${tree.id}, ${tree.firmId}, ${tree.siteId}, ${tree.tag}, ${tree.host}, ${tree.eastM}, ${tree.northM}, ${tree.note})
    on conflict (firm_id, site_id, tag) do nothing returning id`
  return rows.length > 0 ? 'added' : 'tag-taken'
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

export interface ReadingRow {
  id: string
  readAt: Date
  readBy: string | null
  heightM: number
  tape: 'girth' | 'diameter'
  stemsM: number[]
  typed: string
  doubts: { code: string; message: string }[]
}

/** Readings of a tree, newest first. `stemsM` are diameters. */
export async function readingsOfTree(sql: FirmSql, treeId: string): Promise<ReadingRow[]> {
  return sql<ReadingRow[]>`
    select r.id, r.read_at as "readAt", p.name as "readBy", r.height_m as "heightM", r.tape, r.stems_m as "stemsM",
      r.typed, r.doubts
    from stem_reading r left join person p on p.id = r.read_by
    where r.tree_id = ${treeId} order by r.read_at desc, r.id desc limit 50`
}

export interface NewReading {
  id: string
  firmId: string
  treeId: string
  readAt: Date
  readBy: string
  heightM: number
  tape: 'girth' | 'diameter'
  stemsM: number[]
  typed: string
  doubts: { code: string; message: string }[]
}

export async function addReading(sql: FirmSql, r: NewReading): Promise<void> {
  await sql`insert into stem_reading (id, firm_id, tree_id, read_at, read_by, height_m, tape, stems_m, typed, doubts)
    values (${r.id}, ${r.firmId}, ${r.treeId}, ${r.readAt}, ${r.readBy}, ${r.heightM}, ${r.tape}, ${r.stemsM}, ${r.typed}, ${sql.json(r.doubts as never)})
    on conflict (id) do nothing`
}

export interface MarkRow {
  id: string
  kind: 'flare' | 'dead' | 'thin' | 'girdling' | 'hole'
  from: number
  to: number
  severity: number | null
  notedOn: string
}

export async function marksOfTree(sql: FirmSql, treeId: string): Promise<MarkRow[]> {
  return sql<MarkRow[]>`
    select id, kind, from_deg as "from", to_deg as "to", severity, noted_on::text as "notedOn"
    from ring_mark where tree_id = ${treeId} order by kind, from_deg, id`
}

/** The ring as it now is, in place of what it was. */
export async function replaceMarks(
  sql: FirmSql,
  firmId: string,
  treeId: string,
  marks: MarkRow[],
): Promise<void> {
  await sql`delete from ring_mark where tree_id = ${treeId}`
  for (const m of marks)
    await sql`insert into ring_mark (id, firm_id, tree_id, kind, from_deg, to_deg, severity, noted_on)
      values (${m.id}, ${firmId}, ${treeId}, ${m.kind}, ${m.from}, ${m.to}, ${m.severity}, ${m.notedOn})`
}

/** Marks of all standing trees of a site at once, for the small rings of a list. */
export async function marksOfSite(sql: FirmSql, siteId: string): Promise<(MarkRow & { treeId: string })[]> {
  return sql<(MarkRow & { treeId: string })[]>`
    select m.id, m.tree_id as "treeId", m.kind, m.from_deg as "from", m.to_deg as "to", m.severity, m.noted_on::text as "notedOn"
    from ring_mark m join tree t on t.id = m.tree_id where t.site_id = ${siteId} order by m.tree_id, m.id`
}

/** Holes of recorded injections: where, and when they were drilled. */
export async function holesOfTree(
  sql: FirmSql,
  treeId: string,
): Promise<{ bearing: number; drilledAt: Date }[]> {
  return sql<{ bearing: number; drilledAt: Date }[]>`
    select p.bearing_deg as bearing, p.drilled_at as "drilledAt"
    from port p join job_item i on i.id = p.job_item_id
    where i.tree_id = ${treeId} and i.status = 'recorded' and p.drilled_at is not null order by p.bearing_deg, p.drilled_at`
}

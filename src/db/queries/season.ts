import type { Turn } from '@/core/plan/turn'
import type { Method } from '@/core/card/card'
import type { FirmSql } from '../client'

/** A stage as it was seen at a site. `kind`: of a tree, or what is timed by warmth. */
export interface SeenRow {
  id: string
  kind: string
  stage: string
  seenOn: string
  by: string
}

/** What was seen at a site from a day on and was not taken back, the oldest first. */
export async function stagesSeen(sql: FirmSql, siteId: string, from: string): Promise<SeenRow[]> {
  return sql<SeenRow[]>`
    select s.id, s.kind, s.stage, s.seen_on::text as "seenOn", p.name as by
    from stage_seen s join person p on p.firm_id = s.firm_id and p.id = s.by_person
    where s.site_id = ${siteId} and s.seen_on >= ${from} and s.taken_back_at is null order by s.seen_on, s.id`
}

export async function addStageSeen(
  sql: FirmSql,
  s: {
    id: string
    firmId: string
    siteId: string
    kind: string
    stage: string
    seenOn: string
    by: string
    at: Date
  },
): Promise<void> {
  await sql`insert into stage_seen (id, firm_id, site_id, kind, stage, seen_on, by_person, at)
    values (${s.id}, ${s.firmId}, ${s.siteId}, ${s.kind}, ${s.stage}, ${s.seenOn}, ${s.by}, ${s.at})`
}

/** A site, or a part of it: a block, or one tree. */
export interface Ground {
  siteId: string
  block: string | null
  treeId: string | null
}

/** Of a tree `t`: that it belongs to the part; nothing for a whole site. */
const ofPart = (sql: FirmSql, { block, treeId }: Ground) =>
  sql`${block !== null ? sql`and t.block = ${block}` : sql``} ${treeId !== null ? sql`and t.id = ${treeId}` : sql``}`

/** The kinds of trees that stand on a ground, the commonest first. */
export async function kindsOn(sql: FirmSql, ground: Ground): Promise<{ host: string; trees: number }[]> {
  return sql<{ host: string; trees: number }[]>`
    select host, count(*)::int as trees from tree t where site_id = ${ground.siteId} and status = 'standing' ${ofPart(sql, ground)}
    group by host order by count(*) desc, host limit 60`
}

export interface DoneWork {
  on: string
  method: string
  card: string
  trees: number
  jobId: string
}

/** What was put on or done on a ground between two days, by its calendar. */
export async function doneOn(
  sql: FirmSql,
  ground: Ground,
  timeZone: string,
  days: { from: string; to: string },
): Promise<DoneWork[]> {
  return sql<DoneWork[]>`
    select (a.started_at at time zone ${timeZone})::date::text as on, a.method, c.name as card, x.trees, a.job_id as "jobId"
    from application a
      join card_use u on u.firm_id = a.firm_id and u.id = a.card_use_id
      join card c on c.firm_id = u.firm_id and c.id = u.card_id
      cross join lateral (select count(*)::int as trees from application_subject s join tree t on t.firm_id = s.firm_id and t.id = s.tree_id
        where s.firm_id = a.firm_id and s.application_id = a.id ${ofPart(sql, ground)}) x
    where a.site_id = ${ground.siteId} and a.started_at >= (${days.from}::date)::timestamp at time zone ${timeZone}
      and a.started_at < (${days.to}::date + 1)::timestamp at time zone ${timeZone} and x.trees > 0
    order by a.started_at, a.id limit 2000`
}

/** Work that stands on a day and is not done: what of a job is still open on a ground, earlier days that were left open as well. */
export async function plannedOn(
  sql: FirmSql,
  ground: Ground,
  until: string,
): Promise<{ jobId: string; on: string; methods: Method[]; trees: number }[]> {
  return sql<{ jobId: string; on: string; methods: Method[]; trees: number }[]>`
    select j.id as "jobId", j.on_date::text as on, x.methods, x.trees from job j cross join lateral (
      select array_agg(distinct pi.method) as methods, count(distinct i.tree_id)::int as trees
      from job_subject i
        join tree t on t.firm_id = i.firm_id and t.id = i.tree_id
        join item_subject y on y.firm_id = i.firm_id and y.id = i.subject_id
        join prescription_item pi on pi.firm_id = y.firm_id and pi.id = y.item_id
      where i.firm_id = j.firm_id and i.job_id = j.id and i.status = 'open' ${ofPart(sql, ground)}) x
    where j.site_id = ${ground.siteId} and j.on_date <= ${until} and j.recorded < j.trees and x.trees > 0
    order by j.on_date, j.id limit 400`
}

/** Days on which something is promised on a ground and not done, by whose turn it is. */
export async function promisedOn(
  sql: FirmSql,
  ground: Ground,
  days: { from: string; to: string },
): Promise<{ on: string; turn: Turn; what: string; trees: number }[]> {
  return sql<{ on: string; turn: Turn; what: string; trees: number }[]>`
    select f.due_on::text as on, f.turn, min(f.what) as what, count(*)::int as trees
    from follow_up f join tree t on t.firm_id = f.firm_id and t.id = f.tree_id
    where not f.done and f.site_id = ${ground.siteId} and f.due_on between ${days.from} and ${days.to} ${ofPart(sql, ground)}
    group by f.due_on, f.turn order by f.due_on, f.turn limit 2000`
}

/** A use that waits for its day on a ground, with the kinds of trees it is for. */
export interface WaitingUse {
  card: string
  method: Method
  window: string
  hosts: string[]
}

/** The uses with days of their own that are planned or due again on a ground. */
export async function usesWaitingOn(sql: FirmSql, ground: Ground): Promise<WaitingUse[]> {
  return sql<WaitingUse[]>`
    select card, method, "window", array_agg(distinct host order by host) as hosts from (
      select x.* from job j cross join lateral (
        select distinct c.name as card, u.method, u.body->>'window' as "window", t.host
        from job_subject i
          join tree t on t.firm_id = i.firm_id and t.id = i.tree_id
          join job_item ji on ji.firm_id = i.firm_id and ji.id = i.job_item_id
          join occurrence o on o.firm_id = ji.firm_id and o.id = ji.occurrence_id
          join prescription_item pi on pi.firm_id = o.firm_id and pi.id = o.item_id
          join card_use u on u.firm_id = pi.firm_id and u.id = pi.card_use_id
          join card c on c.firm_id = u.firm_id and c.id = u.card_id
        where i.firm_id = j.firm_id and i.job_id = j.id and i.status = 'open' and u.body ? 'window' ${ofPart(sql, ground)}) x
      where j.site_id = ${ground.siteId} and j.recorded < j.trees
      union all
      select c.name, u.method, u.body->>'window', h.host
      from occurrence o
        join prescription_item i on i.firm_id = o.firm_id and i.id = o.item_id
        join prescription p on p.firm_id = i.firm_id and p.id = i.prescription_id
        join card_use u on u.firm_id = i.firm_id and u.id = i.card_use_id
        join card c on c.firm_id = u.firm_id and c.id = u.card_id
        cross join lateral (select distinct t.host from item_subject y join tree t on t.firm_id = y.firm_id and t.id = y.tree_id
          where y.firm_id = i.firm_id and y.item_id = i.id and t.status = 'standing' ${ofPart(sql, ground)}) h
      where o.status = 'open' and o.again and p.site_id = ${ground.siteId} and u.body ? 'window') w
    group by card, method, "window" order by card, method limit 20`
}

export interface Sprayed {
  at: number
  /** As the card says it. */
  washOff: string
  rainFastHours: number
  leastDays: number
  card: string
}

/** What the card `c` says of a cover by its use `u`. */
const coverTerms = (sql: FirmSql) => sql`
  u.body->'terms'->>'washOff' as "washOff", coalesce((u.body->'terms'->>'rainFastHours')::double precision, 0) as "rainFastHours",
  coalesce((u.body->'terms'->'repeatDays'->>'least')::double precision, 0) as "leastDays", c.name as card`

/** The newest cover put on a ground against a cause that rain washes off, before each of its days; the oldest first. */
export async function coversOn(
  sql: FirmSql,
  ground: Ground,
  causes: readonly string[],
  from: Date,
): Promise<Sprayed[]> {
  return sql<Sprayed[]>`
    select distinct on (a.started_at, a.id) (extract(epoch from a.started_at) * 1000)::double precision as at,
      ${coverTerms(sql)}
    from application a
      join card_use u on u.firm_id = a.firm_id and u.id = a.card_use_id
      join card c on c.firm_id = u.firm_id and c.id = u.card_id
      join application_subject s on s.firm_id = a.firm_id and s.application_id = a.id
      join tree t on t.firm_id = s.firm_id and t.id = s.tree_id
      join item_subject y on y.firm_id = s.firm_id and y.id = s.subject_id
      join prescription_item i on i.firm_id = y.firm_id and i.id = y.item_id
      join prescription p on p.firm_id = i.firm_id and p.id = i.prescription_id
    where a.site_id = ${ground.siteId} and a.started_at >= ${from} and a.method = 'crown-spray' and u.body->'terms' ? 'washOff'
      and p.cause = any(${[...causes]}) ${ofPart(sql, ground)}
    order by a.started_at, a.id limit 200`
}

/** A cover that is due again: when it went on last, what washes it off, and how its renewal was agreed. */
export interface CoverToRenew extends Omit<Sprayed, 'washOff'> {
  occurrenceId: string
  /** In words; null where nothing was agreed. */
  school: string | null
  /** As the card says it; null where it leaves it open. */
  washOff: string | null
  /** It goes by rain alone, as what repels does. */
  rainOnly: boolean
}

/** The newest cover of each of these occurrences that rain washes off: sprays that say so, and what repels and is sprayed. */
export async function coversToRenew(sql: FirmSql, occurrenceIds: string[]): Promise<CoverToRenew[]> {
  return sql<CoverToRenew[]>`
    select o.id as "occurrenceId", (extract(epoch from x.at) * 1000)::double precision as at, ${coverTerms(sql)},
      (select m->>'done' from jsonb_array_elements(p.agreed->'matters') m where m->>'matter' = 'calendar' limit 1) as school, i.method = 'repel' as "rainOnly"
    from unnest(${occurrenceIds}::uuid[]) one (id)
      join occurrence o on o.id = one.id
      join prescription_item i on i.firm_id = o.firm_id and i.id = o.item_id
      join prescription p on p.firm_id = i.firm_id and p.id = i.prescription_id
      join card_use u on u.firm_id = i.firm_id and u.id = i.card_use_id
      join card c on c.firm_id = u.firm_id and c.id = u.card_id
      cross join lateral (select max(a.started_at) as at from item_subject y
        join application_subject s on s.firm_id = y.firm_id and s.subject_id = y.id
        join application a on a.firm_id = s.firm_id and a.id = s.application_id
        where y.firm_id = i.firm_id and y.item_id = i.id) x
    where (i.method = 'crown-spray' and u.body->'terms' ? 'washOff' or i.method = 'repel' and u.body->'terms'->>'how' = 'sprayed') and x.at is not null`
}

/** What was put on at a site and what it closes. */
export interface ClosingWork {
  /** Epoch ms. */
  at: number
  card: string
  /** Until when nobody may be on the ground; null where it closes none. */
  until: number | null
  /** Crops the label names, with the days it keeps before their harvest. */
  crops: { host: string; harvestDays: number }[] | null
  /** Kinds of the trees it went on. */
  hosts: string[]
}

/** What was put on a ground from an instant on that closes it or keeps days before a harvest, the oldest first. */
export async function closingOn(sql: FirmSql, ground: Ground, from: Date): Promise<ClosingWork[]> {
  return sql<ClosingWork[]>`
    select (extract(epoch from a.started_at) * 1000)::double precision as at, c.name as card,
      (extract(epoch from r.reentry_until) * 1000)::double precision as until, u.body->'foodCrops' as crops, h.hosts
    from application a
      join card_use u on u.firm_id = a.firm_id and u.id = a.card_use_id
      join card c on c.firm_id = u.firm_id and c.id = u.card_id
      left join record r on r.firm_id = a.firm_id and r.application_id = a.id and r.kind = 'application'
      cross join lateral (select array_agg(distinct t.host) as hosts from application_subject s
        join tree t on t.firm_id = s.firm_id and t.id = s.tree_id where s.firm_id = a.firm_id and s.application_id = a.id ${ofPart(sql, ground)}) h
    where a.site_id = ${ground.siteId} and a.started_at >= ${from} and (r.reentry_until is not null or u.body ? 'foodCrops') and h.hosts is not null
    order by a.started_at, a.id limit 500`
}

import type { Turn } from '@/core/plan/turn'
import type { Stage } from '@/core/plan/stage'
import type { FirmSql } from '../client'
import { WAITING } from './tree'

/** How much waits for somebody at promised dates, and how much of it is over its day. */
export interface TurnCount {
  turn: Turn
  open: number
  overdue: number
}

/** A promised date that waits for somebody. */
export interface TurnRow {
  id: string
  turn: Turn
  treeId: string
  tag: string
  siteName: string
  dueOn: string
  what: string
}

/** What waits for whom at promised dates, of a site or of the firm. */
export async function turnCounts(sql: FirmSql, today: string, siteId: string | null): Promise<TurnCount[]> {
  return sql<TurnCount[]>`
    select turn, count(*)::int as open, (count(*) filter (where due_on < ${today}))::int as overdue
    from follow_up where not done ${siteId ? sql`and site_id = ${siteId}` : sql``} group by turn`
}

/** The first due of each turn. */
export async function firstTurns(
  sql: FirmSql,
  turns: readonly Turn[],
  siteId: string | null,
  each: number,
): Promise<TurnRow[]> {
  if (turns.length === 0) return []
  return sql<TurnRow[]>`
    select u.id, u.turn, u.tree_id as "treeId", t.tag, s.name as "siteName", u.due_on::text as "dueOn", u.what
    from unnest(${[...turns]}::text[]) w (turn) cross join lateral (
      select * from follow_up f where f.turn = w.turn and not f.done ${siteId ? sql`and f.site_id = ${siteId}` : sql``}
      order by f.due_on, f.id limit ${each}) u
    join tree t on t.firm_id = u.firm_id and t.id = u.tree_id join site s on s.firm_id = u.firm_id and s.id = u.site_id
    order by u.due_on, u.id`
}

/** How many trees of a site wait for each step of the arborist. */
export async function stagesOfSite(sql: FirmSql, siteId: string): Promise<{ stage: Stage; count: number }[]> {
  return sql<{ stage: Stage; count: number }[]>`
    select stage, count(*)::int as count from tree
    where site_id = ${siteId} and status = 'standing' and stage = any(${[...WAITING]}) group by stage`
}

/** Trees that came back to the arborist, with why. */
export async function returnedTrees(sql: FirmSql, siteId: string | null, limit: number) {
  return sql<{ id: string; tag: string; siteName: string; stage: Stage; returned: string }[]>`
    select t.id, t.tag, s.name as "siteName", t.stage, t.returned
    from tree t join site s on s.firm_id = t.firm_id and s.id = t.site_id
    where t.returned is not null and t.status = 'standing' and t.stage = any(${[...WAITING]}) ${siteId ? sql`and t.site_id = ${siteId}` : sql``}
    order by t.site_id, t.tag, t.id limit ${limit}`
}

/** Lines of work that wait for the crew lead to say what was found. */
export async function waitingForRelease(sql: FirmSql, siteId: string | null, limit: number) {
  return sql<{ id: string; jobId: string; tag: string; siteName: string; onDate: string; onlyIf: string }[]>`
    select x.id, j.id as "jobId", t.tag, s.name as "siteName", j.on_date::text as "onDate", i.only_if as "onlyIf"
    from prescription_item i
      join item_subject y on y.firm_id = i.firm_id and y.item_id = i.id and y.status = 'handed'
      join job_subject x on x.firm_id = y.firm_id and x.subject_id = y.id and x.status = 'open' and x.released_at is null
      join job j on j.firm_id = x.firm_id and j.id = x.job_id
      join tree t on t.firm_id = x.firm_id and t.id = x.tree_id join site s on s.firm_id = j.firm_id and s.id = j.site_id
    where i.only_if is not null ${siteId ? sql`and j.site_id = ${siteId}` : sql``}
    order by j.on_date, t.tag, x.id limit ${limit}`
}

/** Steps that wait until the one before them is signed. */
export async function waitingSteps(sql: FirmSql, siteId: string | null, limit: number) {
  return sql<
    {
      id: string
      treeId: string
      tag: string
      siteName: string
      cardName: string
      after: string
      days: number
    }[]
  >`
    select o.id, t.id as "treeId", t.tag, s.name as "siteName", c.name as "cardName", b.name as after, i.after_days as days
    from occurrence o
      join prescription_item i on i.firm_id = o.firm_id and i.id = o.item_id
      join prescription p on p.firm_id = i.firm_id and p.id = i.prescription_id
      join site s on s.firm_id = p.firm_id and s.id = p.site_id
      join card_use u on u.firm_id = i.firm_id and u.id = i.card_use_id join card c on c.firm_id = u.firm_id and c.id = u.card_id
      join prescription_item e on e.firm_id = i.firm_id and e.id = i.after_item
      join card_use eu on eu.firm_id = e.firm_id and eu.id = e.card_use_id join card b on b.firm_id = eu.firm_id and b.id = eu.card_id
      join lateral (select y.tree_id from item_subject y where y.firm_id = i.firm_id and y.item_id = i.id and y.status = 'handed' limit 1) f on true
      join tree t on t.firm_id = i.firm_id and t.id = f.tree_id
    where o.status = 'waiting' ${siteId ? sql`and p.site_id = ${siteId}` : sql``}
    order by p.signed_at, o.id limit ${limit}`
}

import type { Expectation, Verdict } from '@/core/respond/compare'
import type { Turn } from '@/core/plan/turn'
import type { Length } from '@/core/quantity/units'
import type { FirmSql } from '../client'

export interface FollowUpRow {
  id: string
  treeId: string
  tag: string
  host: string
  siteId: string
  siteName: string
  /** The site's. */
  timeZone: string
  prescriptionId: string | null
  /** Of a decision that is not to treat. */
  decisionId: string | null
  dueOn: string
  what: string
  turn: Turn
  expectation: Expectation
  value: number | null
  /** What was answered, where the answer is in words. */
  said: string | null
  verdict: Verdict | null
  nextStep: string | null
  words: string | null
  measuredAt: Date | null
  measuredBy: string | null
  /** Why it is no longer waited for, when it fell away with its tree. */
  dropped: string | null
}

const columns = (sql: FirmSql) => sql`
  u.id, u.tree_id as "treeId", t.tag, t.host, t.site_id as "siteId", s.name as "siteName", s.time_zone as "timeZone", u.prescription_id as "prescriptionId", u.decision_id as "decisionId",
    u.due_on::text as "dueOn", u.what, u.turn, u.expectation, m.value, m.said, m.verdict, m.next_step as "nextStep", m.words,
    m.measured_at as "measuredAt", p.name as "measuredBy", u.dropped`

const sources = (sql: FirmSql) => sql`
  from follow_up u join tree t on t.id = u.tree_id join site s on s.id = t.site_id
  left join measurement m on m.follow_up_id = u.id left join person p on p.id = m.measured_by`

const select = (sql: FirmSql) => sql`select ${columns(sql)} ${sources(sql)}`

/** Promised checks without a result, the next due first, a page at a time: pass the last row's day and id to go on. */
export async function openFollowUps(
  sql: FirmSql,
  until: string | null = null,
  after: { dueOn: string; id: string } | null = null,
  limit = 100,
  siteId: string | null = null,
): Promise<FollowUpRow[]> {
  return sql<
    FollowUpRow[]
  >`${select(sql)} where not u.done ${siteId ? sql`and u.site_id = ${siteId}` : sql``} ${until ? sql`and u.due_on <= ${until}` : sql``}
    ${after ? sql`and (u.due_on, u.id) > (${after.dueOn}, ${after.id})` : sql``}
    order by u.due_on, u.id limit ${limit}`
}

/** Promised checks of a site that ask the same on the same day and have no result, each with where its tree stands. */
export async function sameFollowUps(
  sql: FirmSql,
  of: { siteId: string; dueOn: string; what: string },
  limit: number,
): Promise<(FollowUpRow & { eastM: Length; northM: Length })[]> {
  const rows = await sql<(FollowUpRow & { eastM: Length; northM: Length })[]>`
    select ${columns(sql)}, t.east_m as "eastM", t.north_m as "northM" ${sources(sql)}
    where not u.done and u.site_id = ${of.siteId} and u.due_on = ${of.dueOn} and u.what = ${of.what} order by t.tag, u.id limit ${limit}`
  return [...rows]
}

/** What is promised at a site and has no result: checks that ask the same on the same day as one, the next due first. */
export async function promisedAtSite(sql: FirmSql, siteId: string, limit: number) {
  const rows = await sql<
    { id: string; dueOn: string; what: string; turn: Turn; trees: number; tags: string[] }[]
  >`
    select min(u.id::text) as id, u.due_on::text as "dueOn", u.what, min(u.turn) as turn, count(*)::int as trees,
      (array_agg(t.tag order by t.tag))[1:4] as tags
    from follow_up u join tree t on t.firm_id = u.firm_id and t.id = u.tree_id
    where not u.done and u.site_id = ${siteId} group by u.due_on, u.what order by u.due_on, u.what limit ${limit}`
  return [...rows]
}

/** How many promised checks are without a result, until a day or in all. */
export async function countOpenFollowUps(
  sql: FirmSql,
  until: string | null = null,
  siteId: string | null = null,
): Promise<number> {
  const rows = await sql<{ count: number }[]>`
    select count(*)::int as count from follow_up where not done ${siteId ? sql`and site_id = ${siteId}` : sql``} ${until ? sql`and due_on <= ${until}` : sql``}`
  return rows[0]!.count
}

export async function followUpsOfTree(sql: FirmSql, treeId: string): Promise<FollowUpRow[]> {
  return sql<FollowUpRow[]>`${select(sql)} where u.tree_id = ${treeId} order by u.due_on, u.id limit 100`
}

export async function followUpById(sql: FirmSql, id: string): Promise<FollowUpRow | undefined> {
  const rows = await sql<FollowUpRow[]>`${select(sql)} where u.id = ${id}`
  return rows[0]
}

export async function addFollowUp(
  sql: FirmSql,
  u: {
    id: string
    firmId: string
    treeId: string
    prescriptionId: string | null
    decisionId: string | null
    dueOn: string
    what: string
    expectation: Expectation
    turn: Turn
  },
): Promise<void> {
  await sql`insert into follow_up (id, firm_id, tree_id, prescription_id, decision_id, due_on, what, expectation, turn, site_id)
    values (${u.id}, ${u.firmId}, ${u.treeId}, ${u.prescriptionId}, ${u.decisionId}, ${u.dueOn}, ${u.what}, ${sql.json(u.expectation as never)}, ${u.turn},
      (select t.site_id from tree t where t.id = ${u.treeId}))`
}

/** The check, held until the transaction ends, so that two results take turns. */
export async function followUpForChange(sql: FirmSql, id: string): Promise<FollowUpRow | undefined> {
  const rows = await sql`select 1 from follow_up where id = ${id} for update`
  return rows[0] ? followUpById(sql, id) : undefined
}

/**
 * Ends what decisions on a cause promised of a tree, with why; of every cause where it comes down or an assessor looks first. What was
 * promised for another cause stands.
 */
export async function dropPromises(
  sql: FirmSql,
  of: { treeId: string; cause: string | null },
  why: string,
): Promise<void> {
  await sql`update follow_up f set dropped = ${why}, done = true where f.tree_id = ${of.treeId} and f.decision_id is not null and not f.done
    ${
      of.cause === null
        ? sql``
        : sql`and exists (select 1 from decision c join diagnosis d on d.firm_id = c.firm_id and d.id = c.diagnosis_id
          where c.firm_id = f.firm_id and c.id = f.decision_id and d.cause = ${of.cause})`
    }`
}

/** Puts a promised check on another day. */
export async function putCheckOff(sql: FirmSql, id: string, dueOn: string): Promise<void> {
  await sql`update follow_up set due_on = ${dueOn} where id = ${id}`
}

/** Ends a promised check, with why. */
export async function dropCheck(sql: FirmSql, id: string, why: string): Promise<void> {
  await sql`update follow_up set dropped = ${why}, done = true where id = ${id}`
}

/** Enters the result of a check. */
export async function addMeasurement(
  sql: FirmSql,
  m: {
    id: string
    firmId: string
    followUpId: string
    value: number | null
    said: string | null
    verdict: string
    nextStep: string
    words: string | null
    at: Date
    by: string
  },
): Promise<void> {
  await sql`insert into measurement (id, firm_id, follow_up_id, value, said, verdict, next_step, words, measured_at, measured_by)
    values (${m.id}, ${m.firmId}, ${m.followUpId}, ${m.value}, ${m.said}, ${m.verdict}, ${m.nextStep}, ${m.words}, ${m.at}, ${m.by})`
  await sql`update follow_up set done = true where id = ${m.followUpId}`
}

import type { Method } from '@/core/card/card'
import type { Turn } from '@/core/plan/turn'
import type { FirmSql } from '../client'

/** What was promised for a day that is over, and is neither done nor put off nor ended. */
export interface OverdueRow {
  /** A job with open trees; work due again that stands on no day; a promised look or answer. */
  kind: 'job' | 'again' | 'check'
  id: string
  /** The day it was promised for, or the last it was due on. */
  day: string
  siteName: string
  /** Of a job: its methods; of the other two what is to be done. */
  methods: Method[]
  what: string
  trees: number
  /** Of a check: the tree, and who is waited for. */
  tag: string | null
  turn: Turn | null
}

/** Everything overdue, the longest first, a page at a time: pass the last row's day and id to go on. */
export async function overdue(
  sql: FirmSql,
  today: string,
  after: { day: string; id: string } | null,
  limit: number,
): Promise<OverdueRow[]> {
  return sql<OverdueRow[]>`
    select u.kind, u.id, u.day::text, s.name as "siteName", u.methods, u.what, u.trees, u.tag, u.turn from (
      (select 'job' as kind, j.id, j.on_date as day, j.site_id, j.methods, '' as what, j.trees - j.recorded as trees, null as tag, null as turn
        from job j where j.recorded < j.trees and j.on_date < ${today}
          ${after ? sql`and (j.on_date, j.id) > (${after.day}, ${after.id})` : sql``} order by j.on_date, j.id limit ${limit})
      union all
      (select 'again', o.id, o.due_to, p.site_id, array[i.method], c.name,
          (select count(*)::int from item_subject y where y.firm_id = i.firm_id and y.item_id = i.id
            and y.status = case when o.n = 1 then 'handed' else 'done' end), null, null
        from occurrence o join prescription_item i on i.firm_id = o.firm_id and i.id = o.item_id
          join prescription p on p.firm_id = i.firm_id and p.id = i.prescription_id
          join card_use u on u.firm_id = i.firm_id and u.id = i.card_use_id join card c on c.firm_id = u.firm_id and c.id = u.card_id
        where o.status = 'open' and o.again and o.due_from < ${today} and o.due_to < ${today}
          and not exists (select 1 from job_item ji where ji.firm_id = o.firm_id and ji.occurrence_id = o.id)
          ${after ? sql`and (o.due_to, o.id) > (${after.day}, ${after.id})` : sql``} order by o.due_to, o.id limit ${limit})
      union all
      (select 'check', f.id, f.due_on, f.site_id, '{}', f.what, 1, t.tag, f.turn
        from (select * from follow_up where not done and due_on < ${today}
            ${after ? sql`and (due_on, id) > (${after.day}, ${after.id})` : sql``} order by due_on, id limit ${limit}) f
          join tree t on t.firm_id = f.firm_id and t.id = f.tree_id)) u
      join site s on s.id = u.site_id
    order by u.day, u.id limit ${limit}`
}

/** How much is overdue of each kind. */
export async function overdueCounts(
  sql: FirmSql,
  today: string,
): Promise<{ jobs: number; again: number; checks: number }> {
  const rows = await sql<{ jobs: number; again: number; checks: number }[]>`
    select (select count(*)::int from job where recorded < trees and on_date < ${today}) as jobs,
      (select count(*)::int from occurrence o where o.status = 'open' and o.again and o.due_from < ${today} and o.due_to < ${today}
        and not exists (select 1 from job_item ji where ji.firm_id = o.firm_id and ji.occurrence_id = o.id)) as again,
      (select count(*)::int from follow_up where not done and due_on < ${today}) as checks`
  return rows[0]!
}

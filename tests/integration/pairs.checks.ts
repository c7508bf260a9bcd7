import type { FirmSql } from '@/db/client'

/** Rows of a tree that contradict each other or their totals: what, and how many. */
export async function rowsThatDisagree(
  sql: FirmSql,
  treeId: string,
  siteId: string,
): Promise<{ what: string; n: number }[]> {
  return sql<{ what: string; n: number }[]>`
    select 'open examinations beyond one' as what, greatest(0, count(*)::int - 1) as n
      from assessment where tree_id = ${treeId} and closed_at is null
    union all
    select 'decisions handed over more than once', count(*)::int from (
      select decision_id from prescription where tree_id = ${treeId} and status <> 'withdrawn'
      group by decision_id having count(*) > 1) x
    union all
    select 'trees of the site', abs(s.trees - (select count(*) from tree t where t.site_id = s.id and t.status = 'standing'))::int
      from site s where s.id = ${siteId}
    union all
    select 'trees of its jobs', count(*)::int from job j
      where exists (select 1 from job_item i where i.job_id = j.id and i.tree_id = ${treeId})
        and (j.trees <> (select count(*) from job_item i
            join prescription_item pi on pi.id = i.prescription_item_id
            join prescription p on p.id = pi.prescription_id
            where i.job_id = j.id and p.status <> 'withdrawn')
          or j.recorded <> (select count(*) from job_item i where i.job_id = j.id and i.status = 'recorded'))
    union all
    select 'records of one piece of work beyond one', count(*)::int from (
      select job_item_id from record where tree_id = ${treeId} and kind = 'application'
      group by job_item_id having count(*) > 1) x
    union all
    select 'gone, and with the crew', count(*)::int from tree t
      join prescription p on p.tree_id = t.id and p.status = 'handed' where t.id = ${treeId} and t.status <> 'standing'`
}

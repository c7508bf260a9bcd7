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
      select decision_id from item_subject where tree_id = ${treeId} and status <> 'withdrawn'
      group by decision_id having count(*) > 1) x
    union all
    select 'trees of the site', abs(s.trees - (select count(*) from tree t where t.site_id = s.id and t.status = 'standing'))::int
      from site s where s.id = ${siteId}
    union all
    select 'trees of its jobs', count(*)::int from job j
      where exists (select 1 from job_subject i where i.job_id = j.id and i.tree_id = ${treeId})
        and (j.trees <> (select count(*) from job_subject i where i.job_id = j.id and i.status <> 'withdrawn')
          or j.recorded <> (select count(*) from job_subject i where i.job_id = j.id and i.status = 'recorded'))
    union all
    select 'of a tree in a job, not as it is prescribed', count(*)::int from job_subject i
      join item_subject x on x.firm_id = i.firm_id and x.id = i.subject_id
      where i.tree_id = ${treeId} and (i.status = 'withdrawn') <> (x.status = 'withdrawn')
    union all
    select 'records of one piece of work beyond one', count(*)::int from (
      select application_id from record where tree_id = ${treeId} and kind = 'application'
      group by application_id having count(*) > 1) x
    union all
    select 'gone, and with the crew', count(*)::int from tree t
      join item_subject p on p.tree_id = t.id and p.status = 'handed' where t.id = ${treeId} and t.status <> 'standing'`
}

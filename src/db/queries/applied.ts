import type { FirmSql } from '../client'

/**
 * What went on at each tree of an application, as it is known now: the amount of the newest correction, else the one that was
 * signed. Read as a table: `from ${applied(sql)} a`.
 */
export const applied = (sql: FirmSql) => sql`(
  select s.firm_id, s.application_id, s.subject_id, s.job_subject_id, s.tree_id, s.site_id, s.on_date, s.outcome, s.active,
    coalesce(c.amount, s.amount) as amount, case when c.amount is null then s.active_kg else c.active_kg end as active_kg
  from application_subject s left join lateral (
    select amount, active_kg from application_correction c
    where c.firm_id = s.firm_id and c.application_id = s.application_id and c.subject_id = s.subject_id
    order by c.corrected_at desc, c.record_id desc limit 1) c on true)`

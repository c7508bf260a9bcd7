import type { BlockTree } from '@/core/plan/sample'
import type { FirmSql } from '../client'
import { toPrescribe } from './tree'

/** A block of a site: how many standing trees it has, and where they stand in the chain of work. */
export interface BlockRow {
  name: string
  trees: number
  toPrescribe: number
  withCrew: number
}

/** The blocks of a site by name. */
export async function blocksOfSite(sql: FirmSql, siteId: string): Promise<BlockRow[]> {
  return sql<BlockRow[]>`
    select t.block as name, count(*)::int as trees,
      (count(*) filter (where ${toPrescribe(sql)}))::int as "toPrescribe",
      (count(*) filter (where t.stage = 'run'))::int as "withCrew"
    from tree t where t.site_id = ${siteId} and t.block is not null and t.status = 'standing'
    group by t.block order by t.block`
}

/** The standing trees of a block, with what was signed of each last; days in the site's time zone. */
export async function treesOfBlock(sql: FirmSql, siteId: string, block: string): Promise<BlockTree[]> {
  return sql<BlockTree[]>`
    select t.id, t.tag,
      case when c.id is not null then jsonb_build_object('cause', d.cause, 'action', c.action,
        'on', ((d.signed_at at time zone s.time_zone)::date)::text,
        'bySample', (select e.by_sample is not null from assessment e where e.firm_id = t.firm_id and e.id = d.assessment_id)) end as signed,
      coalesce(a.closed_at is null and a.id is not null, false) as open
    from tree t join site s on s.firm_id = t.firm_id and s.id = t.site_id
      left join lateral (select id, closed_at from assessment where tree_id = t.id order by started_at desc, id desc limit 1) a on true
      left join lateral (select id, cause, signed_at, assessment_id from diagnosis where tree_id = t.id order by signed_at desc, id desc limit 1) d on true
      left join lateral (select id, action from decision where diagnosis_id = d.id order by signed_at desc, id desc limit 1) c on true
    where t.site_id = ${siteId} and t.block = ${block} and t.status = 'standing'
    order by t.tag, t.id`
}

/** Names trees as a block, or as none. */
export async function setBlock(sql: FirmSql, treeIds: string[], name: string | null): Promise<void> {
  await sql`update tree set block = ${name} where id = any(${treeIds})`
}

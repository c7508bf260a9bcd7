import type { Method } from '@/core/card/card'
import { readUse } from '@/core/methods/kept'
import type { UseOf } from '@/core/methods/plan'
import type { Anew } from '@/core/plan/anew'
import type { Length } from '@/core/quantity/units'
import type { FirmSql } from '../client'
import { useBody } from './card'

/** Work with the crew, with what its dose rests on and what is known now. */
export interface RestsRow {
  id: string
  treeId: string
  anew: Anew | null
  host: string
  readingId: string
  diameter: Length
  version: number
  newestVersion: number
  siteId: string
  eastM: Length
  northM: Length
  placed: boolean
  actives: { name: string; group: string }[]
  /** The day it is booked for; null while it stands on none. */
  onDate: string | null
  use: UseOf<Method>
}

/** Work with the crew on trees, by a card, on a site, or in a district; null is every one. */
export async function restsOf(
  sql: FirmSql,
  of: { treeIds: readonly string[] } | { code: string } | { siteId: string } | { district: string | null },
): Promise<RestsRow[]> {
  const which =
    'treeIds' in of
      ? sql`x.tree_id = any(${of.treeIds as string[]})`
      : 'code' in of
        ? sql`c.code = ${of.code}`
        : 'siteId' in of
          ? sql`t.site_id = ${of.siteId}`
          : of.district === null
            ? sql`true`
            : sql`t.site_id in (select s.id from site s where s.district = ${of.district})`
  const rows = await sql<(RestsRow & { useId: string })[]>`
    select x.id, u.id as "useId", x.tree_id as "treeId", x.anew, t.host, x.reading_id as "readingId", (x.plan->>'diameter')::double precision as diameter, c.version,
      (select max(n.version) from card n where n.firm_id = c.firm_id and n.code = c.code) as "newestVersion", ${useBody(sql)} as use,
      t.site_id as "siteId", t.east_m as "eastM", t.north_m as "northM", t.placed, c.body->'actives' as actives,
      (select max(j.on_date)::text from job_subject js join job j on j.firm_id = js.firm_id and j.id = js.job_id
        where js.firm_id = x.firm_id and js.subject_id = x.id and js.status = 'open') as "onDate"
    from item_subject x join tree t on t.firm_id = x.firm_id and t.id = x.tree_id
      join prescription_item i on i.firm_id = x.firm_id and i.id = x.item_id
      join card_use u on u.firm_id = i.firm_id and u.id = i.card_use_id
      join card c on c.firm_id = u.firm_id and c.id = u.card_id
    where x.status = 'handed' and ${which}`
  return rows.map(({ useId, ...r }) => ({ ...r, use: readUse(useId, r.use) }))
}

/** Whether work at a site is held back by the yearly limit of its ground. */
export async function heldByLimit(sql: FirmSql, siteId: string): Promise<boolean> {
  const rows = await sql`
    select 1 from item_subject x join tree t on t.firm_id = x.firm_id and t.id = x.tree_id
    where x.anew = 'limit' and x.status = 'handed' and t.site_id = ${siteId} limit 1`
  return rows.length > 0
}

export async function markAnew(sql: FirmSql, subjectId: string, anew: Anew | null): Promise<void> {
  await sql`update item_subject set anew = ${anew} where id = ${subjectId}`
}

/** Trees of the firm whose dose must be worked out again, by tag. */
export async function toWorkOutAgain(
  sql: FirmSql,
  limit: number,
  siteId: string | null = null,
): Promise<{ treeId: string; tag: string; siteName: string; anew: Anew }[]> {
  return sql<{ treeId: string; tag: string; siteName: string; anew: Anew }[]>`
    select distinct on (t.tag, t.id) t.id as "treeId", t.tag, s.name as "siteName", x.anew
    from item_subject x join tree t on t.firm_id = x.firm_id and t.id = x.tree_id
      join site s on s.firm_id = t.firm_id and s.id = t.site_id
    where x.anew is not null and x.status = 'handed' ${siteId ? sql`and t.site_id = ${siteId}` : sql``} order by t.tag, t.id limit ${limit}`
}

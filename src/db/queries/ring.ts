import type { DrilledDay } from '@/core/ports/marks'
import type { FirmSql } from '../client'

export interface MarkRow {
  id: string
  kind: 'flare' | 'dead' | 'thin' | 'girdling' | 'hole'
  from: number
  to: number
  severity: number | null
  notedOn: string
  /** Which of several stems; null on the foot or the only trunk. */
  stem: number | null
}

export async function marksOfTree(sql: FirmSql, treeId: string): Promise<MarkRow[]> {
  return sql<MarkRow[]>`
    select id, kind, from_deg as "from", to_deg as "to", severity, noted_on::text as "notedOn", stem
    from ring_mark where tree_id = ${treeId} order by stem nulls first, kind, from_deg, id`
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
    await sql`insert into ring_mark (id, firm_id, tree_id, kind, from_deg, to_deg, severity, noted_on, stem)
      values (${m.id}, ${firmId}, ${treeId}, ${m.kind}, ${m.from}, ${m.to}, ${m.severity}, ${m.notedOn}, ${m.stem})`
}

/** Marks of several trees at once, by tree. */
export async function marksOfTrees(
  sql: FirmSql,
  treeIds: string[],
): Promise<(MarkRow & { treeId: string })[]> {
  if (treeIds.length === 0) return []
  return sql<(MarkRow & { treeId: string })[]>`
    select m.id, m.tree_id as "treeId", m.kind, m.from_deg as "from", m.to_deg as "to", m.severity, m.noted_on::text as "notedOn", m.stem
    from ring_mark m where m.tree_id = any(${treeIds}) order by m.tree_id, m.stem nulls first, m.kind, m.from_deg, m.id`
}

/** Holes of recorded injections: where, and on which day of the site they were drilled. */
export async function holesOfTree(sql: FirmSql, treeId: string): Promise<DrilledDay[]> {
  return holesOfTrees(sql, [treeId])
}

/**
 * Holes of recorded injections of several trees at once, by tree and day of its site. Holes drilled under another listing of the same
 * tree are in the same wood and count with it.
 */
export async function holesOfTrees(
  sql: FirmSql,
  treeIds: string[],
): Promise<(DrilledDay & { treeId: string })[]> {
  if (treeIds.length === 0) return []
  return sql<(DrilledDay & { treeId: string })[]>`
    select h.tree_id as "treeId", h.drilled_on::text as "drilledOn", h.stem, array_agg(h.bearing order by h.bearing) as bearings
    from (
      select l.tree_id, (p.state->>'bearing')::int as bearing, (p.state->>'stem')::int as stem,
        (to_timestamp((p.state->>'drilledAt')::double precision / 1000) at time zone s.time_zone)::date as drilled_on
      from (
        select id as tree_id, id as listed from unnest(${treeIds}::uuid[]) id
        union all select merged_into, id from tree where merged_into = any(${treeIds})) l
      join tree t on t.id = l.tree_id join site s on s.firm_id = t.firm_id and s.id = t.site_id
      join job_subject i on i.tree_id = l.listed join step_state p on p.firm_id = i.firm_id and p.job_subject_id = i.id
      where i.status = 'recorded' and p.state->>'drilledAt' is not null) h
    group by h.tree_id, h.drilled_on, h.stem order by h.tree_id, h.drilled_on, h.stem`
}

import type { FirmSql } from '../client'
import type { Length } from '@/core/quantity/units'

export interface ReadingRow {
  id: string
  treeId: string
  readAt: Date
  readBy: string | null
  heightM: Length
  tape: 'girth' | 'diameter'
  stemsM: number[]
  typed: string
  doubts: { code: string; message: string }[]
  /** Why it was struck out, and by whom; null while it stands. */
  struck: string | null
  struckBy: string | null
}

const select = (sql: FirmSql) => sql`
  select r.id, r.tree_id as "treeId", r.read_at as "readAt", p.name as "readBy", r.height_m as "heightM", r.tape,
    r.stems_m as "stemsM", r.typed, r.doubts, x.words as "struck", w.name as "struckBy"
  from stem_reading r left join person p on p.id = r.read_by
    left join reading_struck x on x.firm_id = r.firm_id and x.reading_id = r.id left join person w on w.id = x.struck_by`

/** Readings of a tree that stand, newest first. `stemsM` are diameters. */
export async function readingsOfTree(sql: FirmSql, treeId: string): Promise<ReadingRow[]> {
  return sql<ReadingRow[]>`
    ${select(sql)} where r.tree_id = ${treeId} and x.reading_id is null order by r.read_at desc, r.id desc limit 50`
}

/** Every reading of trees, those that were struck out too, newest first. */
export async function allReadings(sql: FirmSql, treeIds: string[]): Promise<ReadingRow[]> {
  return sql<ReadingRow[]>`
    ${select(sql)} where r.tree_id = any(${treeIds}) order by r.read_at desc, r.id desc limit 50`
}

export interface NewReading {
  id: string
  firmId: string
  treeId: string
  readAt: Date
  readBy: string
  heightM: Length
  tape: 'girth' | 'diameter'
  stemsM: number[]
  typed: string
  doubts: { code: string; message: string }[]
}

export async function addReading(sql: FirmSql, r: NewReading): Promise<void> {
  await sql`insert into stem_reading (id, firm_id, tree_id, read_at, read_by, height_m, tape, stems_m, typed, doubts)
    values (${r.id}, ${r.firmId}, ${r.treeId}, ${r.readAt}, ${r.readBy}, ${r.heightM}, ${r.tape}, ${r.stemsM}, ${r.typed}, ${sql.json(r.doubts)})`
  const diameter = Math.hypot(...r.stemsM)
  await sql`update tree set diameter_m = ${diameter}, read_at = ${r.readAt}
    where id = ${r.treeId} and (read_at is null or read_at <= ${r.readAt})`
}

/** One reading, whoever took newer ones since. */
export async function readingById(sql: FirmSql, id: string): Promise<ReadingRow | undefined> {
  const rows = await sql<ReadingRow[]>`${select(sql)} where r.id = ${id}`
  return rows[0]
}

/** Strikes a reading out, with the reason; the tree goes by the newest one that stands, or is unmeasured again. */
export async function strikeReading(
  sql: FirmSql,
  r: { firmId: string; treeId: string; readingId: string; at: Date; by: string; words: string },
): Promise<void> {
  await sql`insert into reading_struck (firm_id, reading_id, struck_at, struck_by, words)
    values (${r.firmId}, ${r.readingId}, ${r.at}, ${r.by}, ${r.words})`
  const [newest] = await readingsOfTree(sql, r.treeId)
  await sql`update tree set diameter_m = ${newest ? Math.hypot(...newest.stemsM) : null}, read_at = ${newest?.readAt ?? null}
    where id = ${r.treeId}`
}

/** The newest reading that stands of each tree. */
export async function newestReadings(sql: FirmSql, treeIds: string[]): Promise<ReadingRow[]> {
  if (treeIds.length === 0) return []
  return sql<ReadingRow[]>`
    select x.* from unnest(${treeIds}::uuid[]) t (id) cross join lateral (
      ${select(sql)} where r.tree_id = t.id and x.reading_id is null order by r.read_at desc, r.id desc limit 1) x`
}

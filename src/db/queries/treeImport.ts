import type { Length } from '@/core/quantity/units'
import type { FirmSql } from '../client'

/** A tree of a site as a list may find it there. */
export interface TreeThere {
  id: string
  tag: string
  host: string
  listedAs: string | null
  confirmed: boolean
  eastM: Length
  northM: Length
  placed: boolean
  crown: number | null
  heightM: Length | null
  spreadM: Length | null
  block: string | null
  planted: string | null
  note: string | null
  stage: string
  /** Diameters of the stems by every reading that stands, newest first. */
  readings: Length[][]
}

/** The standing trees of a site by these tags, with all their readings. */
export async function treesThere(
  sql: FirmSql,
  siteId: string,
  tags: readonly string[],
): Promise<TreeThere[]> {
  return sql<TreeThere[]>`
    select t.id, t.tag, t.host, t.listed_as as "listedAs", t.identity_confirmed_at is not null as confirmed,
      t.east_m as "eastM", t.north_m as "northM", t.placed, t.live_crown_percent as crown, t.height_m as "heightM",
      t.spread_m as "spreadM", t.block, t.planted, t.note, t.stage,
      coalesce((select json_agg(r.stems_m order by r.read_at desc, r.id desc) from stem_reading r
        where r.firm_id = t.firm_id and r.tree_id = t.id and not exists (
          select 1 from reading_struck x where x.firm_id = r.firm_id and x.reading_id = r.id)), '[]') as readings
    from tree t where t.site_id = ${siteId} and t.status = 'standing' and t.tag = any(${[...tags]})`
}

/** What a list tells of a tree, whatever is known of it beside. */
type Listed = Omit<TreeThere, 'confirmed' | 'stage' | 'readings'>

/** A tree that a list brings, with what it measured. */
export type BroughtTree = Listed & { diameterM: Length | null }

/** Rows as one value; the statement says what their columns are. */
const asRows = (sql: FirmSql, rows: readonly object[]) => sql.json(rows as never)

/** Their columns, where they are trees. */
const listed = (sql: FirmSql) => sql`
  id uuid, tag text, host text, "listedAs" text, "eastM" double precision, "northM" double precision, placed boolean, crown integer,
  "heightM" double precision, "spreadM" double precision, block text, planted text, note text`

/** A list may take longer than anything a hand waits for: on a busy machine a part of it is slow, not stuck. */
export async function takeTime(sql: FirmSql): Promise<void> {
  await sql`set local statement_timeout = '60s'`
}

/** Adds trees that a list brings, all of one site. */
export async function bringTrees(
  sql: FirmSql,
  of: { firmId: string; siteId: string; importId: string; at: Date },
  trees: readonly BroughtTree[],
): Promise<void> {
  if (trees.length === 0) return
  await sql`
    insert into tree (id, firm_id, site_id, import_id, tag, host, listed_as, east_m, north_m, placed, live_crown_percent,
      height_m, spread_m, block, planted, note, diameter_m, read_at)
    select x.id, ${of.firmId}, ${of.siteId}, ${of.importId}, x.tag, x.host, x."listedAs", x."eastM", x."northM", x.placed, x.crown,
      x."heightM", x."spreadM", x.block, x.planted, x.note, x."diameterM", case when x."diameterM" is not null then ${of.at}::timestamptz end
    from jsonb_to_recordset(${asRows(sql, trees)}) as x (${listed(sql)}, "diameterM" double precision)`
}

/** A reading that a list brings. */
export interface BroughtReading {
  id: string
  treeId: string
  tape: 'girth' | 'diameter'
  stemsM: readonly Length[]
  typed: string
}

/** Adds readings that a list brings; the trees they are of are told apart (`bringTrees`, {@link measureTrees}). */
export async function bringReadings(
  sql: FirmSql,
  of: { firmId: string; importId: string; by: string; at: Date; heightM: Length },
  readings: readonly BroughtReading[],
): Promise<void> {
  if (readings.length === 0) return
  await sql`
    insert into stem_reading (id, firm_id, tree_id, import_id, read_at, read_by, height_m, tape, stems_m, typed)
    select x.id, ${of.firmId}, x."treeId", ${of.importId}, ${of.at}, ${of.by}, ${of.heightM}, x.tape, x."stemsM", x.typed
    from jsonb_to_recordset(${asRows(sql, readings)}) as x (id uuid, "treeId" uuid, tape text, "stemsM" double precision[], typed text)`
}

/** Notes the newest diameter on trees that a list measured anew. */
export async function measureTrees(
  sql: FirmSql,
  at: Date,
  trees: readonly { id: string; diameterM: Length }[],
): Promise<void> {
  if (trees.length === 0) return
  await sql`
    update tree t set diameter_m = x."diameterM", read_at = ${at}
    from jsonb_to_recordset(${asRows(sql, trees)}) as x (id uuid, "diameterM" double precision)
    where t.id = x.id`
}

/** Changes trees as a list says, each as it is to be as a whole, and keeps how they were. */
export async function changeByList(
  sql: FirmSql,
  of: { firmId: string; importId: string },
  trees: readonly Listed[],
): Promise<void> {
  if (trees.length === 0) return
  await sql`
    with x as (
      select * from jsonb_to_recordset(${asRows(sql, trees)}) as x (${listed(sql)})
    ), kept as (
      insert into tree_import_change (firm_id, import_id, tree_id, version, was)
      select ${of.firmId}, ${of.importId}, t.id, t.version + 1, jsonb_build_object('host', t.host, 'listed_as', t.listed_as,
        'east_m', t.east_m, 'north_m', t.north_m, 'placed', t.placed, 'live_crown_percent', t.live_crown_percent,
        'height_m', t.height_m, 'spread_m', t.spread_m, 'block', t.block, 'planted', t.planted, 'note', t.note)
      from tree t join x on x.id = t.id
    )
    update tree t set host = x.host, listed_as = x."listedAs", east_m = x."eastM", north_m = x."northM",
      placed = x.placed, live_crown_percent = x.crown, height_m = x."heightM", spread_m = x."spreadM", block = x.block, planted = x.planted,
      note = x.note, version = t.version + 1
    from x where x.id = t.id`
}

export async function addTreeImport(
  sql: FirmSql,
  i: {
    id: string
    firmId: string
    siteId: string
    by: string
    at: Date
    fileName: string | null
    report: unknown
  },
): Promise<void> {
  await sql`insert into tree_import (id, firm_id, site_id, by_person, at, file_name, report)
    values (${i.id}, ${i.firmId}, ${i.siteId}, ${i.by}, ${i.at}, ${i.fileName}, ${sql.json(i.report as never)})`
}

export async function countTreesUp(sql: FirmSql, siteId: string, by: number): Promise<void> {
  if (by > 0) await sql`update site set trees = trees + ${by} where id = ${siteId}`
}

export interface TreeImportRow {
  id: string
  siteId: string
  at: Date
  by: string
  fileName: string | null
  report: { rows: number; new: number; changed: number; same: number; refused: unknown[] }
  undoneAt: Date | null
}

/** Lists that were taken at a site, newest first. */
export async function treeImports(sql: FirmSql, siteId: string): Promise<TreeImportRow[]> {
  return sql<TreeImportRow[]>`
    select i.id, i.site_id as "siteId", i.at, p.name as by, i.file_name as "fileName", i.report, i.undone_at as "undoneAt"
    from tree_import i join person p on p.firm_id = i.firm_id and p.id = i.by_person
    where i.site_id = ${siteId} order by i.at desc limit 20`
}

export async function treeImportById(
  sql: FirmSql,
  id: string,
): Promise<{ siteId: string; at: Date; undoneAt: Date | null } | undefined> {
  const rows = await sql<{ siteId: string; at: Date; undoneAt: Date | null }[]>`
    select site_id as "siteId", at, undone_at as "undoneAt" from tree_import where id = ${id}`
  return rows[0]
}

/** Takes a list back: what it took, and what it left as somebody has used it. */
export async function undoTreeImport(
  sql: FirmSql,
  id: string,
  by: string,
): Promise<{ what: 'tree' | 'reading' | 'change' | 'left'; id: string; tag: string }[]> {
  return sql`select what, id, tag from undo_import(${id}, ${by})`
}

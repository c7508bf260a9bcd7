import type { FirmSql } from '../client'

/** Rows of a statement as they come, some at a time, whatever their number. */
async function* rowsOf<T>(query: { cursor: (n: number) => AsyncIterable<T[]> }): AsyncGenerator<T> {
  for await (const rows of query.cursor(1000)) yield* rows
}

export interface ExportedTree {
  id: string
  site: string
  tag: string
  kind: string
  listedAs: string | null
  confirmed: boolean
  diameterM: number | null
  readAt: Date | null
  stage: string
  eastM: number
  northM: number
  placed: boolean
  siteLatitude: number | null
  siteLongitude: number | null
  heightM: number | null
  spreadM: number | null
  crown: number | null
  block: string | null
  planted: string | null
  note: string | null
}

/** Standing trees of a site, or of all sites, by site and tag. */
export function exportedTrees(sql: FirmSql, siteId: string | null): AsyncGenerator<ExportedTree> {
  return rowsOf<ExportedTree>(sql<ExportedTree[]>`
    select t.id, s.name as site, t.tag, t.host as kind, t.listed_as as "listedAs", t.identity_confirmed_at is not null as confirmed,
      t.diameter_m as "diameterM", t.read_at as "readAt", t.stage, t.east_m as "eastM", t.north_m as "northM", t.placed,
      s.latitude as "siteLatitude", s.longitude as "siteLongitude", t.height_m as "heightM", t.spread_m as "spreadM",
      t.live_crown_percent as crown, t.block, t.planted, t.note
    from tree t join site s on s.firm_id = t.firm_id and s.id = t.site_id
    where t.status = 'standing' ${siteId === null ? sql`` : sql`and t.site_id = ${siteId}`}
    order by s.name, s.id, t.tag, t.id`)
}

export interface ExportedReading {
  id: string
  site: string
  treeId: string
  tag: string
  readAt: Date
  readBy: string | null
  tape: string
  typed: string
  stemsM: number[]
  struck: string | null
}

/** Readings of the trees of a site, or of all, by site, tag and time; those that were struck out with their reason. */
export function exportedReadings(sql: FirmSql, siteId: string | null): AsyncGenerator<ExportedReading> {
  return rowsOf<ExportedReading>(sql<ExportedReading[]>`
    select r.id, s.name as site, r.tree_id as "treeId", t.tag, r.read_at as "readAt", p.name as "readBy", r.tape, r.typed,
      r.stems_m as "stemsM", x.words as struck
    from stem_reading r join tree t on t.firm_id = r.firm_id and t.id = r.tree_id join site s on s.firm_id = t.firm_id and s.id = t.site_id
      left join person p on p.firm_id = r.firm_id and p.id = r.read_by
      left join reading_struck x on x.firm_id = r.firm_id and x.reading_id = r.id
    where true ${siteId === null ? sql`` : sql`and t.site_id = ${siteId}`}
    order by s.name, s.id, t.tag, t.id, r.read_at, r.id`)
}

export interface ExportedRecord {
  id: string
  seq: number
  kind: string
  corrects: string | null
  signedAt: Date
  signedBy: string
  hash: string
  prevHash: string
  body: unknown
}

/** Every record of the ledger in its order, as it was signed. */
export function exportedRecords(sql: FirmSql): AsyncGenerator<ExportedRecord> {
  return rowsOf<ExportedRecord>(sql<ExportedRecord[]>`
    select r.id, r.seq::int as seq, r.kind, r.corrects, r.signed_at as "signedAt", p.name as "signedBy", r.hash, r.prev_hash as "prevHash", r.body
    from record r join person p on p.firm_id = r.firm_id and p.id = r.signed_by order by r.seq`)
}

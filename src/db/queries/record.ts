import type { FirmSql } from '../client'

export interface RecordRow {
  id: string
  seq: number
  kind: 'application' | 'correction'
  corrects: string | null
  treeId: string
  tag: string
  host: string
  siteId: string
  siteName: string
  /** The site's. */
  timeZone: string
  jobItemId: string | null
  signedAt: Date
  signedBy: string
  /** As it was signed; read by server/ledger/body. */
  body: unknown
  prevHash: string
  hash: string
}

const select = (sql: FirmSql) => sql`
  select r.id, r.seq::int as seq, r.kind, r.corrects, r.tree_id as "treeId", t.tag, t.host, r.site_id as "siteId",
    s.name as "siteName", s.time_zone as "timeZone", r.job_item_id as "jobItemId", r.signed_at as "signedAt", p.name as "signedBy", r.body,
    r.prev_hash as "prevHash", r.hash
  from record r join tree t on t.id = r.tree_id join site s on s.id = r.site_id join person p on p.id = r.signed_by`

/** Records newest first; go on below a sequence number. */
export async function records(sql: FirmSql, before: number | null = null, limit = 50): Promise<RecordRow[]> {
  return sql<
    RecordRow[]
  >`${select(sql)} ${before === null ? sql`` : sql`where r.seq < ${before}`} order by r.seq desc limit ${limit}`
}

export async function recordById(sql: FirmSql, id: string): Promise<RecordRow | undefined> {
  const rows = await sql<RecordRow[]>`${select(sql)} where r.id = ${id}`
  return rows[0]
}

/** Records of a tree under every listing of it, newest first. */
export async function recordsOfTree(sql: FirmSql, listings: string[]): Promise<RecordRow[]> {
  return sql<RecordRow[]>`${select(sql)} where r.tree_id = any(${listings}) order by r.seq desc limit 50`
}

export async function correctionsOf(sql: FirmSql, id: string): Promise<RecordRow[]> {
  return sql<RecordRow[]>`${select(sql)} where r.corrects = ${id} order by r.seq`
}

export interface NewRecord {
  id: string
  firmId: string
  kind: 'application' | 'correction'
  corrects: string | null
  treeId: string
  siteId: string
  jobItemId: string | null
  signedAt: Date
  signedBy: string
  body: unknown
}

/** Adds an entry; the database numbers and chains it. Answers its place in the chain. */
export async function addRecord(sql: FirmSql, r: NewRecord): Promise<{ seq: number; hash: string }> {
  const rows = await sql<
    { seq: number; hash: string }[]
  >`insert into record (id, firm_id, kind, corrects, tree_id, site_id, job_item_id, signed_at, signed_by, body, seq, prev_hash, hash)
    values (${r.id}, ${r.firmId}, ${r.kind}, ${r.corrects}, ${r.treeId}, ${r.siteId}, ${r.jobItemId}, ${r.signedAt}, ${r.signedBy},
      ${sql.json(r.body as never)}, 0, '', '') returning seq::int as seq, hash`
  return rows[0]!
}

export interface ChainRow {
  seq: number
  prevHash: string
  hash: string
  covered: string
}

/** A stretch of the chain after an entry, oldest first: each entry's hash beside the text it covers. */
export async function chainFrom(sql: FirmSql, after: number, limit: number): Promise<ChainRow[]> {
  return sql<
    ChainRow[]
  >`select ${covered(sql)} from record r where r.seq > ${after} order by r.seq limit ${limit}`
}

/** One entry with the text its hash covers. */
export async function chainEntry(sql: FirmSql, id: string): Promise<ChainRow | undefined> {
  const rows = await sql<ChainRow[]>`select ${covered(sql)} from record r where r.id = ${id}`
  return rows[0]
}

const covered = (sql: FirmSql) => sql`
  r.seq::int as seq, r.prev_hash as "prevHash", r.hash, concat_ws(E'\n',
    r.prev_hash, r.firm_id, r.seq, r.id, r.kind, coalesce(r.corrects::text, '-'), r.tree_id, r.site_id,
    coalesce(r.job_item_id::text, '-'), to_char(r.signed_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"'),
    r.signed_by, r.body::text) as covered`

/** The number of the newest entry; numbers have no gaps, so it is also how many there are. */
export async function lastSeq(sql: FirmSql): Promise<number> {
  const rows = await sql<
    { seq: number }[]
  >`select seq::int as seq from record order by record.seq desc limit 1`
  return rows[0]?.seq ?? 0
}

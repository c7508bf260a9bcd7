import type { FirmSql } from '../client'

export interface SealRow {
  firmId: string
  seq: number
  hash: string
  sealedAt: Date
  key: string
  signature: string
}

/** What is wrong with a chain, and at which entry. */
export interface Trouble {
  seq: number
  kind: 'changed' | 'missing' | 'chained anew' | 'cut' | 'not sealed' | 'false seal' | 'seal file'
  words: string
}

const columns = (sql: FirmSql) =>
  sql`firm_id as "firmId", seq::int as seq, hash, sealed_at as "sealedAt", key, signature`

export async function addSeal(sql: FirmSql, s: SealRow): Promise<void> {
  await sql`insert into seal (firm_id, seq, hash, sealed_at, key, signature)
    values (${s.firmId}, ${s.seq}, ${s.hash}, ${s.sealedAt}, ${s.key}, ${s.signature})`
}

// The watch sees all firms' seals by a rule of its own; a firm asks for its own by name, and for the name apart, so that
// the index may serve before the fence.

/** The seal of one entry. */
export async function sealOf(sql: FirmSql, seq: number): Promise<SealRow | undefined> {
  const rows = await sql<
    SealRow[]
  >`select ${columns(sql)} from seal where firm_id = (select current_firm()) and seq = ${seq}`
  return rows[0]
}

/** The newest seal of the firm. */
export async function newestSeal(sql: FirmSql): Promise<SealRow | undefined> {
  const rows = await sql<
    SealRow[]
  >`select ${columns(sql)} from seal where firm_id = (select current_firm()) order by seal.seq desc limit 1`
  return rows[0]
}

/** Seals from a number on, oldest first. */
export async function sealsFrom(sql: FirmSql, seq: number, limit: number): Promise<SealRow[]> {
  return sql<
    SealRow[]
  >`select ${columns(sql)} from seal where firm_id = (select current_firm()) and seal.seq >= ${seq} order by seal.seq limit ${limit}`
}

/** The first sealed entry; earlier ones are covered by the chain alone. */
export async function firstSealed(sql: FirmSql): Promise<number | null> {
  const rows = await sql<
    { seq: number }[]
  >`select seq::int as seq from seal where firm_id = (select current_firm()) order by seal.seq limit 1`
  return rows[0]?.seq ?? null
}

export interface CheckRow {
  firmId: string
  checkedAt: Date
  checkedTo: number
  trouble: Trouble | null
}

/** What the last check of the firm's whole chain found. */
export async function ledgerCheck(sql: FirmSql): Promise<CheckRow | undefined> {
  const rows = await sql<CheckRow[]>`
    select firm_id as "firmId", checked_at as "checkedAt", checked_to::int as "checkedTo", trouble from ledger_check where firm_id = (select current_firm())`
  return rows[0]
}

export async function noteCheck(sql: FirmSql, c: CheckRow): Promise<void> {
  await sql`insert into ledger_check (firm_id, checked_at, checked_to, trouble)
    values (${c.firmId}, ${c.checkedAt}, ${c.checkedTo}, ${c.trouble ? sql.json(c.trouble as never) : null})
    on conflict (firm_id) do update set checked_at = excluded.checked_at, checked_to = excluded.checked_to, trouble = excluded.trouble`
}

/** Every firm that has a sealed ledger, with its newest seal. Only on watch. */
export async function sealedFirms(sql: FirmSql): Promise<{ firmId: string; seq: number }[]> {
  return sql<{ firmId: string; seq: number }[]>`
    select firm_id as "firmId", max(seq)::int as seq from seal group by firm_id order by firm_id`
}

/** The ledgers with trouble, by the place in the chain; whose they are is not told. Only on watch. */
export async function troubles(sql: FirmSql): Promise<{ trouble: Trouble; checkedAt: Date }[]> {
  return sql<{ trouble: Trouble; checkedAt: Date }[]>`
    select trouble, checked_at as "checkedAt" from ledger_check where trouble is not null order by checked_at desc limit 20`
}

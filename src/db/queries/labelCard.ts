import type { LabelCard } from '@/core/dose/labelCard'
import type { FirmSql } from '../client'

export interface LabelRow {
  id: string
  code: string
  version: number
  name: string
  registration: string
  body: LabelCard
}

/** The newest version of every label card of the firm. */
export async function labelCards(sql: FirmSql): Promise<LabelRow[]> {
  return sql<LabelRow[]>`
    select distinct on (code) id, code, version, name, registration, body from label_card order by code, version desc`
}

export async function labelById(sql: FirmSql, id: string): Promise<LabelRow | undefined> {
  const rows = await sql<
    LabelRow[]
  >`select id, code, version, name, registration, body from label_card where id = ${id}`
  return rows[0]
}

export async function lotsOf(
  sql: FirmSql,
  code: string,
): Promise<{ id: string; number: string; expiresOn: string | null }[]> {
  return lotsOfCodes(sql, [code])
}

/** Lots on the shelf for several cards at once, by card. */
export async function lotsOfCodes(
  sql: FirmSql,
  codes: string[],
): Promise<{ id: string; code: string; number: string; expiresOn: string | null }[]> {
  return sql<{ id: string; code: string; number: string; expiresOn: string | null }[]>`
    select id, label_code as code, number, expires_on::text as "expiresOn" from lot
    where label_code = any(${codes}) order by label_code, expires_on, number`
}

/** The newest version of a label card of this code. */
export async function newestVersion(sql: FirmSql, code: string): Promise<number> {
  const rows = await sql<{ version: number }[]>`
    select version from label_card where code = ${code} order by version desc limit 1`
  return rows[0]?.version ?? 0
}

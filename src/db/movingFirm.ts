import postgres from 'postgres'
import { FIRM_LOCK } from './client'
import { named } from './queries/archive'

/** Runs `work` as the owner of the tables of a database, in one transaction. */
async function asOwner<T>(
  url: string,
  firmId: string,
  work: (sql: postgres.TransactionSql) => Promise<T>,
): Promise<T> {
  const pool = postgres(url, { max: 1, onnotice: () => {}, connect_timeout: 5 })
  try {
    return (await pool.begin(async (sql) => {
      await sql`select set_config('elmhorn.firm', ${firmId}, true)`
      return work(sql)
    })) as T
  } finally {
    await pool.end({ timeout: 2 })
  }
}

/** From now on nobody writes for a firm: says so, and waits for everybody who was at it. */
export async function leaving(url: string, firmId: string): Promise<void> {
  await asOwner(
    url,
    firmId,
    (sql) =>
      sql`insert into firm_away (firm_id) values (${firmId}) on conflict (firm_id) do update set to_shard = null, since = now()`,
  )
  await asOwner(url, firmId, (sql) => sql`select pg_advisory_xact_lock(${FIRM_LOCK}, hashtext(${firmId}))`)
}

/** What a database says of a firm that is being moved, or was: where it went, null while it is on its way; undefined where it is at home. */
export async function whereAway(url: string, firmId: string): Promise<string | null | undefined> {
  const rows = await asOwner(
    url,
    firmId,
    (sql) => sql<{ to: string | null }[]>`select to_shard as to from firm_away where firm_id = ${firmId}`,
  )
  return rows[0]?.to
}

/** It did not go: it is written again where it was. */
export async function stayed(url: string, firmId: string): Promise<void> {
  await asOwner(url, firmId, (sql) => sql`delete from firm_away where firm_id = ${firmId}`)
}

/** It lives here now, wherever it was before. */
export const arrived = stayed

/** It lives elsewhere: whoever still asks here is sent on, and nothing here opens a door any more. */
export async function finishLeaving(
  url: string,
  firmId: string,
  to: string,
  doors: readonly string[],
): Promise<void> {
  await asOwner(url, firmId, async (sql) => {
    await sql`set constraints all deferred`
    for (const table of doors) await sql.unsafe(`delete from ${named(table)} where firm_id = $1`, [firmId])
    await sql`update firm_away set to_shard = ${to}, since = now() where firm_id = ${firmId}`
  })
}

/**
 * Takes away what is left of a firm that lives elsewhere; nothing of it can be reached any more. False where the owner of the tables may not pass
 * by the triggers that keep a ledger: then the rows stay.
 */
export async function forget(url: string, firmId: string, tables: readonly string[]): Promise<boolean> {
  try {
    await asOwner(url, firmId, async (sql) => {
      await sql`set local session_replication_role = replica`
      for (const table of tables.filter((t) => t !== 'firm'))
        await sql.unsafe(`delete from ${named(table)} where firm_id = $1`, [firmId])
      await sql`delete from firm where id = ${firmId}`
    })
    return true
  } catch (error) {
    if ((error as { code?: string }).code === '42501') return false
    throw error
  }
}

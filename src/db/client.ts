import postgres from 'postgres'
import { environment } from './environment'

/** A transaction confined to one firm. Every query function takes one; there is no other way to the tables. */
export type FirmSql = postgres.TransactionSql<Record<string, never>>

const holder = globalThis as unknown as { elmhornSql?: postgres.Sql }

/** How the database plans our statements. */
export const PLANNING = {
  // Compiling a plan costs more than any of ours runs: 0.7 s for one of 0.1 s.
  jit: 'off',
  // A plan made for any values reads whole tables where the one for these values reads a page: 6 s against 20 ms.
  plan_cache_mode: 'force_custom_plan',
  // Of a dozen joins five are put in order at a time: all at once took longer than the statement (70 ms of 90).
  join_collapse_limit: 5,
  from_collapse_limit: 5,
} as const

function pool(): postgres.Sql {
  holder.elmhornSql ??= postgres(environment().DATABASE_URL, {
    max: environment().DATABASE_POOL,
    idle_timeout: 60,
    connect_timeout: 5,
    onnotice: () => {},
    connection: {
      application_name: 'elmhorn',
      statement_timeout: 10_000,
      TimeZone: 'UTC',
      ...PLANNING,
    },
  })
  return holder.elmhornSql
}

/**
 * Runs `work` in one transaction as the fenced application role, seeing and writing only the given firm's rows.
 * @example const trees = await inFirm(firmId, (sql) => treesOfSite(sql, siteId))
 */
export async function inFirm<T>(firmId: string, work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return (await pool().begin(async (sql) => {
    await sql`select set_config('role', 'elmhorn_app', true), set_config('elmhorn.firm', ${firmId}, true)`
    return work(sql)
  })) as T
}

/** Runs `work` before any firm is known: it can see the one person and the attempts of this e-mail, nothing else. */
export async function signingIn<T>(email: string, work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return (await pool().begin(async (sql) => {
    await sql`select set_config('role', 'elmhorn_app', true), set_config('elmhorn.signing_in', ${email}, true)`
    return work(sql)
  })) as T
}

/** Runs `work` before any firm is known: it can see the one token with this hash, nothing else. */
export async function presenting<T>(tokenHash: string, work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return (await pool().begin(async (sql) => {
    await sql`select set_config('role', 'elmhorn_app', true), set_config('elmhorn.presented_token', ${tokenHash}, true)`
    return work(sql)
  })) as T
}

/** Runs `work` on watch over all ledgers: it can see seals and what checks found, nothing else. */
export async function onWatch<T>(work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return (await pool().begin(async (sql) => {
    await sql`select set_config('role', 'elmhorn_app', true), set_config('elmhorn.watch', 'ledger', true)`
    return work(sql)
  })) as T
}

/** How the database is: reachable, and the newest migration it has. */
export async function databaseHealth(): Promise<{ reachable: boolean; migration: number | null }> {
  try {
    const rows = await pool()<{ version: string }[]>`select max(version) as version from schema_version`
    return { reachable: true, migration: rows[0]?.version ? Number(rows[0].version) : null }
  } catch {
    return { reachable: false, migration: null }
  }
}

/** Closes the pool; for scripts and tests. */
export async function closePool(): Promise<void> {
  await holder.elmhornSql?.end({ timeout: 2 })
  holder.elmhornSql = undefined
}

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
    // A database that comes back is found within the time a hand waits, s.
    backoff: () => 0.2,
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
export function inFirm<T>(firmId: string, work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return confined('', ['elmhorn.firm', firmId], work)
}

/** A transaction of the fenced application role, which sees what this one setting lets it see. */
function confined<T>(
  mode: string,
  [setting, value]: readonly [string, string],
  work: (sql: FirmSql) => Promise<T>,
): Promise<T> {
  return transaction(mode, async (sql) => {
    await sql`select set_config('role', 'elmhorn_app', true), set_config(${setting}, ${value}, true)`
    return work(sql)
  })
}

/** True of an error that says that the connection is gone, or about to be. */
function isLost(error: unknown): boolean {
  const { code } = (error ?? {}) as { code?: unknown }
  return (
    typeof code === 'string' &&
    /^(57P0[123]|CONNECTION_(CLOSED|DESTROYED|ENDED)|ECONNRESET|EPIPE|ECONNREFUSED)$/.test(code)
  )
}

/**
 * Runs `work` in a transaction. One whose connection is lost fails at once and says nothing more on it: the client would send its “rollback” to a
 * connection that is gone, which costs the pool that connection and whoever asks next many seconds.
 */
async function transaction<T>(mode: string, work: (sql: FirmSql) => Promise<T>, tries = 3): Promise<T> {
  let begun = false
  let lost: (error: unknown) => void
  const gone = new Promise<never>((_, reject) => (lost = reject))
  const done = pool().begin(mode, async (sql) => {
    begun = true
    try {
      return await work(sql)
    } catch (error) {
      if (!isLost(error)) throw error
      lost(error)
      return new Promise<never>(() => {})
    }
  })
  try {
    return (await Promise.race([done, gone])) as T
  } catch (error) {
    // Nothing was done on it yet: it was lost while it lay idle, and another takes its place.
    if (!begun && isLost(error) && tries > 1) return transaction(mode, work, tries - 1)
    throw error
  }
}

/** The same for reading alone, from one unchanging look at the firm: whatever is written meanwhile is not seen. */
export function lookingAtFirm<T>(firmId: string, work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return confined('isolation level repeatable read read only', ['elmhorn.firm', firmId], work)
}

/** Runs `work` before any firm is known: it can see the one person and the attempts of this e-mail, nothing else. */
export function signingIn<T>(email: string, work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return confined('', ['elmhorn.signing_in', email], work)
}

/** Runs `work` before any firm is known: it can see the one token with this hash, nothing else. */
export function presenting<T>(tokenHash: string, work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return confined('', ['elmhorn.presented_token', tokenHash], work)
}

/** Runs `work` before there is any firm, or while the first one (`firmId`) is made: it can see whether one was set up. */
export async function settingUp<T>(firmId: string | null, work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return transaction('', async (sql) => {
    await sql`select set_config('role', 'elmhorn_app', true), set_config('elmhorn.setting_up', 'on', true),
      set_config('elmhorn.firm', ${firmId ?? ''}, true)`
    return work(sql)
  })
}

/** Runs `work` on watch over all ledgers: it can see seals and what checks found, nothing else. */
export function onWatch<T>(work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return confined('', ['elmhorn.watch', 'ledger'], work)
}

/** Under this name health tries whether the database takes writes, at most so often. */
const PROBE = { door: 'health', everyMs: 5000 }
let probed: { at: number; writes: boolean } | undefined

/** How the database is: reachable, whether it takes writes, and the newest migration it has. */
export async function databaseHealth(): Promise<{
  reachable: boolean
  writes: boolean
  migration: number | null
}> {
  try {
    const rows = await pool()<{ version: string }[]>`select max(version) as version from schema_version`
    const migration = rows[0]?.version ? Number(rows[0].version) : null
    if (!probed || Date.now() - probed.at > PROBE.everyMs)
      probed = { at: Date.now(), writes: await takesWrites() }
    return { reachable: true, writes: probed.writes, migration }
  } catch {
    return { reachable: false, writes: false, migration: null }
  }
}

/** True where a row can be written and taken away again: a full disk and a standby refuse it. */
async function takesWrites(): Promise<boolean> {
  try {
    await signingIn(PROBE.door, async (sql) => {
      await sql`insert into sign_in_attempt (email, source) values (${PROBE.door}, ${PROBE.door})`
      await sql`delete from sign_in_attempt where email = ${PROBE.door}`
    })
    return true
  } catch {
    return false
  }
}

/** Closes the pool; for scripts and tests. */
export async function closePool(): Promise<void> {
  await holder.elmhornSql?.end({ timeout: 2 })
  holder.elmhornSql = undefined
}

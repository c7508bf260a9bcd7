import type postgres from 'postgres'
import { firmBehind, foundMoved, homeOf, noteBehind, noteHome } from './directory'
import { closePools, pool, shards, type Shard } from './shards'

/** A transaction confined to one firm. Every query function takes one; there is no other way to the tables. */
export type FirmSql = postgres.TransactionSql<Record<string, never>>

/** With the firm, the lock that whoever works for it shares, and whoever moves it takes for itself. */
export const FIRM_LOCK = 7_304_113

/** A firm may be read and not written for a while: it is being moved to another database. */
export class FirmIsMoved extends Error {
  constructor() {
    super('The firm is being moved to another database.')
  }
}

/** A firm lives in another database now. */
class FirmAway extends Error {
  constructor(readonly shard: string) {
    super(`The firm lives in ${shard}.`)
  }
}

const isOne = () => shards().length === 1

/** The database a firm lives in. One that is nowhere yet, as it is being made, begins in the first. */
async function shardOf(firmId: string): Promise<Shard> {
  const all = shards()
  if (isOne()) return all[0]!
  const home = await homeOf(firmId)
  if (home) return home
  for (const shard of all) {
    const found = await confined(
      shard,
      '',
      ['elmhorn.firm', firmId],
      (sql) => sql`select 1 from firm where id = ${firmId} and not exists (
        select 1 from firm_away where firm_id = ${firmId} and to_shard is not null)`,
    )
    if (found.length > 0) return noteHome(firmId, shard.name)
  }
  return all[0]!
}

/**
 * Asks the database in which an address or a token is known, else every one of them; what is found says whose it is and is noted.
 */
async function whereKnown<T>(
  kind: 'address' | 'presented',
  key: string,
  ask: (shard: Shard) => Promise<T>,
): Promise<T | undefined> {
  const firmId = await firmBehind(kind, key)
  const home = firmId === undefined ? undefined : await homeOf(firmId)
  const first = home && (await ask(home))
  if (first) return first
  for (const shard of shards()) {
    if (shard === home) continue
    const found = await ask(shard)
    if (!found) continue
    const { firmId } = found as { firmId?: string }
    if (firmId !== undefined) await noteBehind(kind, key, firmId)
    return found
  }
  return undefined
}

/**
 * Runs `work` in one transaction as the fenced application role, seeing and writing only the given firm's rows.
 * @example const trees = await inFirm(firmId, (sql) => treesOfSite(sql, siteId))
 */
export function inFirm<T>(firmId: string, work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return atHome('', firmId, work)
}

/** Runs `work` in the database a firm lives in; one that moved since is followed, one that is being moved is read alone. */
async function atHome<T>(mode: string, firmId: string, work: (sql: FirmSql) => Promise<T>): Promise<T> {
  const shard = await shardOf(firmId)
  if (isOne()) return confined(shard, mode, ['elmhorn.firm', firmId], work)
  let moving = false
  try {
    return await confined(shard, mode, ['elmhorn.firm', firmId], async (sql) => {
      // The lock is shared with everybody who works for the firm; what is read after it is as it is with the lock.
      await sql`select pg_advisory_xact_lock_shared(${FIRM_LOCK}, hashtext(${firmId}))`
      const [away] = await sql<
        { shard: string | null }[]
      >`select to_shard as shard from firm_away where firm_id = ${firmId}`
      if (away?.shard) throw new FirmAway(away.shard)
      moving = away !== undefined
      if (moving) await sql`set transaction read only`
      return work(sql)
    })
  } catch (error) {
    if (error instanceof FirmAway) {
      foundMoved(firmId, error.shard)
      return atHome(mode, firmId, work)
    }
    if (moving && (error as { code?: unknown }).code === READ_ONLY) throw new FirmIsMoved()
    throw error
  }
}

/** Notes something in passing, such as when a session was used; left out while the firm is being moved. */
export async function inPassing(firmId: string, work: (sql: FirmSql) => Promise<unknown>): Promise<void> {
  await inFirm(firmId, work).catch((error: unknown) => {
    if (!(error instanceof FirmIsMoved)) throw error
  })
}

/** What the database says of a write in a transaction that only reads. */
const READ_ONLY = '25006'

/** A transaction of the fenced application role, which sees what this one setting lets it see. */
function confined<T>(
  shard: Shard,
  mode: string,
  [setting, value]: readonly [string, string],
  work: (sql: FirmSql) => Promise<T>,
): Promise<T> {
  return transaction(shard, mode, async (sql) => {
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
async function transaction<T>(
  shard: Shard,
  mode: string,
  work: (sql: FirmSql) => Promise<T>,
  tries = 3,
): Promise<T> {
  let begun = false
  let lost: (error: unknown) => void
  const gone = new Promise<never>((_, reject) => (lost = reject))
  const done = pool(shard).begin(mode, async (sql) => {
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
    if (!begun && isLost(error) && tries > 1) return transaction(shard, mode, work, tries - 1)
    throw error
  }
}

/** The same for reading alone, from one unchanging look at the firm: whatever is written meanwhile is not seen. */
export function lookingAtFirm<T>(firmId: string, work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return atHome('isolation level repeatable read read only', firmId, work)
}

/** Runs `work` before any firm is known: it can see the one person and the attempts of this e-mail, nothing else. */
export async function signingIn<T>(email: string, work: (sql: FirmSql) => Promise<T>): Promise<T> {
  const at = <R>(shard: Shard, ask: (sql: FirmSql) => Promise<R>) =>
    confined(shard, '', ['elmhorn.signing_in', email], ask)
  if (isOne()) return at(shards()[0]!, work)
  const known = await whereKnown('address', email, async (shard) => {
    const [person] = await at(
      shard,
      (sql) => sql<{ firmId: string }[]>`select firm_id as "firmId" from person where email = ${email}`,
    )
    return person && { ...person, shard }
  })
  return at(known?.shard ?? doorOf(email), work)
}

/** Where attempts at an address that is nobody's are counted: always in the same database. */
function doorOf(email: string): Shard {
  const all = shards()
  const sum = [...email].reduce((a, c) => (a * 31 + c.codePointAt(0)!) % 1_000_003, 7)
  return all[sum % all.length]!
}

/** Runs `work` before any firm is known: it can see the one token with this hash, nothing else. */
export async function presenting<T>(
  tokenHash: string,
  work: (sql: FirmSql) => Promise<T>,
): Promise<T | undefined> {
  const at = (shard: Shard) => confined(shard, '', ['elmhorn.presented_token', tokenHash], work)
  return isOne() ? at(shards()[0]!) : whereKnown('presented', tokenHash, at)
}

/** Runs `work` before there is any firm, or while the first one (`firmId`) is made: it can see whether one was set up. */
export async function settingUp<T>(firmId: string | null, work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return transaction(shards()[0]!, '', async (sql) => {
    await sql`select set_config('role', 'elmhorn_app', true), set_config('elmhorn.setting_up', 'on', true),
      set_config('elmhorn.firm', ${firmId ?? ''}, true)`
    return work(sql)
  })
}

/** Runs `work` on watch over all ledgers of every database: it can see seals and what checks found, nothing else. */
export async function onWatch<T>(work: (sql: FirmSql) => Promise<readonly T[]>): Promise<T[]> {
  const found = await Promise.all(
    shards().map((shard) => confined(shard, '', ['elmhorn.watch', 'ledger'], work)),
  )
  return found.flat()
}

/** Under this name health tries whether the database takes writes, at most so often. */
const PROBE = { door: 'health', everyMs: 5000 }
let probed: { at: number; writes: boolean } | undefined

/** How the databases are: all within reach, whether all take writes, and the oldest of the newest migrations they have. */
export async function databaseHealth(): Promise<{
  reachable: boolean
  writes: boolean
  migration: number | null
}> {
  try {
    const found = await Promise.all(
      shards().map(
        (shard) => pool(shard)<{ version: string }[]>`select max(version) as version from schema_version`,
      ),
    )
    const migrations = found.map(([row]) => (row?.version ? Number(row.version) : null))
    const migration = migrations.includes(null) ? null : Math.min(...migrations.map((m) => m!))
    if (!probed || Date.now() - probed.at > PROBE.everyMs)
      probed = { at: Date.now(), writes: (await Promise.all(shards().map(takesWrites))).every(Boolean) }
    return { reachable: true, writes: probed.writes, migration }
  } catch {
    return { reachable: false, writes: false, migration: null }
  }
}

/** True where a row can be written and taken away again: a full disk and a standby refuse it. */
async function takesWrites(shard: Shard): Promise<boolean> {
  try {
    await confined(shard, '', ['elmhorn.signing_in', PROBE.door], async (sql) => {
      await sql`insert into sign_in_attempt (email, source) values (${PROBE.door}, ${PROBE.door})`
      await sql`delete from sign_in_attempt where email = ${PROBE.door}`
    })
    return true
  } catch {
    return false
  }
}

/** Closes all connections; for scripts and tests. */
export const closePool = closePools

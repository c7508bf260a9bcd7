import postgres from 'postgres'
import { environment } from './environment'

/** A database that firms live in, each whole. */
export interface Shard {
  name: string
  url: string
}

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

const holder = globalThis as unknown as { elmhornPools?: Map<string, postgres.Sql> }

function poolOf(key: string, url: string, max: number): postgres.Sql {
  const pools = (holder.elmhornPools ??= new Map<string, postgres.Sql>())
  const known = pools.get(key)
  if (known) return known
  const made = postgres(url, {
    max,
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
  pools.set(key, made)
  return made
}

/** Every database that firms live in; one where nothing else is said. */
export function shards(): readonly Shard[] {
  const { DATABASE_URL, DATABASE_URLS } = environment()
  return DATABASE_URLS ?? [{ name: 'only', url: DATABASE_URL }]
}

/** The same databases as the owner of their tables reaches them. */
export function ownedShards(): readonly Shard[] {
  const { DATABASE_URL, DATABASE_OWNER_URL, DATABASE_OWNER_URLS, DATABASE_URLS } = environment()
  if (!DATABASE_URLS) return [{ name: 'only', url: DATABASE_OWNER_URL ?? DATABASE_URL }]
  return DATABASE_URLS.map((s) => DATABASE_OWNER_URLS?.find((o) => o.name === s.name) ?? s)
}

/** The connections to a shard. */
export const pool = (shard: Shard): postgres.Sql =>
  poolOf(`shard ${shard.name}`, shard.url, environment().DATABASE_POOL)

/** The connections to the directory; undefined where one database holds all firms. */
export function directoryPool(): postgres.Sql | undefined {
  const { DIRECTORY_URL } = environment()
  return DIRECTORY_URL === undefined ? undefined : poolOf('directory', DIRECTORY_URL, 4)
}

/** Closes all connections; for scripts and tests. */
export async function closePools(): Promise<void> {
  await Promise.all([...(holder.elmhornPools?.values() ?? [])].map((p) => p.end({ timeout: 2 })))
  holder.elmhornPools = undefined
}

import { readFile } from 'node:fs/promises'
import path from 'node:path'
import postgres from 'postgres'
import Postgrator from 'postgrator'
import { environment } from './environment'
import { NEWEST_MIGRATION } from './newestMigration'
import { ownedShards } from './shards'

/** All copies of the app that start at once bring a database on one after another. */
const ONE_AT_A_TIME = 7_304_112

/**
 * Brings the database to the newest migration, forward only, as the owner of its tables. A database that a newer app has brought further
 * is refused as it is.
 * @returns the migrations that ran, by name
 */
export async function migrate(
  url: string,
  directory = path.join(process.cwd(), 'src/db/migrations'),
): Promise<string[]> {
  const sql = postgres(url, { max: 1, onnotice: () => {}, connect_timeout: 5 })
  try {
    await sql`select pg_advisory_lock(${ONE_AT_A_TIME})`
    const ahead = await newestIn(sql)
    if (ahead > NEWEST_MIGRATION)
      throw new Error(
        `it was brought to ${ahead} by a newer Elmhorn, this one knows ${NEWEST_MIGRATION}. Start the newer one, or restore a backup of before.`,
      )
    const postgrator = new Postgrator({
      migrationPattern: path.join(directory, '*.sql'),
      driver: 'pg',
      schemaTable: 'schema_version',
      execQuery: async (query) => {
        const rows = await sql.unsafe(query).simple()
        return { rows: [...rows] as unknown as Record<string, unknown>[] }
      },
    })
    const migrated = await postgrator.migrate()
    await sql`grant select on schema_version to elmhorn_app, public`
    // Plans rest on what the tables hold now, not on what they held before they were changed.
    if (migrated.length > 0) await sql`analyze`
    return migrated.map((m) => m.name)
  } finally {
    await sql.end({ timeout: 2 })
  }
}

async function newestIn(sql: postgres.Sql): Promise<number> {
  const [there] = await sql<{ table: string | null }[]>`select to_regclass('schema_version')::text as table`
  if (!there?.table) return 0
  const [newest] = await sql<
    { version: number }[]
  >`select coalesce(max(version), 0)::int as version from schema_version`
  return newest!.version
}

/** Makes the directory of many databases where it is not there yet. */
export async function makeDirectory(url: string): Promise<void> {
  const sql = postgres(url, { max: 1, onnotice: () => {}, connect_timeout: 5 })
  try {
    await sql`select pg_advisory_lock(${ONE_AT_A_TIME})`
    await sql.unsafe(await readFile(path.join(process.cwd(), 'src/db/directory.sql'), 'utf8')).simple()
  } finally {
    await sql.end({ timeout: 2 })
  }
}

async function main(): Promise<string[]> {
  const { DIRECTORY_URL } = environment()
  const ran = []
  for (const { url } of ownedShards()) ran.push(...(await migrate(url)))
  if (DIRECTORY_URL) await makeDirectory(DIRECTORY_URL)
  return [...new Set(ran)]
}

if (process.argv[1]?.endsWith('migrate.ts')) {
  main()
    .then((ran) =>
      console.log(ran.length > 0 ? `Migrated: ${ran.join(', ')}.` : 'The database is up to date.'),
    )
    .catch((error: Error) => {
      console.error(`The database could not be migrated: ${error.message}`)
      process.exit(1)
    })
}

import { databaseHealth } from '@/db/client'
import { NEWEST_MIGRATION } from '@/db/newestMigration'

/** App, database and migration state, in words. */
export async function health() {
  const { reachable, migration } = await databaseHealth()
  return {
    app: 'ok' as const,
    database: reachable ? ('ok' as const) : ('out of reach' as const),
    migrations:
      migration === NEWEST_MIGRATION
        ? ('ok' as const)
        : (`at ${migration ?? 'none'} of ${NEWEST_MIGRATION}` as const),
    migration,
  }
}

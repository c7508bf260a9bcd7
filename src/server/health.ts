import { databaseHealth } from '@/db/client'
import { NEWEST_MIGRATION } from '@/db/newestMigration'
import { ledgerTroubles } from './ledger/watch'

/** App, database, migrations and ledgers, in words. Trouble with a ledger is told by its place, not by whose it is. */
export async function health() {
  const { reachable, migration } = await databaseHealth()
  const current = migration === NEWEST_MIGRATION
  const troubles = reachable && current ? await ledgerTroubles().catch(() => null) : null
  return {
    app: 'ok' as const,
    database: reachable ? ('ok' as const) : ('out of reach' as const),
    migrations: current ? ('ok' as const) : (`at ${migration ?? 'none'} of ${NEWEST_MIGRATION}` as const),
    ledgers:
      troubles === null
        ? ('not looked at' as const)
        : troubles.length === 0
          ? ('ok' as const)
          : troubles.map((t) => `record ${t.seq}: ${t.kind}`).join('; '),
    migration,
  }
}

import { constants } from 'node:fs'
import { access, mkdir, statfs } from 'node:fs/promises'
import path from 'node:path'
import { databaseHealth } from '@/db/client'
import { NEWEST_MIGRATION } from '@/db/newestMigration'
import { serverEnvironment } from './environment'
import { ledgerTroubles } from './ledger/watch'

/** Less than this on the disk is told before writes are refused. */
const LEAST_FREE = 200_000_000

/** Whether seals can be added to their file, and how much is free on its disk, bytes. */
async function sealFileHealth(): Promise<{ seals: string; diskFree: number | null }> {
  const { LEDGER_FILE } = serverEnvironment()
  const folder = path.dirname(LEDGER_FILE)
  try {
    await mkdir(folder, { recursive: true })
    const { bavail, bsize } = await statfs(folder)
    // A file that is not there yet is made in its folder.
    await access(LEDGER_FILE, constants.W_OK).catch((error: NodeJS.ErrnoException) => {
      if (error.code === 'ENOENT') return access(folder, constants.W_OK)
      throw error
    })
    return { seals: 'ok', diskFree: bavail * bsize }
  } catch (error) {
    return {
      seals: `cannot be written (${(error as NodeJS.ErrnoException).code ?? 'unknown'})`,
      diskFree: null,
    }
  }
}

/** App, database, migrations, ledgers, seals and disk, in words. Trouble with a ledger is told by its place, not by whose it is. */
export async function health() {
  const { reachable, writes, migration } = await databaseHealth()
  const current = migration === NEWEST_MIGRATION
  const troubles = reachable && current ? await ledgerTroubles().catch(() => null) : null
  const { seals, diskFree } = await sealFileHealth()
  return {
    app: 'ok' as const,
    database: !reachable
      ? ('out of reach' as const)
      : writes
        ? ('ok' as const)
        : ('takes no writes' as const),
    migrations: current ? ('ok' as const) : (`at ${migration ?? 'none'} of ${NEWEST_MIGRATION}` as const),
    ledgers:
      troubles === null
        ? ('not looked at' as const)
        : troubles.length === 0
          ? ('ok' as const)
          : troubles.map((t) => `record ${t.seq}: ${t.kind}`).join('; '),
    seals,
    disk:
      diskFree === null
        ? 'not looked at'
        : diskFree < LEAST_FREE
          ? `nearly full: ${Math.floor(diskFree / 1e6)} MB are free`
          : 'ok',
    diskFree,
    migration,
  }
}

/** True where the app can do its work: what keeps it from that is the only thing a balancer takes it out for. */
export function isServing(state: Awaited<ReturnType<typeof health>>): boolean {
  return state.database === 'ok' && state.migrations === 'ok' && state.seals === 'ok'
}

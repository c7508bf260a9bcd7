import { onWatch } from '@/db/client'
import { sealedFirms, troubles, type Trouble } from '@/db/queries/seal'
import { heavy } from '../heavy/pool'
import { log } from '../log'

/** A firm's whole chain is checked again this long after the last time. */
const STALE_MS = 15 * 60_000
const asked = new Map<string, number>()

/** Asks for a check of a firm's whole chain in the background, unless one was made or asked for lately. */
export function askForCheck(firmId: string, checkedAt: Date | null): void {
  const now = Date.now()
  const last = Math.max(checkedAt?.getTime() ?? 0, asked.get(firmId) ?? 0)
  if (now - last < STALE_MS) return
  asked.set(firmId, now)
  void check(firmId)
}

async function check(firmId: string): Promise<void> {
  try {
    const trouble = await heavy('check-ledger', firmId, { firmId })
    if (trouble) log.error({ ledger: firmId, trouble })
  } catch (error) {
    log.error({ ledger: firmId, error: (error as Error).message })
  }
}

/** Checks every firm's chain one after another, now and again and again. Called once, when the app comes up. */
export function startWatch(): void {
  const round = async () => {
    try {
      for (const { firmId } of await onWatch(sealedFirms)) {
        asked.set(firmId, Date.now())
        await check(firmId)
      }
    } catch (error) {
      log.error({ watch: (error as Error).message })
    }
    setTimeout(() => void round(), STALE_MS).unref()
  }
  setTimeout(() => void round(), 5000).unref()
}

/** What stands against any ledger, by its place in the chain; for whoever watches over the app. */
export async function ledgerTroubles(): Promise<Trouble[]> {
  return (await onWatch(troubles)).map((t) => t.trouble)
}

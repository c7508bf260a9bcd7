import type { FirmSql } from '../client'

/** What steps of a firm hold against each other: its crews, and what bears on work with them (rules, cards, grounds). */
export type Held = 'crews' | 'bearing'

/**
 * Holds a thing of the firm to the end of the transaction: whoever uses it goes beside others who do, whoever changes it goes alone.
 * Taken before anything is read of it, so that one who changes it sees all that was done with it before, and whoever uses it later
 * sees the change.
 */
export async function hold(sql: FirmSql, firmId: string, what: Held, to: 'use' | 'change'): Promise<void> {
  const key = `${what} ${firmId}`
  if (to === 'change') await sql`select pg_advisory_xact_lock(hashtextextended(${key}, 11))`
  else await sql`select pg_advisory_xact_lock_shared(hashtextextended(${key}, 11))`
}

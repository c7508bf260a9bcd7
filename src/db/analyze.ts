import postgres from 'postgres'
import { environment } from './environment'

/** Lets the database look at what its tables hold now: its plans rest on that, and much was just written. As their owner. */
export async function analyzeTables(): Promise<void> {
  const { DATABASE_URL, DATABASE_OWNER_URL } = environment()
  const sql = postgres(DATABASE_OWNER_URL ?? DATABASE_URL, { max: 1, onnotice: () => {}, connect_timeout: 5 })
  try {
    await sql`analyze`
  } finally {
    await sql.end({ timeout: 2 })
  }
}

import { signingIn } from '@/db/client'
import { isDemo } from '../environment'

const DEMO_EMAILS = ['maren', 'teodor', 'wren', 'philippa'].map((name) => `${name}@hollinquay.example`)

/** The demo's people with their passwords; empty outside the demo. */
export async function demoSignIns() {
  if (!isDemo()) return []
  const found = await Promise.all(
    DEMO_EMAILS.map((email) =>
      signingIn(
        email,
        (sql) => sql<{ name: string; role: string; email: string; password: string }[]>`
          select name, role, email, demo_password as password from person where demo_password is not null`,
      ),
    ),
  )
  return found.flatMap((rows) => rows.map((r) => ({ ...r })))
}

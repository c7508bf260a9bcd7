import type { FirmSql } from '../client'

/**
 * Counts one more asking of `what` by the database's own clock, so that all copies of the app count together. Answers how many there
 * were in the stretch that runs, and after how many seconds the next one begins.
 */
export async function countAsked(
  sql: FirmSql,
  asking: { firmId: string; what: string; seconds: number },
): Promise<{ n: number; seconds: number }> {
  const over = sql`asked.since <= now() - make_interval(secs => ${asking.seconds})`
  const rows = await sql<{ n: number; seconds: number }[]>`
    insert into asked (firm_id, what, since, n) values (${asking.firmId}, ${asking.what}, now(), 1)
    on conflict (firm_id, what) do update set
      n = case when ${over} then 1 else asked.n + 1 end,
      since = case when ${over} then now() else asked.since end
    returning n, greatest(1, ceil(extract(epoch from since) + ${asking.seconds} - extract(epoch from now())))::int as seconds`
  return rows[0]!
}

import type { FirmSql } from '../client'

/** What a firm has entered at least one of, and its first client and site by name. */
export async function begun(sql: FirmSql): Promise<{
  client: string | null
  site: string | null
  trees: boolean
  cards: boolean
  people: boolean
  crew: boolean
  examined: boolean
}> {
  const rows = await sql<Awaited<ReturnType<typeof begun>>[]>`
    select (select id from client where archived_at is null order by name, id limit 1) as client,
      (select id from site where archived_at is null order by name, id limit 1) as site,
      exists (select 1 from tree) as trees,
      exists (select 1 from card) as cards,
      ((select count(*) from person) > 1 or exists (select 1 from door_link where kind = 'invitation')) as people,
      exists (select 1 from crew) as crew,
      exists (select 1 from assessment) as examined`
  return rows[0]!
}

import type { FirmSql } from '../client'

export interface CalledRow {
  kind: 'tree' | 'site' | 'client' | 'person' | 'card' | 'record'
  id: string
  title: string
  detail: string
  /** Where it is to be looked at; for a client its first site. */
  at: string | null
  how: 'begins' | 'has' | 'like'
}

/** Things of the firm by what they are called: beginning with the text, having it in them, or spelt like it. */
export async function findCalled(sql: FirmSql, text: string, most: number): Promise<CalledRow[]> {
  return sql<CalledRow[]>`
    select f.kind, f.id, f.how,
      case f.kind
        when 'tree' then (select t.tag from tree t where t.id = f.id)
        when 'site' then (select s.name from site s where s.id = f.id)
        when 'client' then (select c.name from client c where c.id = f.id)
        when 'person' then (select p.name from person p where p.id = f.id)
        when 'card' then (select l.name from card l where l.id = f.id)
        else (select 'Record ' || r.seq from record r where r.id = f.id) end as title,
      case f.kind
        when 'tree' then (select t.host || '|' || s.name from tree t join site s on s.id = t.site_id where t.id = f.id and t.status = 'standing')
        when 'site' then (select c.name || ' · ' || s.place from site s join client c on c.id = s.client_id where s.id = f.id)
        when 'client' then 'client'
        when 'person' then (select p.role from person p where p.id = f.id)
        when 'card' then (select l.kind || ' card v' || l.version from card l where l.id = f.id)
        else (select t.tag || ' · ' || s.name from record r join tree t on t.id = r.tree_id join site s on s.id = r.site_id where r.id = f.id) end as detail,
      case f.kind
        when 'client' then (select s.id::text from site s where s.client_id = f.id order by s.name limit 1)
        when 'card' then (select l.code from card l where l.id = f.id)
        else f.id::text end as at
    from find_called(${text.toLowerCase()}, ${most}) f
    -- Of a card the newest version alone.
    where f.kind <> 'card' or not exists (
      select 1 from card l join card n on n.firm_id = l.firm_id and n.code = l.code and n.version > l.version where l.id = f.id)`
}

/** Trees of some kinds, by tag. */
export async function treesOfHosts(
  sql: FirmSql,
  hosts: string[],
  most: number,
): Promise<{ id: string; tag: string; host: string; siteName: string }[]> {
  if (hosts.length === 0) return []
  return sql<{ id: string; tag: string; host: string; siteName: string }[]>`
    select t.id, t.tag, t.host, s.name as "siteName" from unnest(${hosts}::text[]) h (host) cross join lateral (
      select * from tree x where x.host = h.host and x.status = 'standing' order by x.tag, x.id limit ${most}) t
    join site s on s.id = t.site_id order by t.tag, t.id limit ${most}`
}

import type { FirmSql } from '../client'

/** A column of a table as an archive has it. */
export interface KeptColumn {
  table: string
  name: string
  /** As the database calls it: `uuid`, `text`, `float8`, `jsonb`, `_text`, … */
  type: string
  nullable: boolean
  /** Its place in the key of the table, from 1; null outside the key. */
  key: number | null
}

/** The columns of every table a firm has rows in, by table, each by name, without what is computed from others. */
export async function keptColumns(sql: Pick<FirmSql, 'unsafe'>): Promise<Map<string, KeptColumn[]>> {
  const tables = new Map<string, KeptColumn[]>()
  for (const c of await sql.unsafe<KeptColumn[]>(`
    select c.relname as "table", a.attname as name, t.typname as type, not a.attnotnull as nullable,
      array_position(string_to_array(i.indkey::text, ' ')::int[], a.attnum::int) as key
    from pg_class c join pg_attribute a on a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped and a.attgenerated = ''
    join pg_type t on t.oid = a.atttypid
    left join pg_index i on i.indrelid = c.oid and i.indisprimary
    where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p') and not c.relispartition
      and exists (select 1 from pg_attribute f where f.attrelid = c.oid and f.attname = 'firm_id' and not f.attisdropped)
    order by c.relname collate "C", a.attname collate "C"`))
    tables.set(c.table, [...(tables.get(c.table) ?? []), c])
  return tables
}

/** A name of a table or column as a statement has it. */
export const named = (name: string) => `"${name.replace(/"/g, '""')}"`

/** Rows of a table as lines of JSON with their keys in one order, by the key of the table; the firm itself is not said in each. */
export async function* linesOf(
  sql: FirmSql,
  table: string,
  columns: readonly KeptColumn[],
  leftOut: readonly string[],
): AsyncGenerator<string> {
  const order = columns
    .filter((c) => c.key !== null)
    .sort((a, b) => a.key! - b.key!)
    .map((c) => named(c.name) + (c.type === 'text' ? ' collate "C"' : ''))
  const kept = columns.filter((c) => c.name !== 'firm_id' && !leftOut.includes(c.name))
  const rows = sql.unsafe<{ line: string }[]>(
    `select to_jsonb(l)::text as line from (select ${kept.map((c) => named(c.name)).join(', ')} from ${named(table)} order by ${order.join(', ')}) l`,
  )
  for await (const some of rows.cursor(500)) for (const { line } of some) yield line
}

/** The ids of all photographs and pictures of plans, in order. */
export async function photoIds(sql: FirmSql): Promise<string[]> {
  return (
    await sql<{ id: string }[]>`select id from photo union all select id from plan_picture order by id`
  ).map((p) => p.id)
}

/** A photograph as it was taken in. */
export async function photoBytes(sql: FirmSql, id: string): Promise<Uint8Array> {
  const [row] = await sql<{ jpeg: Uint8Array }[]>`
    select jpeg from photo where id = ${id} union all select jpeg from plan_picture where id = ${id}`
  if (!row) throw new Error(`there is no photograph ${id}`)
  return row.jpeg
}

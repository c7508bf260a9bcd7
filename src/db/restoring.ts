import postgres from 'postgres'
import { keptColumns, named, type KeptColumn } from './queries/archive'

/** A transaction of the owner of the tables in which one firm is put back. */
export interface Restoring {
  /** The columns of each table, by its name. */
  columns: Map<string, KeptColumn[]>
  /** Whether the database holds this firm. */
  holds: () => Promise<boolean>
  /** Puts lines of JSON into a table, each a row of the firm's own with these columns; `beside` is the same for all of them. */
  put: (
    table: string,
    names: readonly string[],
    lines: readonly string[],
    beside?: Record<string, string | Buffer>,
  ) => Promise<void>
}

/** Runs `work` as the owner of the tables, in one transaction: all of the firm is put back, or nothing. */
export async function restoringFirm<T>(
  url: string,
  firmId: string,
  work: (to: Restoring) => Promise<T>,
): Promise<T> {
  const pool = postgres(url, {
    max: 1,
    onnotice: () => {},
    connect_timeout: 5,
    connection: { TimeZone: 'UTC' },
  })
  try {
    return (await pool.begin(async (sql) => {
      await sql`select set_config('elmhorn.firm', ${firmId}, true), set_config('elmhorn.restoring', ${firmId}, true)`
      await sql`set constraints all deferred`
      const columns = await keptColumns(sql)
      const answer = await work({
        columns,
        holds: async () => (await sql`select 1 from firm where id = ${firmId}`).length > 0,
        async put(table, names, lines, beside = {}) {
          const more = { ...(table === 'firm' ? {} : { firm_id: firmId }), ...beside }
          const into = [...names, ...Object.keys(more)].map(named)
          const from = [
            ...names.map((n) => `r.${named(n)}`),
            ...Object.values(more).map(
              (v, i) =>
                `$${i + 2}::${typeof v !== 'string' ? 'bytea' : i === 0 && 'firm_id' in more ? 'uuid' : 'text'}`,
            ),
          ]
          // The lines go in as they are written: a figure of a signed text is not read and written again.
          await sql.unsafe(
            `insert into ${named(table)} (${into.join(', ')}) overriding system value
             select ${from.join(', ')} from jsonb_populate_recordset(null::public.${named(table)}, $1::text::jsonb) r`,
            [`[${lines.join(',')}]`, ...Object.values(more)],
          )
        },
      })
      // What is numbered over all firms goes on above what came in.
      await sql`select setval(pg_get_serial_sequence('change', 'id'), greatest(
        (select last_value from pg_sequences where schemaname = 'public' and sequencename = 'change_id_seq'),
        (select max(id) from change), 1))`
      await sql`set constraints all immediate`
      return answer
    })) as T
  } finally {
    await pool.end({ timeout: 2 })
  }
}

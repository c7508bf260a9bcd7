import postgres from 'postgres'

/**
 * How the tables would spread over machines: every table of a firm's work cut into eight parts by the firm, on the engine
 * there is, with the steps of the job run on them afterwards. Whoever signs in is known before the firm is: firm, person,
 * session, token and attempts stay whole.
 */
export const WHOLE = ['firm', 'person', 'session', 'api_token', 'sign_in_attempt', 'set_up', 'schema_version']

test('every table of a firm’s work can be cut by firm, with its keys, policies and triggers', async () => {
  const owner = postgres(process.env.DATABASE_OWNER_URL!, { max: 1, onnotice: () => {} })
  try {
    const tables = (
      await owner<{ name: string }[]>`
        select c.relname as name from pg_class c join pg_namespace n on n.oid = c.relnamespace
        where n.nspname = 'public' and c.relkind = 'r' and not (c.relname = any(${WHOLE})) order by 1`
    ).map((t) => t.name)
    expect(tables.length).toBeGreaterThan(20)
    const foreign = await owner<{ own: string; name: string; def: string }[]>`
      select conrelid::regclass::text as own, conname as name, pg_get_constraintdef(oid) as def
      from pg_constraint where contype = 'f' and connamespace = 'public'::regnamespace
        and (conrelid::regclass::text = any(${tables}) or confrelid::regclass::text = any(${tables}))`
    // What hashes a record takes one of its rows; it goes with the whole table and comes back with the cut one.
    const [hash] = await owner<{ def: string }[]>`select pg_get_functiondef('record_hash'::regproc) as def`
    await owner.begin(async (sql) => {
      for (const f of foreign) await sql.unsafe(`alter table ${f.own} drop constraint "${f.name}"`)
      for (const t of tables) {
        const triggers = await sql<{ def: string }[]>`
          select pg_get_triggerdef(oid) as def from pg_trigger where tgrelid = ${t}::regclass and not tgisinternal`
        const indexes = await sql<{ def: string }[]>`
          select pg_get_indexdef(i.indexrelid) as def from pg_index i
          where i.indrelid = ${t}::regclass and not exists (select 1 from pg_constraint c where c.conindid = i.indexrelid)`
        const keys = await sql<{ name: string; def: string }[]>`
          select conname as name, pg_get_constraintdef(oid) as def from pg_constraint
          where conrelid = ${t}::regclass and contype in ('p', 'u')`
        const policies = await sql<
          { name: string; cmd: string; using: string | null; check: string | null }[]
        >`
          select policyname as name, cmd, qual as using, with_check as check from pg_policies where tablename = ${t}`
        const [force] = await sql<
          { forced: boolean }[]
        >`select relforcerowsecurity as forced from pg_class where oid = ${t}::regclass`
        const grants = await sql<{ what: string }[]>`
          select privilege_type as what from information_schema.role_table_grants where table_name = ${t} and grantee = 'elmhorn_app'`
        const columns = await sql<{ what: string; name: string }[]>`
          select privilege_type as what, column_name as name from information_schema.column_privileges c
          where table_name = ${t} and grantee = 'elmhorn_app' and not exists (
            select 1 from information_schema.role_table_grants g
            where g.table_name = c.table_name and g.grantee = c.grantee and g.privilege_type = c.privilege_type)`
        await sql.unsafe(`alter table ${t} rename to ${t}_whole`)
        await sql.unsafe(
          `create table ${t} (like ${t}_whole including defaults including constraints including generated including identity) partition by hash (firm_id)`,
        )
        for (let i = 0; i < 8; i++)
          await sql.unsafe(
            `create table ${t}_${i} partition of ${t} for values with (modulus 8, remainder ${i})`,
          )
        await sql.unsafe(`drop table ${t}_whole cascade`)
        for (const k of keys) await sql.unsafe(`alter table ${t} add constraint "${k.name}" ${k.def}`)
        for (const i of indexes) await sql.unsafe(i.def)
        for (const g of triggers) await sql.unsafe(g.def)
        await sql.unsafe(`alter table ${t} enable row level security`)
        if (force!.forced) await sql.unsafe(`alter table ${t} force row level security`)
        for (const p of policies)
          await sql.unsafe(
            `create policy ${p.name} on ${t} for ${p.cmd} ${p.using ? `using (${p.using})` : ''} ${p.check ? `with check (${p.check})` : ''}`,
          )
        if (grants.length > 0)
          await sql.unsafe(`grant ${grants.map((g) => g.what).join(', ')} on ${t} to elmhorn_app`)
        for (const c of columns) await sql.unsafe(`grant ${c.what} (${c.name}) on ${t} to elmhorn_app`)
      }
      for (const f of foreign) await sql.unsafe(`alter table ${f.own} add constraint "${f.name}" ${f.def}`)
      await sql.unsafe(hash!.def)
      await sql.unsafe('grant usage on all sequences in schema public to elmhorn_app')
    })
    const parts = await owner<
      { n: number }[]
    >`select count(*)::int as n from pg_class where relispartition and relkind = 'r'`
    expect(parts[0]!.n).toBe(tables.length * 8)
  } finally {
    await owner.end()
  }
})

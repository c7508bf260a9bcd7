-- Every key begins with the firm: rows of one firm lie together, an id of another firm is simply free, and the tables
-- can be spread over machines by firm without a change.
do $$
declare
  k record;
  t text;
  again text[] := '{}';
begin
  -- Foreign keys rest on the unique constraints that go; they are put back on the new primary keys.
  for k in select conrelid::regclass as own, conname, pg_get_constraintdef(oid) as def
           from pg_constraint where contype = 'f' and connamespace = 'public'::regnamespace loop
    execute format('alter table %s drop constraint %I', k.own, k.conname);
    again := again || format('alter table %s add constraint %I %s', k.own, k.conname,
      replace(k.def, 'FOREIGN KEY (reading_id) REFERENCES stem_reading(id)',
        'FOREIGN KEY (firm_id, reading_id) REFERENCES stem_reading(firm_id, id)'));
  end loop;
  for k in select c.conrelid::regclass as own, c.conname
           from pg_constraint c
           where c.contype in ('p', 'u') and c.connamespace = 'public'::regnamespace
             and c.conrelid not in ('firm'::regclass, 'sign_in_attempt'::regclass, 'schema_version'::regclass)
             and ((c.contype = 'p' and pg_get_constraintdef(c.oid) = 'PRIMARY KEY (id)')
               or (c.contype = 'u' and pg_get_constraintdef(c.oid) = 'UNIQUE (firm_id, id)')) loop
    execute format('alter table %s drop constraint %I', k.own, k.conname);
  end loop;
  for t in select c.relname from pg_class c join pg_namespace n on n.oid = c.relnamespace
           where n.nspname = 'public' and c.relkind = 'r'
             and c.relname not in ('firm', 'sign_in_attempt', 'schema_version')
             and not exists (select 1 from pg_constraint p where p.conrelid = c.oid and p.contype = 'p') loop
    execute format('alter table %I add primary key (firm_id, id)', t);
  end loop;
  foreach t in array again loop
    execute t;
  end loop;
end $$;

-- Seals: each entry of the ledger signed with a key the database does not hold. Copies are kept outside it too.
create table seal (
  firm_id uuid not null references firm (id),
  seq bigint not null,
  hash text not null,
  sealed_at timestamptz not null,
  -- Which key, by the beginning of its public half's hash.
  key text not null,
  signature text not null,
  primary key (firm_id, seq)
);

-- What the last check of a firm's whole chain found.
create table ledger_check (
  firm_id uuid primary key references firm (id),
  checked_at timestamptz not null,
  checked_to bigint not null,
  -- { seq, kind, words } of the first trouble; null when the chain is whole.
  trouble jsonb
);

-- The watch over all ledgers sees seals and checks, which tell nothing of anybody's work, and nothing else.
create function keeping_watch() returns boolean language sql stable parallel safe as
$$ select current_setting('elmhorn.watch', true) = 'ledger' $$;

do $$
declare
  t text;
begin
  foreach t in array array['seal', 'ledger_check'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_firm on %I using (firm_id = current_firm()) with check (firm_id = current_firm())', t);
    execute format('create policy watch on %I for select using (keeping_watch())', t);
  end loop;
end $$;
grant select, insert on seal to elmhorn_app;
grant select, insert, update on ledger_check to elmhorn_app;

-- A firm that is being moved to another database, or was: while `to_shard` is empty it may be read and not written, afterwards it
-- lives there. Written by the owner of the tables alone.
create table firm_away (
  firm_id uuid primary key,
  to_shard text,
  since timestamptz not null default now()
);
alter table firm_away enable row level security;
alter table firm_away force row level security;
create policy own_firm on firm_away using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select on firm_away to elmhorn_app;

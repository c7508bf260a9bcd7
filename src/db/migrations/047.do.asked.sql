-- How often something was asked within a stretch of time, counted for all copies of the app together. What is lost of it in a crash
-- is counted anew, so nothing of it goes through the log.
create unlogged table asked (
  firm_id uuid not null references firm (id) deferrable initially immediate,
  what text not null check (length(what) <= 120),
  since timestamptz not null,
  n integer not null,
  primary key (firm_id, what)
);
alter table asked enable row level security;
alter table asked force row level security;
create policy own_firm on asked using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert, update on asked to elmhorn_app;

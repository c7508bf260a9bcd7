-- Keys for programs. Only the hash is kept; what a person was shown cannot be read back.
create table api_token (
  id uuid primary key,
  firm_id uuid not null,
  person_id uuid not null,
  name text not null check (length(name) between 1 and 80),
  -- 'named' by hand in Settings, 'session' by signing in through the API.
  kind text not null check (kind in ('named', 'session')),
  token_hash text not null unique,
  -- The first characters, to tell tokens apart in a list.
  hint text not null,
  created_at timestamptz not null default now(),
  expires_at timestamptz,
  last_used_at timestamptz,
  revoked_at timestamptz,
  foreign key (firm_id, person_id) references person (firm_id, id)
);
create index api_token_person on api_token (firm_id, person_id, created_at desc);

-- The one token that may be looked up before the firm is known.
create function presented_token() returns text language sql stable as
$$ select nullif(current_setting('elmhorn.presented_token', true), '') $$;

alter table api_token enable row level security;
alter table api_token force row level security;
create policy own_firm on api_token using (firm_id = current_firm()) with check (firm_id = current_firm());
create policy presented on api_token for select using (token_hash = presented_token());
grant select, insert, update on api_token to elmhorn_app;

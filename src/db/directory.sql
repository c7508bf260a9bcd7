-- The directory of many databases: which of them a firm lives in, and whose an address or a token is. What is not here is looked for
-- everywhere and noted.
create table if not exists home (
  firm_id uuid primary key,
  shard text not null
);
create table if not exists address (
  email text primary key,
  firm_id uuid not null,
  claimed_at timestamptz not null default now()
);
create table if not exists presented (
  token_hash text primary key,
  firm_id uuid not null,
  noted_at timestamptz not null default now()
);

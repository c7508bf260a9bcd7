-- The application's role owns nothing and cannot bypass row-level security.
-- Roles belong to the whole cluster, so another database may have made it already.
do $$
begin
  create role elmhorn_app nologin nosuperuser nocreatedb nocreaterole nobypassrls;
exception when duplicate_object or unique_violation then null;
end $$;

do $$
begin
  execute format('grant elmhorn_app to %I', current_user);
exception when others then null; -- a superuser needs no membership
end $$;

grant usage on schema public to elmhorn_app;

-- The firm every statement of the transaction is confined to.
create function current_firm() returns uuid language sql stable as
$$ select nullif(current_setting('elmhorn.firm', true), '')::uuid $$;

-- The one e-mail that may be looked up before the firm is known.
create function signing_in() returns text language sql stable as
$$ select nullif(current_setting('elmhorn.signing_in', true), '') $$;

create table firm (
  id uuid primary key,
  firm_id uuid generated always as (id) stored,
  name text not null,
  town text not null,
  time_zone text not null,
  -- Settings the firm may change; defaults stand in the code that reads them.
  settings jsonb not null default '{}',
  -- Only the demo: its clock runs this far from the real one.
  clock_offset interval not null default '0',
  created_at timestamptz not null default now()
);

create table person (
  id uuid primary key,
  firm_id uuid not null references firm (id),
  email text not null,
  name text not null,
  role text not null check (role in ('arborist', 'crew lead', 'technician', 'office')),
  licence text,
  units text not null default 'us' check (units in ('us', 'metric')),
  language text not null default 'en',
  password_hash text not null,
  demo_password text, -- shown on the sign-in page of the demo only
  created_at timestamptz not null default now(),
  unique (firm_id, id)
);
create unique index person_email on person (lower(email));

create table session (
  id uuid primary key,
  firm_id uuid not null,
  person_id uuid not null,
  created_at timestamptz not null default now(),
  ended_at timestamptz,
  foreign key (firm_id, person_id) references person (firm_id, id)
);

-- Failed attempts, for throttling; the firm is not known when a stranger knocks.
create table sign_in_attempt (
  id bigint generated always as identity primary key,
  firm_id uuid,
  email text not null,
  at timestamptz not null default now()
);
create index sign_in_attempt_email on sign_in_attempt (email, at);

create table audit_event (
  id uuid primary key,
  firm_id uuid not null references firm (id),
  person_id uuid,
  at timestamptz not null default now(),
  verb text not null,
  about uuid,
  detail jsonb not null default '{}'
);
create index audit_event_about on audit_event (firm_id, about, at);

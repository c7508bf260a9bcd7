-- What a firm has set or added in its own almanac. An entry is withdrawn, not deleted: signed diagnoses rest on it.
create table almanac_own (
  id uuid primary key,
  firm_id uuid not null references firm (id),
  kind text not null check (kind in ('frequency', 'finding', 'cause', 'host', 'district')),
  -- What it is about: the id it adds, or cause and finding of a frequency.
  about text not null,
  body jsonb not null,
  made_by uuid not null,
  made_at timestamptz not null,
  withdrawn_at timestamptz,
  foreign key (firm_id, made_by) references person (firm_id, id)
);
create unique index almanac_own_about on almanac_own (firm_id, kind, about) where withdrawn_at is null;

-- The firm's words beside an entry; the earlier ones stay.
create table almanac_note (
  id uuid primary key,
  firm_id uuid not null references firm (id),
  entry text not null,
  words text not null,
  by_person uuid not null,
  at timestamptz not null,
  foreign key (firm_id, by_person) references person (firm_id, id)
);
create index almanac_note_entry on almanac_note (firm_id, entry, at desc);

-- The house rule for a matter on which practitioners differ; the newest holds.
create table house_rule (
  id uuid primary key,
  firm_id uuid not null references firm (id),
  matter text not null,
  rule text not null check (rule in ('one', 'other', 'by case')),
  words text,
  by_person uuid not null,
  at timestamptz not null,
  foreign key (firm_id, by_person) references person (firm_id, id)
);
create index house_rule_matter on house_rule (firm_id, matter, at desc);

-- Made-up cases a person has worked through. Nothing here is about a client's tree.
create table practice_run (
  id uuid primary key,
  firm_id uuid not null,
  person_id uuid not null,
  case_id text not null,
  host text not null,
  true_cause text not null,
  checks jsonb not null,
  answer text not null,
  action text not null,
  score integer not null check (score between 0 and 100),
  minutes double precision not null,
  at timestamptz not null,
  foreign key (firm_id, person_id) references person (firm_id, id)
);
create index practice_run_person on practice_run (firm_id, person_id, at desc);

-- How much of a finding, on which side, counted on what sample.
alter table finding add column detail jsonb not null default '{}';

-- Photographs of an examination: re-encoded, without place or camera.
create table photo (
  id uuid primary key,
  firm_id uuid not null,
  tree_id uuid not null,
  assessment_id uuid not null,
  finding text,
  taken_at timestamptz not null,
  by_person uuid not null,
  width integer not null,
  height integer not null,
  jpeg bytea not null check (length(jpeg) between 100 and 2000000),
  foreign key (firm_id, tree_id) references tree (firm_id, id),
  foreign key (firm_id, assessment_id) references assessment (firm_id, id),
  foreign key (firm_id, by_person) references person (firm_id, id)
);
create index photo_assessment on photo (firm_id, assessment_id, taken_at);

do $$
declare
  t text;
begin
  foreach t in array array['almanac_own', 'almanac_note', 'house_rule', 'practice_run', 'photo'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_firm on %I using (firm_id = current_firm()) with check (firm_id = current_firm())', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
end $$;
grant update (withdrawn_at) on almanac_own to elmhorn_app;
grant delete on photo to elmhorn_app;

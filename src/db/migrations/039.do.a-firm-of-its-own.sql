-- That a firm was set up here: the first one says so by itself, and then nobody sets up another through the door for it.
create table set_up (
  once boolean primary key default true check (once),
  firm_id uuid not null references firm (id),
  at timestamptz not null default now()
);
create function setting_up() returns boolean language sql stable parallel safe as
$$ select current_setting('elmhorn.setting_up', true) = 'on' $$;
create function note_set_up() returns trigger language plpgsql as $$
begin
  insert into set_up (firm_id) values (new.id) on conflict do nothing;
  return null;
end $$;
-- The fence stands before the owner too; it is opened for this one look.
alter table firm no force row level security;
insert into set_up (firm_id) select id from firm order by created_at limit 1;
alter table firm force row level security;
create trigger note_set_up after insert on firm for each row execute function note_set_up();
alter table set_up enable row level security;
alter table set_up force row level security;
create policy own_firm on set_up using (firm_id = current_firm()) with check (firm_id = current_firm());
create policy setting_up on set_up for select using (setting_up());
grant select, insert on set_up to elmhorn_app;

-- How a firm writes, where its people say nothing else; whether whoever signs needs a second factor; its first steps.
alter table firm
  add column units text not null default 'us' check (units in ('us', 'metric')),
  add column language text not null default 'en',
  add column second_factor boolean not null default false;

-- Who keeps the house: people, tokens, archive, deletion. Somebody always does, from the first keeper on.
alter table person
  add column keeps_house boolean not null default false,
  add column put_away_at timestamptz,
  add column put_away_by uuid,
  -- A second factor: its secret, sealed with a key the database does not hold; since when it is asked for; the last one taken, so that
  -- none is taken twice; what is left of the codes that stand in for it.
  add column factor_secret text,
  add column factor_since timestamptz,
  add column factor_last bigint,
  add column recovery_codes text[] not null default '{}',
  add column password_changed_at timestamptz;
alter table person no force row level security;
alter table person disable trigger note_change;
update person p set keeps_house = true where role = 'office'
  or (role = 'arborist' and not exists (select 1 from person o where o.firm_id = p.firm_id and o.role = 'office'));
alter table person enable trigger note_change;
alter table person force row level security;

create function house_is_kept() returns trigger language plpgsql as $$
begin
  if old.keeps_house and old.put_away_at is null and (not new.keeps_house or new.put_away_at is not null)
    and not exists (select 1 from person where firm_id = new.firm_id and keeps_house and put_away_at is null and id <> new.id) then
    raise exception 'nobody would keep the house' using errcode = 'EL001';
  end if;
  return null;
end $$;
create trigger house_is_kept after update of keeps_house, put_away_at on person
  for each row execute function house_is_kept();

-- What of an earlier state is never kept.
create or replace function note_change() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' or to_jsonb(old) is distinct from to_jsonb(new) then
    insert into change (firm_id, event, in_table, was)
    values (old.firm_id, nullif(current_setting('elmhorn.event', true), '')::uuid, tg_argv[0],
      to_jsonb(old) - 'jpeg' - 'password_hash' - 'demo_password' - 'token_hash' - 'factor_secret' - 'recovery_codes');
  end if;
  return null;
end $$;
drop trigger note_change on person;
create trigger note_change
  after delete or update of name, email, role, licence, licence_until, units, language, keeps_house, put_away_at, factor_since on person
  for each row execute function note_change('person');

-- Licences: what for, of which state, until when. The one that holds longest stands with the person, where signing asks for it.
create table licence (
  id uuid not null,
  firm_id uuid not null references firm (id),
  person_id uuid not null,
  number text not null,
  categories text[] not null default '{}',
  state text,
  until date,
  ended_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, person_id) references person (firm_id, id)
);
create index licence_person on licence (firm_id, person_id);

-- Links that open a door once: an invitation, or a new password. Only their hash is kept.
create table door_link (
  id uuid not null,
  firm_id uuid not null references firm (id),
  kind text not null check (kind in ('invitation', 'password')),
  token_hash text not null,
  -- Whom a new password is for; an invitation makes its person.
  person_id uuid,
  email text not null,
  name text not null,
  role text not null check (role in ('arborist', 'crew lead', 'technician', 'office')),
  keeps_house boolean not null default false,
  made_by uuid,
  made_at timestamptz not null default now(),
  until timestamptz not null,
  used_at timestamptz,
  called_back_at timestamptz,
  primary key (firm_id, id),
  check ((kind = 'password') = (person_id is not null)),
  foreign key (firm_id, person_id) references person (firm_id, id),
  foreign key (firm_id, made_by) references person (firm_id, id)
);
create unique index door_link_token on door_link (firm_id, token_hash);
create index door_link_presented on door_link (token_hash);

-- Where a session is open, and when it was last seen.
alter table session
  add column device text,
  add column last_seen_at timestamptz;
create index session_person on session (firm_id, person_id) where ended_at is null;

-- Clients with who is to be told of what; joined where one was listed twice; put away where none is worked for any more.
alter table client
  add column contacts jsonb not null default '[]',
  add column notices text not null default 'e-mail' check (notices in ('e-mail', 'telephone', 'letter', 'none')),
  add column prices jsonb,
  add column note text,
  add column archived_at timestamptz,
  add column joined_into uuid,
  add column version integer not null default 1,
  add foreign key (firm_id, joined_into) references client (firm_id, id);
alter table site
  add column access text,
  add column gate_code text,
  add column water text,
  add column contact_on_day text,
  add column archived_at timestamptz,
  add column version integer not null default 1;
drop trigger note_change on site;
create trigger note_change
  after delete or update of client_id, name, place, time_zone, area_m2, note, district, latitude, longitude, hours,
    access, gate_code, water, contact_on_day, archived_at on site
  for each row execute function note_change('site');

-- A signed examination stands as it was looked at.
create function examination_stands() returns trigger language plpgsql as $$
declare
  of uuid := coalesce(new.assessment_id, old.assessment_id);
begin
  if exists (select 1 from diagnosis d where d.firm_id = coalesce(new.firm_id, old.firm_id) and d.assessment_id = of) then
    raise exception 'the examination % is signed', of using errcode = 'EL002';
  end if;
  return coalesce(new, old);
end $$;
create trigger examination_stands before insert or update or delete on finding
  for each row execute function examination_stands();

-- What no step changes, nobody changes.
revoke update, delete on firm, person, session, client, site from elmhorn_app;
grant update (name, town, time_zone, settings, clock_offset, latitude, longitude, units, language, second_factor) on firm to elmhorn_app;
grant update (name, role, licence, licence_until, units, language, password_hash, password_changed_at, keeps_house,
  put_away_at, put_away_by, factor_secret, factor_since, factor_last, recovery_codes) on person to elmhorn_app;
grant update (ended_at, last_seen_at) on session to elmhorn_app;
grant update (name, contact, contacts, notices, prices, note, archived_at, joined_into, version) on client to elmhorn_app;
grant update (client_id, name, place, time_zone, area_m2, note, trees, district, latitude, longitude, hours,
  access, gate_code, water, contact_on_day, archived_at, version) on site to elmhorn_app;

do $$
declare
  t text;
begin
  foreach t in array array['licence', 'door_link'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_firm on %I using (firm_id = current_firm()) with check (firm_id = current_firm())', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
end $$;
create policy presented on door_link for select using (token_hash = presented_token());
grant update (ended_at) on licence to elmhorn_app;
grant update (used_at, called_back_at) on door_link to elmhorn_app;
create trigger note_change after update of ended_at on licence for each row execute function note_change('licence');
create trigger note_change after update of called_back_at on door_link for each row execute function note_change('door_link');

-- Licences that are on file already.
alter table person no force row level security;
alter table licence no force row level security;
insert into licence (id, firm_id, person_id, number, until)
  select gen_random_uuid(), firm_id, id, licence, licence_until from person where licence is not null;
alter table licence force row level security;
alter table person force row level security;

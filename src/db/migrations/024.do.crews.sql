-- Who works on which day: crews with their people, truck and hours, who is away, and whose a job is.
create table crew (
  id uuid not null,
  firm_id uuid not null references firm (id),
  primary key (firm_id, id),
  name text not null check (length(name) between 2 and 60),
  truck text check (length(truck) between 1 and 60),
  people uuid[] not null,
  -- What its people know and its truck carries what for.
  methods text[] not null,
  -- Minutes after midnight.
  begins smallint not null check (begins between 0 and 1439),
  -- Of work and driving by day of the week, Monday first.
  minutes smallint[] not null check (array_length(minutes, 1) = 7 and 0 <= all (minutes) and 1440 >= all (minutes)),
  ended_at timestamptz
);
create unique index crew_name on crew (firm_id, lower(name)) where ended_at is null;

-- A person who is away, or a crew whose truck is: from one day to another, both included. It may be taken back.
create table absence (
  id uuid not null,
  firm_id uuid not null references firm (id),
  primary key (firm_id, id),
  person_id uuid,
  crew_id uuid,
  from_on date not null,
  to_on date not null check (to_on >= from_on),
  why text not null check (length(why) between 2 and 200),
  by_person uuid not null,
  at timestamptz not null,
  taken_back_by uuid,
  taken_back_at timestamptz,
  check (num_nonnulls(person_id, crew_id) = 1),
  foreign key (firm_id, person_id) references person (firm_id, id),
  foreign key (firm_id, crew_id) references crew (firm_id, id),
  foreign key (firm_id, by_person) references person (firm_id, id),
  foreign key (firm_id, taken_back_by) references person (firm_id, id)
);
create index absence_until on absence (firm_id, to_on) where taken_back_at is null;

-- A site has a job a day for each crew, and one that no crew has yet.
alter table job
  add column crew_id uuid,
  -- Which one of the crew's day.
  add column place smallint check (place > 0),
  add foreign key (firm_id, crew_id) references crew (firm_id, id);
drop index job_of_day;
create unique index job_of_day on job (firm_id, site_id, on_date, crew_id) nulls not distinct;
drop trigger note_change on job;
create trigger note_change after delete or update of site_id, on_date, crew_id, place on job
  for each row execute function note_change('job');
-- What a person put where it is; planning leaves it there.
alter table job_item add column pinned boolean not null default false;

-- When work may be done at a site: stretches of a day with the days of the week they hold on, Monday 1; null for any time.
alter table site add column hours jsonb check (jsonb_typeof(hours) = 'array');
grant update (hours) on site to elmhorn_app;
drop trigger note_change on site;
create trigger note_change
  after delete or update of client_id, name, place, time_zone, area_m2, note, district, latitude, longitude, hours on site
  for each row execute function note_change('site');

do $$
declare
  t text;
begin
  foreach t in array array['crew', 'absence'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_firm on %I using (firm_id = current_firm()) with check (firm_id = current_firm())', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
end $$;
grant update (name, truck, people, methods, begins, minutes, ended_at) on crew to elmhorn_app;
grant update (taken_back_by, taken_back_at) on absence to elmhorn_app;
create trigger note_change after update or delete on crew for each row execute function note_change('crew');
create trigger note_change after update of taken_back_by, taken_back_at on absence for each row execute function note_change('absence');

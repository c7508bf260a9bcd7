-- Where a firm and a site lie on the globe; a site that says nothing has the weather of its firm's town. Weather is kept by squares of a
-- twentieth of a degree, which sites of one town share.
alter table firm
  add column latitude double precision check (latitude between -90 and 90),
  add column longitude double precision check (longitude between -180 and 180),
  add column cell_north integer generated always as (round(latitude * 20)) stored,
  add column cell_east integer generated always as (round(longitude * 20)) stored,
  add check ((latitude is null) = (longitude is null));
alter table site
  add column latitude double precision check (latitude between -90 and 90),
  add column longitude double precision check (longitude between -180 and 180),
  add column cell_north integer generated always as (round(latitude * 20)) stored,
  add column cell_east integer generated always as (round(longitude * 20)) stored,
  add check ((latitude is null) = (longitude is null));
grant update (latitude, longitude) on site to elmhorn_app;
drop trigger note_change on site;
create trigger note_change
  after delete or update of client_id, name, place, time_zone, area_m2, note, district, latitude, longitude on site
  for each row execute function note_change('site');

-- Nothing was ever kept in it.
drop table weather_hour;

-- A day of a square, by the calendar of a time zone. What a service told; asked for anew, it is told anew.
create table weather_day (
  firm_id uuid not null references firm (id),
  cell_north integer not null,
  cell_east integer not null,
  time_zone text not null,
  date date not null,
  begins timestamptz not null,
  -- Hours before this are measured, the others forecast.
  known_until timestamptz not null,
  asked_at timestamptz not null,
  made_up boolean not null,
  -- Of the whole day; null while an hour of it is not known.
  least_c double precision,
  most_c double precision,
  rain_m double precision,
  hours jsonb not null,
  primary key (firm_id, cell_north, cell_east, time_zone, date)
);

-- A stage as it was seen on the ground: of a kind of tree, or of what is timed by warmth. It may be taken back.
create table stage_seen (
  id uuid not null,
  firm_id uuid not null,
  primary key (firm_id, id),
  site_id uuid not null,
  kind text not null,
  stage text not null,
  seen_on date not null,
  by_person uuid not null,
  at timestamptz not null,
  taken_back_by uuid,
  taken_back_at timestamptz,
  foreign key (firm_id, site_id) references site (firm_id, id),
  foreign key (firm_id, by_person) references person (firm_id, id),
  foreign key (firm_id, taken_back_by) references person (firm_id, id)
);
create index stage_seen_site on stage_seen (firm_id, site_id, seen_on);

-- A site's work of a year is looked through by its days.
create index application_site on application (firm_id, site_id, started_at);

do $$
declare
  t text;
begin
  foreach t in array array['weather_day', 'stage_seen'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_firm on %I using (firm_id = current_firm()) with check (firm_id = current_firm())', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
end $$;
grant update on weather_day to elmhorn_app;
grant update (taken_back_by, taken_back_at) on stage_seen to elmhorn_app;
create trigger note_change after delete or update of taken_back_by, taken_back_at on stage_seen
  for each row execute function note_change('stage_seen');

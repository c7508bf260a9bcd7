-- Weather as somebody read it at a site: it holds for its hour over what a service says of the square.
create table weather_reading (
  id uuid not null,
  firm_id uuid not null references firm (id),
  site_id uuid not null,
  at timestamptz not null,
  temperature_c double precision not null,
  wind_ms double precision not null,
  by_person uuid not null,
  taken_back_by uuid,
  taken_back_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, site_id) references site (firm_id, id),
  foreign key (firm_id, by_person) references person (firm_id, id),
  foreign key (firm_id, taken_back_by) references person (firm_id, id)
);
create index weather_reading_site on weather_reading (firm_id, site_id, at);

alter table weather_reading enable row level security;
alter table weather_reading force row level security;
create policy own_firm on weather_reading using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert on weather_reading to elmhorn_app;
grant update (taken_back_by, taken_back_at) on weather_reading to elmhorn_app;
create trigger note_change after delete or update of taken_back_by, taken_back_at on weather_reading
  for each row execute function note_change('weather_reading');

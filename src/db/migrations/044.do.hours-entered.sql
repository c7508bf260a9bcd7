-- Hours of weather that came from a file, with the days as they were before, so that they can be taken back.
create table hours_entered (
  id uuid not null,
  firm_id uuid not null references firm (id),
  site_id uuid not null,
  cell_north integer not null,
  cell_east integer not null,
  time_zone text not null,
  at timestamptz not null,
  by_person uuid not null,
  hours integer not null,
  from_at timestamptz not null,
  to_at timestamptz not null,
  -- Each day as it was before: null where nothing was known of it; and what was made of it.
  days jsonb not null,
  taken_back_at timestamptz,
  taken_back_by uuid,
  primary key (firm_id, id),
  foreign key (firm_id, site_id) references site (firm_id, id) deferrable initially immediate,
  foreign key (firm_id, by_person) references person (firm_id, id) deferrable initially immediate,
  foreign key (firm_id, taken_back_by) references person (firm_id, id) deferrable initially immediate
);
create index hours_entered_site on hours_entered (firm_id, site_id, id desc);
alter table hours_entered enable row level security;
alter table hours_entered force row level security;
create policy own_firm on hours_entered using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert on hours_entered to elmhorn_app;
grant update (taken_back_at, taken_back_by) on hours_entered to elmhorn_app;
-- A day that nothing was known of before is forgotten again.
grant delete on weather_day to elmhorn_app;
create trigger note_change after update of taken_back_at on hours_entered for each row execute function note_change('hours_entered');

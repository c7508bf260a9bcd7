-- A crew's day that was put away: by whom, and of each tree in which ports still were, what was decided instead of counting them in.
create table day_ended (
  id uuid not null,
  firm_id uuid not null references firm (id) deferrable initially immediate,
  primary key (firm_id, id),
  -- No crew: what nobody has.
  crew_id uuid,
  on_date date not null,
  by_person uuid not null,
  -- By the device.
  at timestamptz not null,
  foreign key (firm_id, crew_id) references crew (firm_id, id) deferrable initially immediate,
  foreign key (firm_id, by_person) references person (firm_id, id) deferrable initially immediate
);
create index day_ended_of_day on day_ended (firm_id, on_date, crew_id, at desc);
create table left_in (
  id uuid not null,
  firm_id uuid not null references firm (id) deferrable initially immediate,
  primary key (firm_id, id),
  day_ended_id uuid not null,
  job_subject_id uuid not null,
  ports int not null check (ports > 0),
  words text not null check (length(words) between 1 and 500),
  foreign key (firm_id, day_ended_id) references day_ended (firm_id, id) deferrable initially immediate,
  foreign key (firm_id, job_subject_id) references job_subject (firm_id, id) deferrable initially immediate
);
create index left_in_of_subject on left_in (firm_id, job_subject_id, day_ended_id);
create index left_in_of_day on left_in (firm_id, day_ended_id);
alter table day_ended enable row level security;
alter table day_ended force row level security;
create policy own_firm on day_ended using (firm_id = current_firm()) with check (firm_id = current_firm());
alter table left_in enable row level security;
alter table left_in force row level security;
create policy own_firm on left_in using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert on day_ended, left_in to elmhorn_app;

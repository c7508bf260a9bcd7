-- What was put on a crew's truck for a day, or was missing in the yard, as it was ticked. What was said last of a thing holds; it holds
-- for the amount that was seen then.
create table loaded (
  id uuid not null,
  firm_id uuid not null references firm (id) deferrable initially immediate,
  primary key (firm_id, id),
  -- No crew: what nobody has yet.
  crew_id uuid,
  on_date date not null,
  -- The thing, whatever its amount, and what it was called.
  line text not null check (length(line) between 1 and 200),
  name text not null check (length(name) between 1 and 200),
  amount text check (length(amount) between 1 and 80),
  state text not null check (state in ('on', 'missing', 'off')),
  by_person uuid not null,
  -- By the device.
  at timestamptz not null,
  foreign key (firm_id, crew_id) references crew (firm_id, id) deferrable initially immediate,
  foreign key (firm_id, by_person) references person (firm_id, id) deferrable initially immediate
);
create index loaded_of_day on loaded (firm_id, on_date, crew_id, line, at desc, id desc);
alter table loaded enable row level security;
alter table loaded force row level security;
create policy own_firm on loaded using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert on loaded to elmhorn_app;

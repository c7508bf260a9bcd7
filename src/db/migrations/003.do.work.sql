-- A label card is never edited: a change is a new version.
create table label_card (
  id uuid primary key,
  firm_id uuid not null references firm (id),
  code text not null,
  version integer not null,
  name text not null,
  registration text not null,
  body jsonb not null,
  unique (firm_id, id),
  unique (firm_id, code, version)
);

create table lot (
  id uuid primary key,
  firm_id uuid not null,
  label_code text not null,
  number text not null,
  expires_on date,
  unique (firm_id, id)
);

create table prescription (
  id uuid primary key,
  firm_id uuid not null,
  tree_id uuid not null,
  decision_id uuid not null,
  cause text not null,
  status text not null default 'handed' check (status in ('handed', 'done', 'withdrawn')),
  signed_at timestamptz not null,
  signed_by uuid not null,
  unique (firm_id, id),
  foreign key (firm_id, tree_id) references tree (firm_id, id),
  foreign key (firm_id, decision_id) references decision (firm_id, id)
);
create index prescription_tree on prescription (firm_id, tree_id, signed_at desc);

create table prescription_item (
  id uuid primary key,
  firm_id uuid not null,
  prescription_id uuid not null,
  method text not null check (method in ('trunk-injection')),
  label_card_id uuid not null,
  reading_id uuid not null references stem_reading (id),
  -- Choice of rate, girth at the ports, doses in SI, and the layout as signed.
  dose jsonb not null,
  working jsonb not null,
  expectations jsonb not null,
  unique (firm_id, id),
  foreign key (firm_id, prescription_id) references prescription (firm_id, id),
  foreign key (firm_id, label_card_id) references label_card (firm_id, id)
);

create table job (
  id uuid primary key,
  firm_id uuid not null,
  site_id uuid not null,
  on_date date not null,
  title text not null,
  unique (firm_id, id),
  foreign key (firm_id, site_id) references site (firm_id, id)
);
create index job_date on job (firm_id, on_date, id);

create table job_item (
  id uuid primary key,
  firm_id uuid not null,
  job_id uuid not null,
  prescription_item_id uuid not null,
  tree_id uuid not null,
  status text not null default 'open' check (status in ('open', 'recorded')),
  confirmed_at timestamptz,
  unique (firm_id, id),
  unique (firm_id, prescription_item_id),
  foreign key (firm_id, job_id) references job (firm_id, id),
  foreign key (firm_id, prescription_item_id) references prescription_item (firm_id, id),
  foreign key (firm_id, tree_id) references tree (firm_id, id)
);
create index job_item_job on job_item (firm_id, job_id);

create table port (
  id uuid primary key,
  firm_id uuid not null,
  job_item_id uuid not null,
  number integer not null,
  planned_deg integer not null,
  bearing_deg integer not null check (bearing_deg between 0 and 359),
  volume_m3 double precision not null,
  drilled_at timestamptz,
  started_at timestamptz,
  stopped_at timestamptz,
  out_at timestamptz,
  left_m3 double precision not null default 0,
  -- Why a port was given up: it would not take.
  given_up text,
  unique (firm_id, id),
  unique (firm_id, job_item_id, number),
  foreign key (firm_id, job_item_id) references job_item (firm_id, id)
);

-- What happened at a port, as sent from the device; the id makes a repeat harmless.
create table port_event (
  id uuid primary key,
  firm_id uuid not null,
  port_id uuid not null,
  kind text not null check (kind in ('drill', 'start', 'stop', 'out', 'give-up', 'move', 'undo')),
  at timestamptz not null,
  by_person uuid not null,
  detail jsonb not null default '{}',
  foreign key (firm_id, port_id) references port (firm_id, id)
);
create index port_event_port on port_event (firm_id, port_id, at);

create table follow_up (
  id uuid primary key,
  firm_id uuid not null,
  tree_id uuid not null,
  prescription_id uuid,
  due_on date not null,
  what text not null,
  expectation jsonb not null,
  unique (firm_id, id),
  foreign key (firm_id, tree_id) references tree (firm_id, id),
  foreign key (firm_id, prescription_id) references prescription (firm_id, id)
);
create index follow_up_due on follow_up (firm_id, due_on, id);

create table measurement (
  id uuid primary key,
  firm_id uuid not null,
  follow_up_id uuid not null,
  value double precision not null,
  verdict text not null check (verdict in ('as expected', 'slower', 'not working')),
  next_step text not null,
  words text,
  measured_at timestamptz not null,
  measured_by uuid not null,
  unique (firm_id, follow_up_id),
  foreign key (firm_id, follow_up_id) references follow_up (firm_id, id)
);

create table weather_hour (
  firm_id uuid not null,
  site_id uuid not null,
  at timestamptz not null,
  temperature_c double precision not null,
  wind_ms double precision not null,
  gust_ms double precision not null,
  wind_from_deg integer not null,
  rain_m double precision not null,
  cloud double precision not null,
  soil text not null,
  source text not null,
  primary key (firm_id, site_id, at),
  foreign key (firm_id, site_id) references site (firm_id, id)
);

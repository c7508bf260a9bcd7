create table client (
  id uuid primary key,
  firm_id uuid not null references firm (id),
  name text not null,
  contact text,
  unique (firm_id, id)
);

create table site (
  id uuid primary key,
  firm_id uuid not null,
  client_id uuid not null,
  name text not null,
  place text not null,
  time_zone text not null,
  area_m2 double precision,
  note text,
  unique (firm_id, id),
  foreign key (firm_id, client_id) references client (firm_id, id)
);
create index site_client on site (firm_id, client_id);

-- Outlines on the plan: buildings, walls, paths, beds, water. GeoJSON geometry in metres east and north.
create table site_feature (
  id uuid primary key,
  firm_id uuid not null,
  site_id uuid not null,
  kind text not null check (kind in ('boundary', 'building', 'wall', 'path', 'water', 'bed', 'well')),
  name text,
  geometry jsonb not null,
  foreign key (firm_id, site_id) references site (firm_id, id)
);
create index site_feature_site on site_feature (firm_id, site_id);

create table tree (
  id uuid primary key,
  firm_id uuid not null,
  site_id uuid not null,
  tag text not null check (length(tag) between 1 and 40),
  host text not null,
  -- What the client called it, kept beside what it turned out to be.
  listed_as text,
  identity_confirmed_at timestamptz,
  identity_confirmed_by uuid,
  east_m double precision not null,
  north_m double precision not null,
  live_crown_percent integer check (live_crown_percent between 0 and 100 and live_crown_percent % 5 = 0),
  note text,
  status text not null default 'standing' check (status in ('standing', 'removed')),
  -- Goes up with every change; a save that started from an older one is told.
  version integer not null default 1,
  created_at timestamptz not null default now(),
  unique (firm_id, id),
  unique (firm_id, site_id, tag),
  foreign key (firm_id, site_id) references site (firm_id, id)
);
create index tree_site on tree (firm_id, site_id, tag, id);

create table stem_reading (
  id uuid primary key,
  firm_id uuid not null,
  tree_id uuid not null,
  read_at timestamptz not null,
  read_by uuid,
  height_m double precision not null,
  -- Metres; by which tape says how it was read.
  tape text not null check (tape in ('girth', 'diameter')),
  stems_m double precision[] not null check (cardinality(stems_m) between 1 and 30),
  typed text not null,
  doubts jsonb not null default '[]',
  foreign key (firm_id, tree_id) references tree (firm_id, id)
);
create index stem_reading_tree on stem_reading (firm_id, tree_id, read_at desc, id desc);

-- What the trunk carries round its girth: the ring's marks, bearings in degrees clockwise from north.
create table ring_mark (
  id uuid primary key,
  firm_id uuid not null,
  tree_id uuid not null,
  kind text not null check (kind in ('flare', 'dead', 'thin', 'girdling', 'hole')),
  from_deg double precision not null check (from_deg >= 0 and from_deg < 360),
  to_deg double precision not null check (to_deg >= 0 and to_deg < 360),
  severity double precision check (severity between 0 and 1),
  noted_on date not null,
  foreign key (firm_id, tree_id) references tree (firm_id, id)
);
create index ring_mark_tree on ring_mark (firm_id, tree_id);

create table assessment (
  id uuid primary key,
  firm_id uuid not null,
  tree_id uuid not null,
  started_at timestamptz not null,
  started_by uuid not null,
  closed_at timestamptz,
  unique (firm_id, id),
  foreign key (firm_id, tree_id) references tree (firm_id, id)
);
create index assessment_tree on assessment (firm_id, tree_id, started_at desc);

-- A finding that has no row was not looked at.
create table finding (
  firm_id uuid not null,
  assessment_id uuid not null,
  finding text not null,
  state text not null check (state in ('there', 'not-there', 'unsure')),
  at timestamptz not null,
  by_person uuid not null,
  primary key (firm_id, assessment_id, finding),
  foreign key (firm_id, assessment_id) references assessment (firm_id, id)
);

create table diagnosis (
  id uuid primary key,
  firm_id uuid not null,
  assessment_id uuid not null,
  tree_id uuid not null,
  cause text not null,
  probability double precision not null,
  weights jsonb not null,
  almanac_version text not null,
  held text,
  override_reason text,
  signed_at timestamptz not null,
  signed_by uuid not null,
  unique (firm_id, id),
  foreign key (firm_id, assessment_id) references assessment (firm_id, id),
  foreign key (firm_id, tree_id) references tree (firm_id, id)
);
create index diagnosis_tree on diagnosis (firm_id, tree_id, signed_at desc);

create table decision (
  id uuid primary key,
  firm_id uuid not null,
  diagnosis_id uuid not null,
  tree_id uuid not null,
  action text not null check (action in ('treat', 'care', 'watch', 'sample', 'remove')),
  proposed text not null,
  reasons jsonb not null,
  words text,
  signed_at timestamptz not null,
  signed_by uuid not null,
  unique (firm_id, id),
  foreign key (firm_id, diagnosis_id) references diagnosis (firm_id, id),
  foreign key (firm_id, tree_id) references tree (firm_id, id)
);
create index decision_tree on decision (firm_id, tree_id, signed_at desc);

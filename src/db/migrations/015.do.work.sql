-- One model for all work. A prescription is for one cause on one or many trees; its items are methods, each with subjects;
-- an item is due at occurrences; a job holds occurrences with their subjects, each with its steps; what was put on is an
-- application with its subjects, and that is what a record is of.

create table item_subject (
  firm_id uuid not null references firm (id),
  id uuid not null,
  item_id uuid not null,
  -- Of its item in the prescription: a decision is prescribed once, by one or several items.
  n integer not null,
  tree_id uuid not null,
  decision_id uuid not null,
  reading_id uuid not null,
  -- Amounts, steps and geometry as signed, in the method's own shape; SI.
  plan jsonb not null,
  working jsonb not null,
  -- What is promised afterwards.
  checks jsonb not null,
  status text not null default 'handed' check (status in ('handed', 'done', 'partly', 'not treated', 'withdrawn')),
  primary key (firm_id, id),
  foreign key (firm_id, item_id) references prescription_item (firm_id, id),
  foreign key (firm_id, tree_id) references tree (firm_id, id),
  foreign key (firm_id, decision_id) references decision (firm_id, id),
  foreign key (firm_id, reading_id) references stem_reading (firm_id, id)
);
create table occurrence (
  firm_id uuid not null references firm (id),
  id uuid not null,
  item_id uuid not null,
  -- The n-th time it is due.
  n integer not null,
  due_from date not null,
  due_to date not null,
  status text not null default 'open' check (status in ('open', 'done', 'withdrawn')),
  primary key (firm_id, id),
  unique (firm_id, item_id, n),
  foreign key (firm_id, item_id) references prescription_item (firm_id, id)
);
create table job_subject (
  firm_id uuid not null references firm (id),
  id uuid not null,
  job_item_id uuid not null,
  job_id uuid not null,
  subject_id uuid not null,
  tree_id uuid not null,
  status text not null default 'open' check (status in ('open', 'recorded', 'withdrawn')),
  confirmed_at timestamptz,
  primary key (firm_id, id),
  unique (firm_id, job_item_id, subject_id)
);
create table step (
  firm_id uuid not null references firm (id),
  id uuid not null,
  job_subject_id uuid not null,
  n integer not null,
  kind text not null check (kind in ('port', 'task')),
  -- As planned.
  what jsonb not null,
  primary key (firm_id, id),
  unique (firm_id, job_subject_id, n)
);
-- What happened at a step, as sent from the device; the id makes a repeat harmless.
create table step_event (
  firm_id uuid not null references firm (id),
  id uuid not null,
  step_id uuid not null,
  job_subject_id uuid not null,
  kind text not null check (kind in ('drill', 'start', 'stop', 'out', 'give-up', 'move', 'do', 'undo')),
  at timestamptz not null,
  received_at timestamptz not null default now(),
  by_person uuid not null,
  detail jsonb not null default '{}',
  primary key (firm_id, id)
);
-- What the events of a step come to; it can be made anew from them.
create table step_state (
  firm_id uuid not null references firm (id),
  step_id uuid not null,
  job_subject_id uuid not null,
  state jsonb not null,
  -- Something of it is in the tree; nothing is to be done at it any more.
  is_in boolean not null default false,
  is_over boolean not null default false,
  primary key (firm_id, step_id)
);
create table application (
  firm_id uuid not null references firm (id),
  id uuid not null,
  job_id uuid not null,
  site_id uuid not null,
  method text not null,
  card_use_id uuid not null,
  lot text not null,
  started_at timestamptz not null,
  ended_at timestamptz not null,
  signed_at timestamptz not null,
  signed_by uuid not null,
  primary key (firm_id, id)
);
create table application_subject (
  firm_id uuid not null references firm (id),
  application_id uuid not null,
  subject_id uuid not null,
  job_subject_id uuid not null,
  tree_id uuid not null,
  site_id uuid not null,
  on_date date not null,
  -- m³ of a liquid, kg of what is weighed.
  amount double precision not null,
  outcome text not null check (outcome in ('treated', 'partly treated', 'not treated')),
  -- Of the first active, kg, where it counts toward a limit of the ground.
  active text,
  active_kg double precision,
  primary key (firm_id, application_id, subject_id)
);
-- What somebody else put on the same ground counts with it.
create table applied_by_others (
  firm_id uuid not null references firm (id),
  id uuid not null,
  site_id uuid not null,
  active text not null,
  active_kg double precision not null check (active_kg > 0),
  on_date date not null,
  source text not null,
  noted_at timestamptz not null,
  noted_by uuid not null,
  primary key (firm_id, id),
  foreign key (firm_id, site_id) references site (firm_id, id),
  foreign key (firm_id, noted_by) references person (firm_id, id)
);

-- What there is, into the new tables. Every prescription so far was one injection of one tree.
do $$
declare
  t text;
begin
  foreach t in array array['prescription', 'prescription_item', 'job', 'follow_up'] loop
    execute format('alter table %I disable trigger user', t);
  end loop;
end $$;
insert into item_subject (firm_id, id, item_id, n, tree_id, decision_id, reading_id, plan, working, checks, status)
select i.firm_id, i.id, i.id, 1, p.tree_id, p.decision_id, i.reading_id,
  jsonb_build_object('method', 'trunk-injection', 'choice', i.dose->'choice', 'diameter', i.dose->'diameterM',
    'product', i.dose->'volumeM3', 'kind', 'liquid', 'least', i.dose->'volumeM3', 'most', i.dose->'volumeM3',
    'water', null, 'active', null, 'minutes', 8 + 4 * jsonb_array_length(i.dose->'ports'),
    'steps', (select coalesce(jsonb_agg(jsonb_build_object('kind', 'port', 'bearing', x.port->'bearing', 'product', i.dose->'perPortM3') order by x.n), '[]')
      from jsonb_array_elements(i.dose->'ports') with ordinality x (port, n)),
    'shape', jsonb_build_object('portGirth', i.dose->'portGirthM', 'perPort', i.dose->'perPortM3', 'uptake', i.dose->'uptake',
      'ports', i.dose->'ports', 'largestGap', i.dose->'largestGapM')),
  i.working, i.expectations, p.status
from prescription_item i join prescription p on p.firm_id = i.firm_id and p.id = i.prescription_id;
insert into occurrence (firm_id, id, item_id, n, due_from, due_to, status)
select i.firm_id, i.id, i.id, 1, coalesce(j.on_date, p.signed_at::date), coalesce(j.on_date, p.signed_at::date),
  case p.status when 'handed' then 'open' when 'withdrawn' then 'withdrawn' else 'done' end
from prescription_item i join prescription p on p.firm_id = i.firm_id and p.id = i.prescription_id
left join job_item o on o.firm_id = i.firm_id and o.prescription_item_id = i.id
left join job j on j.firm_id = o.firm_id and j.id = o.job_id;
insert into job_subject (firm_id, id, job_item_id, job_id, subject_id, tree_id, status, confirmed_at)
select firm_id, id, id, job_id, prescription_item_id, tree_id, status, confirmed_at from job_item;
insert into step (firm_id, id, job_subject_id, n, kind, what)
select firm_id, id, job_item_id, number, 'port',
  jsonb_build_object('kind', 'port', 'bearing', planned_deg, 'product', volume_m3) from port;
insert into step_event (firm_id, id, step_id, job_subject_id, kind, at, received_at, by_person, detail)
select e.firm_id, e.id, e.port_id, p.job_item_id, e.kind, e.at, e.received_at, e.by_person,
  (e.detail - 'leftM3') || case when e.detail ? 'leftM3' then jsonb_build_object('left', e.detail->'leftM3') else '{}' end
from port_event e join port p on p.firm_id = e.firm_id and p.id = e.port_id;
insert into step_state (firm_id, step_id, job_subject_id, state, is_in, is_over)
select firm_id, id, job_item_id,
  jsonb_build_object('kind', 'port', 'number', number, 'bearing', bearing_deg, 'volume', volume_m3,
    'drilledAt', round(extract(epoch from drilled_at) * 1000), 'startedAt', round(extract(epoch from started_at) * 1000),
    'stoppedAt', round(extract(epoch from stopped_at) * 1000), 'outAt', round(extract(epoch from out_at) * 1000),
    'left', left_m3, 'givenUp', given_up),
  started_at is not null and out_at is null,
  out_at is not null or (given_up is not null and started_at is null)
from port;
insert into application (firm_id, id, job_id, site_id, method, card_use_id, lot, started_at, ended_at, signed_at, signed_by)
select r.firm_id, i.id, i.job_id, r.site_id, 'trunk-injection', pi.card_use_id, coalesce(r.body->'product'->>'lot', ''),
  utc_instant(trim(trailing 'Z' from r.body->>'startedAt')), utc_instant(trim(trailing 'Z' from r.body->>'endedAt')), r.signed_at, r.signed_by
from record r join job_item i on i.firm_id = r.firm_id and i.id = r.job_item_id
join prescription_item pi on pi.firm_id = i.firm_id and pi.id = i.prescription_item_id
where r.kind = 'application';
insert into application_subject (firm_id, application_id, subject_id, job_subject_id, tree_id, site_id, on_date, amount, outcome)
select r.firm_id, i.id, i.prescription_item_id, i.id, r.tree_id, r.site_id, (r.signed_at at time zone s.time_zone)::date,
  (r.body->>'volumeM3')::double precision, coalesce(r.body->>'outcome', 'treated')
from record r join job_item i on i.firm_id = r.firm_id and i.id = r.job_item_id join site s on s.firm_id = r.firm_id and s.id = r.site_id
where r.kind = 'application';

-- The old ones go.
alter table prescription add column site_id uuid;
update prescription p set site_id = t.site_id from tree t where t.firm_id = p.firm_id and t.id = p.tree_id;
alter table prescription
  alter column site_id set not null,
  add foreign key (firm_id, site_id) references site (firm_id, id),
  drop column tree_id, drop column decision_id, drop column status;
alter table prescription_item
  add column n integer not null default 1,
  drop column reading_id, drop column dose, drop column working, drop column expectations,
  drop constraint prescription_item_method_check;
alter table prescription_item alter column n drop default;
create unique index prescription_item_n on prescription_item (firm_id, prescription_id, n);
alter table record drop constraint if exists record_firm_id_job_item_id_fkey;
drop index if exists record_once_per_item;
drop table port_event;
drop table port;
drop trigger note_change on job_item;
alter table job_item
  drop column tree_id, drop column status, drop column confirmed_at;
alter table job_item rename column prescription_item_id to occurrence_id;
do $$
declare
  c text;
begin
  for c in select conname from pg_constraint where conrelid = 'job_item'::regclass and contype in ('f', 'u')
           and pg_get_constraintdef(oid) like '%(firm_id, occurrence_id)%' loop
    execute format('alter table job_item drop constraint %I', c);
  end loop;
end $$;
drop index if exists job_item_job;
alter table job_item
  add unique (firm_id, job_id, occurrence_id),
  add foreign key (firm_id, occurrence_id) references occurrence (firm_id, id);
create index job_item_occurrence on job_item (firm_id, occurrence_id);
create trigger note_change after update or delete on job_item for each row execute function note_change('job_item');

drop trigger note_change on job;
drop index if exists job_of_day;
alter table job
  drop column title, drop column ports, drop column volume_m3,
  -- What is done on it, in the order it came to it; a copy for lists.
  add column methods text[] not null default '{}';
update job set methods = '{trunk-injection}';
create unique index job_of_day on job (firm_id, site_id, on_date);
create trigger note_change after delete or update of site_id, on_date on job
  for each row execute function note_change('job');

alter table job_subject
  add foreign key (firm_id, job_item_id) references job_item (firm_id, id),
  add foreign key (firm_id, job_id) references job (firm_id, id),
  add foreign key (firm_id, subject_id) references item_subject (firm_id, id),
  add foreign key (firm_id, tree_id) references tree (firm_id, id);
alter table step add foreign key (firm_id, job_subject_id) references job_subject (firm_id, id);
alter table step_event
  add foreign key (firm_id, step_id) references step (firm_id, id),
  add foreign key (firm_id, by_person) references person (firm_id, id);
alter table step_state add foreign key (firm_id, step_id) references step (firm_id, id);
alter table application
  add foreign key (firm_id, job_id) references job (firm_id, id),
  add foreign key (firm_id, site_id) references site (firm_id, id),
  add foreign key (firm_id, card_use_id) references card_use (firm_id, id),
  add foreign key (firm_id, signed_by) references person (firm_id, id);
alter table application_subject
  add foreign key (firm_id, application_id) references application (firm_id, id),
  add foreign key (firm_id, subject_id) references item_subject (firm_id, id),
  add foreign key (firm_id, job_subject_id) references job_subject (firm_id, id),
  add foreign key (firm_id, tree_id) references tree (firm_id, id);

create index item_subject_item on item_subject (firm_id, item_id);
create index item_subject_tree on item_subject (firm_id, tree_id);
create unique index item_subject_once on item_subject (firm_id, decision_id, n) where status <> 'withdrawn';
create index occurrence_open on occurrence (firm_id, due_from, id) where status = 'open';
create index job_subject_job on job_subject (firm_id, job_id);
create index job_subject_tree on job_subject (firm_id, tree_id);
create index job_subject_subject on job_subject (firm_id, subject_id);
create index step_event_subject on step_event (firm_id, job_subject_id, at);
create index step_state_subject on step_state (firm_id, job_subject_id);
create index step_state_in on step_state (firm_id, job_subject_id) where is_in;
create index application_job on application (firm_id, job_id);
create index application_subject_tree on application_subject (firm_id, tree_id);
create index application_subject_use on application_subject (firm_id, site_id, on_date) where active is not null;
create unique index application_subject_once on application_subject (firm_id, job_subject_id);
create index applied_by_others_site on applied_by_others (firm_id, site_id, on_date);
create index prescription_site on prescription (firm_id, site_id, signed_at desc);

-- A record is of an application, which may be of many trees: then it names none. What its hash covers stays as it was for
-- all that were signed.
alter table record rename column job_item_id to application_id;
alter table record alter column tree_id drop not null;
alter table record add foreign key (firm_id, application_id) references application (firm_id, id);
create unique index record_once on record (firm_id, application_id) where kind = 'application' and application_id is not null;
create or replace function record_hash(r public.record) returns text language sql immutable as $$
  select encode(sha256(convert_to(concat_ws(E'\n',
    r.prev_hash, r.firm_id, r.seq, r.id, r.kind, coalesce(r.corrects::text, '-'), coalesce(r.tree_id::text, '-'), r.site_id,
    coalesce(r.application_id::text, '-'), to_char(r.signed_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"'),
    r.signed_by, r.body::text), 'UTF8')), 'hex')
$$;

-- Checks say what kind of answer they want: only a missing effect doubts the diagnosis.
create function answer_kind(what text, unit text) returns text language sql immutable as $$
  select case when unit = 'left' then 'all-back' when what like 'Leaf scorch%' then 'side-effect' else 'share' end
$$;
update follow_up set expectation = expectation || jsonb_build_object('kind', answer_kind(what, expectation->>'unit'));
update item_subject set checks = coalesce((
  select jsonb_agg(jsonb_set(c, '{expectation}', (c->'expectation') || jsonb_build_object('kind', answer_kind(c->>'what', c->'expectation'->>'unit'))))
  from jsonb_array_elements(checks) c), '[]');
drop function answer_kind;
alter table measurement drop constraint measurement_verdict_check;
alter table measurement add constraint measurement_verdict_check
  check (verdict in ('as expected', 'slower', 'not working', 'left behind', 'harmed'));

do $$
declare
  t text;
begin
  foreach t in array array['prescription', 'prescription_item', 'job', 'follow_up'] loop
    execute format('alter table %I enable trigger user', t);
  end loop;
  foreach t in array array['item_subject', 'occurrence', 'job_subject', 'step', 'step_event', 'step_state', 'application',
    'application_subject', 'applied_by_others'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_firm on %I using (firm_id = current_firm()) with check (firm_id = current_firm())', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
  foreach t in array array['item_subject', 'occurrence', 'job_subject'] loop
    execute format('grant update on %I to elmhorn_app', t);
    execute format('create trigger note_change after update or delete on %I for each row execute function note_change(%L)', t, t);
  end loop;
end $$;
grant update on step_state to elmhorn_app;

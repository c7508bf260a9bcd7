-- Outlines of a plan with the distance that is kept from them; ground whose area is measured.
alter table site_feature
  drop constraint site_feature_kind_check,
  add constraint site_feature_kind_check check (kind in ('ground', 'boundary', 'building', 'paving', 'bed', 'wall', 'path',
    'water', 'well', 'hive', 'play')),
  add column setback_m double precision check (setback_m > 0 and setback_m <= 2000),
  add column version integer not null default 1;

alter table site
  -- The area as it was typed; `area_m2` is what holds: measured where ground is drawn, else typed.
  add column area_typed_m2 double precision check (area_typed_m2 > 0),
  add column area_measured boolean not null default false,
  -- Who said that all water and wells near the trees are on the plan.
  add column water_said_at timestamptz,
  add column water_said_by uuid,
  add foreign key (firm_id, water_said_by) references person (firm_id, id) deferrable initially immediate;
alter table site no force row level security;
update site set area_typed_m2 = area_m2;
alter table site force row level security;
drop trigger note_change on site;
create trigger note_change
  after delete or update of client_id, name, place, time_zone, area_m2, note, district, latitude, longitude, hours,
    access, gate_code, water, contact_on_day, archived_at, area_typed_m2, water_said_at on site
  for each row execute function note_change('site');
grant update (area_typed_m2, area_measured, water_said_at, water_said_by) on site to elmhorn_app;

alter table item_subject
  drop constraint item_subject_anew_check,
  add constraint item_subject_anew_check check (anew in ('size', 'kind', 'card', 'rule', 'limit'));

-- A picture that lies under a plan, and how: where one spot of it lies, how many metres a pixel is, how far it is turned.
create table plan_picture (
  id uuid not null,
  firm_id uuid not null references firm (id),
  site_id uuid not null,
  at timestamptz not null,
  by_person uuid not null,
  width integer not null check (width > 0),
  height integer not null check (height > 0),
  jpeg bytea not null check (length(jpeg) between 100 and 4000000),
  primary key (firm_id, id),
  foreign key (firm_id, site_id) references site (firm_id, id) deferrable initially immediate,
  foreign key (firm_id, by_person) references person (firm_id, id) deferrable initially immediate
);
create index plan_picture_site on plan_picture (firm_id, site_id, at desc);
alter table site
  -- Which picture lies under the plan, and how it lies.
  add column picture jsonb;
grant update (picture) on site to elmhorn_app;

-- Every change of a plan as it was before and after, so that it can be undone.
create table plan_step (
  id uuid not null,
  firm_id uuid not null references firm (id),
  site_id uuid not null,
  at timestamptz not null,
  by_person uuid not null,
  what text not null check (what in ('outline', 'tree', 'picture')),
  of uuid not null,
  before jsonb,
  after jsonb,
  undone_at timestamptz,
  undone_by uuid,
  primary key (firm_id, id),
  check (before is not null or after is not null),
  foreign key (firm_id, site_id) references site (firm_id, id) deferrable initially immediate,
  foreign key (firm_id, by_person) references person (firm_id, id) deferrable initially immediate,
  foreign key (firm_id, undone_by) references person (firm_id, id) deferrable initially immediate
);
create index plan_step_site on plan_step (firm_id, site_id, id desc);

do $$
declare
  t text;
begin
  foreach t in array array['plan_picture', 'plan_step'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_firm on %I using (firm_id = current_firm()) with check (firm_id = current_firm())', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
end $$;
grant update (undone_at, undone_by) on plan_step to elmhorn_app;
create trigger note_change after update of undone_at on plan_step for each row execute function note_change('plan_step');

-- Facts that lists and the frame ask for at every page are written down by the steps that change them, in columns an
-- index can serve, instead of being worked out again and again.
create or replace function current_firm() returns uuid language sql stable parallel safe as
$$ select nullif(current_setting('elmhorn.firm', true), '')::uuid $$;

alter table tree
  -- Whose turn it is: the next step of the chain of work. The rule stands in core/plan/stage.
  add column stage text not null default 'examine' check (stage in
    ('examine', 'weigh', 'decide', 'prescribe', 'run', 'check', 'done', 'otherwise')),
  -- Why work came back to the arborist, in words; null when it did not.
  add column returned text,
  -- Of the newest reading: diameter in metres and when.
  add column diameter_m double precision,
  add column read_at timestamptz;
alter table site add column trees integer not null default 0;
alter table follow_up add column done boolean not null default false;
-- What a job comes to, so that a list of jobs reads no ports.
alter table job
  add column trees integer not null default 0,
  add column recorded integer not null default 0,
  add column ports integer not null default 0,
  add column volume_m3 double precision not null default 0;

-- An instant as records write it; always in UTC, so that it depends on nothing.
create function utc_instant(text) returns timestamptz language sql immutable strict parallel safe as
$$ select make_timestamptz(substr($1, 1, 4)::int, substr($1, 6, 2)::int, substr($1, 9, 2)::int,
     substr($1, 12, 2)::int, substr($1, 15, 2)::int, substr($1, 18, 6)::double precision, 'UTC') $$;
alter table record add column reentry_until timestamptz
  generated always as (utc_instant(trim(trailing 'Z' from body->>'reentryUntil'))) stored;

alter table follow_up disable trigger user;
update follow_up u set done = true where exists (
  select 1 from measurement m where m.firm_id = u.firm_id and m.follow_up_id = u.id);
alter table follow_up enable trigger user;
update job j set trees = x.trees, recorded = x.recorded, ports = x.ports, volume_m3 = x.volume
from (select i.firm_id, i.job_id, count(distinct i.id)::int as trees, (count(distinct i.id) filter (where i.status = 'recorded'))::int as recorded,
        count(p.id)::int as ports, coalesce(sum(p.volume_m3), 0) as volume
      from job_item i left join port p on p.firm_id = i.firm_id and p.job_item_id = i.id group by i.firm_id, i.job_id) x
where x.firm_id = j.firm_id and x.job_id = j.id;
update site s set trees = (
  select count(*) from tree t where t.firm_id = s.firm_id and t.site_id = s.id and t.status = 'standing');
update tree t set diameter_m = r.diameter_m, read_at = r.read_at
from (select distinct on (firm_id, tree_id) firm_id, tree_id, read_at,
        (select sqrt(sum(d * d)) from unnest(stems_m) d) as diameter_m
      from stem_reading order by firm_id, tree_id, read_at desc, id desc) r
where r.firm_id = t.firm_id and r.tree_id = t.id;
update tree t set stage = case
    when d.id is null then case when exists (
        select 1 from finding f where f.firm_id = t.firm_id and f.assessment_id = a.id) then 'weigh' else 'examine' end
    when c.id is null then 'decide'
    when c.action <> 'treat' then 'otherwise'
    when p.id is null then 'prescribe'
    when p.status <> 'done' then 'run'
    when exists (select 1 from follow_up u where u.firm_id = t.firm_id and u.prescription_id = p.id and not u.done) then 'check'
    else 'done' end
from tree x
  left join lateral (select id from assessment where tree_id = x.id and firm_id = x.firm_id order by started_at desc, id desc limit 1) a on true
  left join lateral (select id from diagnosis where assessment_id = a.id and firm_id = x.firm_id) d on true
  left join lateral (select id, action from decision where diagnosis_id = d.id and firm_id = x.firm_id order by signed_at desc, id desc limit 1) c on true
  left join lateral (select id, status from prescription where decision_id = c.id and firm_id = x.firm_id and status <> 'withdrawn' limit 1) p on true
where x.firm_id = t.firm_id and x.id = t.id;

-- One index for every way that is followed.
create index tree_stage on tree (firm_id, stage, site_id, tag, id) where status = 'standing';
create index site_name on site (firm_id, name, id);
create index decision_diagnosis on decision (firm_id, diagnosis_id);
create index prescription_item_prescription on prescription_item (firm_id, prescription_id);
create index job_item_tree on job_item (firm_id, tree_id);
create index job_open on job (firm_id, on_date, id) where recorded < trees;
create index port_in_tree on port (firm_id, job_item_id) where started_at is not null and out_at is null;
create index record_reentry on record (firm_id, reentry_until) where kind = 'application';
create index record_corrects on record (firm_id, corrects) where corrects is not null;
create index follow_up_open on follow_up (firm_id, due_on, id) where not done;
create index follow_up_tree on follow_up (firm_id, tree_id, due_on, id);
create index follow_up_prescription on follow_up (firm_id, prescription_id);
create index lot_label on lot (firm_id, label_code);
create index assessment_site_time on assessment (firm_id, started_at desc);

-- What is worked out is no change of the site's own.
drop trigger note_change on site;
create trigger note_change after delete or update of client_id, name, place, time_zone, area_m2, note on site
  for each row execute function note_change('site');
drop trigger note_change on job;
create trigger note_change after delete or update of site_id, on_date, title on job
  for each row execute function note_change('job');

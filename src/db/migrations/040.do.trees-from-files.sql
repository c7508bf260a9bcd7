-- Lists of trees from files: each is kept as what it said and did, so that it can be taken back while nobody has used it.
create table tree_import (
  id uuid not null,
  firm_id uuid not null references firm (id),
  site_id uuid not null,
  by_person uuid not null,
  at timestamptz not null,
  file_name text,
  -- What was answered: columns, counts, what was refused.
  report jsonb not null,
  undone_at timestamptz,
  undone_by uuid,
  primary key (firm_id, id),
  foreign key (firm_id, site_id) references site (firm_id, id),
  foreign key (firm_id, by_person) references person (firm_id, id),
  foreign key (firm_id, undone_by) references person (firm_id, id)
);
create index tree_import_site on tree_import (firm_id, site_id, at desc);

alter table tree
  add column import_id uuid,
  -- Where its place is not known it lies beside the plan until somebody puts it where it stands.
  add column placed boolean not null default true,
  add column height_m double precision check (height_m > 0),
  add column spread_m double precision check (spread_m > 0),
  add column planted text;
alter table stem_reading add column import_id uuid;
create index tree_import_id on tree (firm_id, import_id) where import_id is not null;
create index stem_reading_import_id on stem_reading (firm_id, import_id) where import_id is not null;

-- What a list changed on trees that were there: as they were, and the version it made of them.
create table tree_import_change (
  firm_id uuid not null references firm (id),
  import_id uuid not null,
  tree_id uuid not null,
  version integer not null,
  was jsonb not null,
  primary key (firm_id, import_id, tree_id),
  foreign key (firm_id, import_id) references tree_import (firm_id, id),
  foreign key (firm_id, tree_id) references tree (firm_id, id)
);

do $$
declare
  t text;
begin
  foreach t in array array['tree_import', 'tree_import_change'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_firm on %I using (firm_id = current_firm()) with check (firm_id = current_firm())', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
end $$;
grant update (undone_at, undone_by) on tree_import to elmhorn_app;
create trigger note_change after update of undone_at on tree_import for each row execute function note_change('tree_import');

/*
 * Takes a list back: trees it brought that nobody has used since, readings it brought that nothing rests on, and its changes of trees
 * that nobody changed after it. It deletes nothing else, and nothing after seven days. Answers what it took and what it left.
 */
create function undo_import(list uuid, hand uuid)
returns table (what text, id uuid, tag text)
language plpgsql security definer set search_path = public, pg_temp as $$
declare
  firm uuid := current_firm();
  of record;
begin
  select * into of from tree_import i where i.firm_id = firm and i.id = list for update;
  if not found or of.undone_at is not null or of.at < now() - interval '7 days' then return; end if;
  update tree_import i set undone_at = now(), undone_by = hand where i.firm_id = firm and i.id = list;

  create temp table undone_tree on commit drop as
    select t.id, t.tag from tree t where t.firm_id = firm and t.import_id = list
      and t.version = 1 and t.status = 'standing' and t.stage = 'examine' and t.identity_confirmed_at is null
      and not exists (select 1 from stem_reading r where r.firm_id = firm and r.tree_id = t.id and r.import_id is distinct from list)
      and not exists (select 1 from ring_mark m where m.firm_id = firm and m.tree_id = t.id)
      and not exists (select 1 from assessment a where a.firm_id = firm and a.tree_id = t.id)
      and not exists (select 1 from photo p where p.firm_id = firm and p.tree_id = t.id)
      and not exists (select 1 from safety_screen s where s.firm_id = firm and s.tree_id = t.id)
      and not exists (select 1 from follow_up f where f.firm_id = firm and f.tree_id = t.id)
      and not exists (select 1 from house_rule h where h.firm_id = firm and h.tree_id = t.id)
      and not exists (select 1 from reading_struck x join stem_reading r on r.firm_id = x.firm_id and r.id = x.reading_id
        where r.firm_id = firm and r.tree_id = t.id)
      and not exists (select 1 from tree_import_change c where c.firm_id = firm and c.tree_id = t.id);
  delete from stem_reading r using undone_tree u where r.firm_id = firm and r.tree_id = u.id;
  delete from search_entry e using undone_tree u where e.firm_id = firm and e.kind = 'tree' and e.id = u.id;
  delete from tree t using undone_tree u where t.firm_id = firm and t.id = u.id;
  update site s set trees = s.trees - (select count(*) from undone_tree) where s.firm_id = firm and s.id = of.site_id;
  return query select 'tree'::text, u.id, u.tag from undone_tree u;

  -- Readings on trees that stay, unless a dose rests on them or they were struck out.
  create temp table undone_reading on commit drop as
    select r.id, r.tree_id, t.tag from stem_reading r join tree t on t.firm_id = r.firm_id and t.id = r.tree_id
    where r.firm_id = firm and r.import_id = list and t.import_id is distinct from list
      and not exists (select 1 from item_subject i where i.firm_id = firm and i.reading_id = r.id)
      and not exists (select 1 from reading_struck x where x.firm_id = firm and x.reading_id = r.id);
  delete from stem_reading r using undone_reading u where r.firm_id = firm and r.id = u.id;
  update tree t set diameter_m = n.diameter, read_at = n.read_at
  from (select u.tree_id, l.diameter, l.read_at from undone_reading u left join lateral (
      select sqrt((select sum(d * d) from unnest(r.stems_m) d)) as diameter, r.read_at from stem_reading r
      where r.firm_id = firm and r.tree_id = u.tree_id
        and not exists (select 1 from reading_struck x where x.firm_id = firm and x.reading_id = r.id)
      order by r.read_at desc, r.id desc limit 1) l on true) n
  where t.firm_id = firm and t.id = n.tree_id;
  return query select 'reading'::text, u.id, u.tag from undone_reading u;

  -- Its changes, where nobody has changed the tree since.
  create temp table undone_change on commit drop as
    select c.tree_id as id, c.was, t.tag from tree_import_change c join tree t on t.firm_id = c.firm_id and t.id = c.tree_id
    where c.firm_id = firm and c.import_id = list and t.version = c.version;
  update tree t set host = u.was->>'host', listed_as = u.was->>'listed_as',
    east_m = (u.was->>'east_m')::double precision, north_m = (u.was->>'north_m')::double precision,
    placed = (u.was->>'placed')::boolean, live_crown_percent = (u.was->>'live_crown_percent')::integer,
    height_m = (u.was->>'height_m')::double precision, spread_m = (u.was->>'spread_m')::double precision,
    block = u.was->>'block', planted = u.was->>'planted', note = u.was->>'note', version = t.version + 1
  from undone_change u where t.firm_id = firm and t.id = u.id;
  return query select 'change'::text, u.id, u.tag from undone_change u;

  return query select 'left'::text, t.id, t.tag from tree t where t.firm_id = firm and t.import_id = list;
  return query select 'left'::text, t.id, t.tag from stem_reading r join tree t on t.firm_id = r.firm_id and t.id = r.tree_id
    where r.firm_id = firm and r.import_id = list and t.import_id is distinct from list;
  return query select 'left'::text, t.id, t.tag from tree_import_change c join tree t on t.firm_id = c.firm_id and t.id = c.tree_id
    where c.firm_id = firm and c.import_id = list and c.tree_id not in (select x.id from undone_change x);
end $$;
revoke all on function undo_import(uuid, uuid) from public;
grant execute on function undo_import(uuid, uuid) to elmhorn_app;

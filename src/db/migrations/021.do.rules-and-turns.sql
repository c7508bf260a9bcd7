-- What a place asks, what a house does, and whose turn it is.

-- The district a site lies in: local rules and house rules may hold for one alone.
alter table site add column district text check (length(district) between 1 and 60);

-- A rule of a place, copied by the firm with its source. It is ended, never edited: work rests on it.
create table local_rule (
  id uuid not null,
  firm_id uuid not null references firm (id),
  primary key (firm_id, id),
  name text not null check (length(name) between 3 and 80),
  said text not null check (length(said) between 3 and 600),
  source text not null check (length(source) between 3 and 200),
  -- Null where it holds everywhere the firm works.
  district text check (length(district) between 1 and 60),
  body jsonb not null,
  made_by uuid not null,
  made_at timestamptz not null,
  ended_by uuid,
  ended_at timestamptz,
  ended_why text,
  check ((ended_at is null) = (ended_by is null) and (ended_at is null) = (ended_why is null)),
  foreign key (firm_id, made_by) references person (firm_id, id),
  foreign key (firm_id, ended_by) references person (firm_id, id)
);
create index local_rule_standing on local_rule (firm_id, made_at, id) where ended_at is null;

-- A house rule may hold for a district, a client or a tree alone; the nearest one holds.
alter table house_rule
  add column district text check (length(district) between 1 and 60),
  add column client_id uuid,
  add column tree_id uuid,
  -- Taken back: what is wider holds again.
  add column ended boolean not null default false,
  add check (num_nonnulls(district, client_id, tree_id) <= 1),
  add foreign key (firm_id, client_id) references client (firm_id, id),
  add foreign key (firm_id, tree_id) references tree (firm_id, id);

-- How each matter on which practitioners differ was done, and who is told before the work, as the arborist saw it when signing.
alter table prescription add column agreed jsonb not null default '{"matters": [], "notices": []}';

-- A new rule may close work that was signed before it.
alter table item_subject
  drop constraint item_subject_anew_check,
  add constraint item_subject_anew_check check (anew in ('size', 'kind', 'card', 'rule'));

-- Whose turn it is at a promised date.
alter table follow_up add column turn text not null default 'us'
  check (turn in ('us', 'client', 'laboratory', 'assessor', 'authority', 'removal'));
-- Where it is: a board of one site asks for it.
alter table follow_up add column site_id uuid;
alter table follow_up disable trigger user;
update follow_up u set site_id = t.site_id from tree t where t.firm_id = u.firm_id and t.id = u.tree_id;
update follow_up set turn = case
    when expectation->>'kind' in ('laboratory', 'assessor', 'removal') then expectation->>'kind'
    when expectation->>'kind' = 'care' and what like 'Whether the client %' then 'client'
    else 'us' end;
alter table follow_up enable trigger user;
alter table follow_up alter column site_id set not null,
  add foreign key (firm_id, site_id) references site (firm_id, id);
create index follow_up_turn on follow_up (firm_id, turn, due_on, id) where not done;
create index follow_up_site on follow_up (firm_id, site_id, turn, due_on, id) where not done;
-- What is the client's to do, and what the crew lead must release, stand on the board.
create index job_site_open on job (firm_id, site_id, on_date, id) where recorded < trees;
create index occurrence_waiting on occurrence (firm_id, id) where status = 'waiting';
create index prescription_item_only_if on prescription_item (firm_id, id) where only_if is not null;
create index tree_returned on tree (firm_id, site_id, tag, id) where returned is not null and status = 'standing';

-- Defect, target and consequence, each from 1 to 3 in the arborist's words.
create table safety_screen (
  id uuid not null,
  firm_id uuid not null,
  primary key (firm_id, id),
  tree_id uuid not null,
  defect smallint not null check (defect between 1 and 3),
  defect_words text not null,
  target smallint not null check (target between 1 and 3),
  target_words text not null,
  consequence smallint not null check (consequence between 1 and 3),
  consequence_words text not null,
  refer boolean not null,
  by_person uuid not null,
  at timestamptz not null,
  foreign key (firm_id, tree_id) references tree (firm_id, id),
  foreign key (firm_id, by_person) references person (firm_id, id)
);
create index safety_screen_tree on safety_screen (firm_id, tree_id, at desc, id desc);

-- What a person said keeping, felling and replacing trees of a site comes to; the newest holds.
create table site_money (
  id uuid not null,
  firm_id uuid not null,
  primary key (firm_id, id),
  site_id uuid not null,
  body jsonb not null,
  by_person uuid not null,
  at timestamptz not null,
  foreign key (firm_id, site_id) references site (firm_id, id),
  foreign key (firm_id, by_person) references person (firm_id, id)
);
create index site_money_newest on site_money (firm_id, site_id, at desc, id desc);

do $$
declare
  t text;
begin
  foreach t in array array['local_rule', 'safety_screen', 'site_money'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_firm on %I using (firm_id = current_firm()) with check (firm_id = current_firm())', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
end $$;
grant update (ended_by, ended_at, ended_why) on local_rule to elmhorn_app;
create trigger note_change after delete or update of ended_by, ended_at, ended_why on local_rule
  for each row execute function note_change('local_rule');

-- What was entered by mistake is put right; that it was entered stays to be seen.

-- A reading that was struck out rests no dose any more. Readings themselves are added to, never changed.
create table reading_struck (
  firm_id uuid not null references firm (id),
  reading_id uuid not null,
  struck_at timestamptz not null,
  struck_by uuid not null,
  words text not null,
  primary key (firm_id, reading_id),
  foreign key (firm_id, reading_id) references stem_reading (firm_id, id),
  foreign key (firm_id, struck_by) references person (firm_id, id)
);
alter table reading_struck enable row level security;
alter table reading_struck force row level security;
create policy own_firm on reading_struck using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert on reading_struck to elmhorn_app;

alter table tree
  -- Why it is not among the standing ones any more, and when; null while it stands.
  add column removed_words text,
  add column removed_at timestamptz,
  -- The tree it turned out to be, where one tree was listed twice. What was done under it counts for that tree.
  add column merged_into uuid,
  add foreign key (firm_id, merged_into) references tree (firm_id, id);
create index tree_merged on tree (firm_id, merged_into) where merged_into is not null;

-- The tag of a tree that is gone is free again.
alter table tree drop constraint tree_firm_id_site_id_tag_key;
create unique index tree_tag on tree (firm_id, site_id, tag) where status = 'standing';

-- A promise that falls with its tree is kept with the reason, and is no longer waited for.
alter table follow_up add column dropped text;

drop trigger note_change on tree;
create trigger note_change after delete or update of tag, host, listed_as, identity_confirmed_at, east_m, north_m,
  live_crown_percent, note, status, removed_words, merged_into on tree for each row execute function note_change('tree');
drop trigger note_change on follow_up;
create trigger note_change after delete or update of due_on, what, expectation, dropped on follow_up
  for each row execute function note_change('follow_up');

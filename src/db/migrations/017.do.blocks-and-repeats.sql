-- Trees that are worked as one, and work that is due again.

-- A bank, a row, a terrace: the name trees of a site share.
alter table tree add column block text check (length(block) between 1 and 40);
create index tree_block on tree (firm_id, site_id, block) where block is not null;

-- An examination that stands for a tree nobody looked at by itself: of which block, and which trees were looked at.
alter table assessment add column by_sample jsonb;

-- How often an item is done in all; each time is an occurrence of its own.
alter table prescription_item add column times integer not null default 1 check (times between 1 and 60);
-- Why what was due again is not done.
alter table occurrence add column words text;
create index occurrence_again on occurrence (firm_id, due_from, id) where status = 'open' and n > 1;

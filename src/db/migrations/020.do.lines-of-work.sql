-- Lines of work: a step waits for the one before it, or is done only when something is found on site.
alter table prescription_item
  add column after_item uuid,
  add column after_days integer check (after_days between 0 and 730),
  add column only_if text check (length(only_if) between 1 and 300),
  -- What needs no label may be the client's own to do.
  add column who text not null default 'crew' check (who in ('crew', 'client')),
  add foreign key (firm_id, after_item) references prescription_item (firm_id, id);
create index prescription_item_after on prescription_item (firm_id, after_item) where after_item is not null;

alter table item_subject
  drop constraint item_subject_status_check,
  add constraint item_subject_status_check check (status in ('handed', 'client', 'done', 'partly', 'not treated', 'withdrawn'));

-- It stands on no day until a person puts it on one: what is done again, and what waited for another step.
alter table occurrence
  add column again boolean not null default false,
  drop constraint occurrence_status_check,
  add constraint occurrence_status_check check (status in ('waiting', 'open', 'done', 'withdrawn'));
update occurrence set again = true where n > 1;
drop index occurrence_again;
create index occurrence_again on occurrence (firm_id, due_from, id) where status = 'open' and again;

-- What was found that releases a step done only then.
alter table job_subject
  add column released_at timestamptz,
  add column found text check (length(found) between 1 and 300);

-- From the begin of the work to its last press, where the presses were watched: null where they were ticked by the row, told, or far too near.
alter table application add column watched_minutes double precision check (watched_minutes > 0);
create index application_watched on application (firm_id, method, signed_at) where watched_minutes is not null;

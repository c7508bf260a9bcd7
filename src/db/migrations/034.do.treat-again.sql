-- A decision is prescribed again where a check said that it is treated again: each time is a round of its own.
alter table item_subject add column round int not null default 1;
drop index item_subject_once;
create unique index item_subject_once on item_subject (firm_id, decision_id, round, n) where status <> 'withdrawn';
-- The date on which it is treated again says so itself.
update follow_up set expectation = expectation || '{"treats": true}' where what like 'Treat again,%';

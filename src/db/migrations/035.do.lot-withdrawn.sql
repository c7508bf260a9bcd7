-- A lot that was called back: since when, why, and who said so.
alter table lot add column withdrawn_on date, add column withdrawn_why text, add column withdrawn_by uuid;
grant update (withdrawn_on, withdrawn_why, withdrawn_by) on lot to elmhorn_app;
create index application_lot on application (firm_id, lower(lot));

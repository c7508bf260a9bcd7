-- Tests and ways of working of a firm's own stand among what it has added to its almanac.
alter table almanac_own drop constraint almanac_own_kind_check;
alter table almanac_own add constraint almanac_own_kind_check
  check (kind in ('frequency', 'finding', 'cause', 'host', 'district', 'jurisdiction', 'test', 'way'));
-- What a signed cause was weighed by, so that what has changed in the almanac since can be told.
alter table diagnosis add column basis jsonb;

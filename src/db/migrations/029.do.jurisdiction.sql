-- Where a firm works, for what must be reported there, stands among what it has set in its own almanac.
alter table almanac_own drop constraint almanac_own_kind_check;
alter table almanac_own add constraint almanac_own_kind_check
  check (kind in ('frequency', 'finding', 'cause', 'host', 'district', 'jurisdiction'));

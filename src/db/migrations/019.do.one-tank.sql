-- Items of a prescription that come out of one tank share a mark.
alter table prescription_item add column tank uuid;

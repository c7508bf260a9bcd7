-- The last day of the season in which what is due again may still be done.
alter table occurrence add column ends_on date;
-- After how many days it is done again, where that was chosen; null where the card says.
alter table prescription_item add column apart int;

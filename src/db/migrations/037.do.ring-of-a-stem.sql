-- Of several stems each is a trunk of its own: a mark is of one of them, or of the foot where nothing is said.
alter table ring_mark add column stem smallint check (stem between 1 and 12);

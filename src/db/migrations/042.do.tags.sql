-- The code on a tag is the end of the tree's id.
create index tree_id_end on tree (firm_id, right(id::text, 12));

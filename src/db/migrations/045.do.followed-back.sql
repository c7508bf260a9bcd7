-- Whatever points to a tree or a reading is found by it: a list of trees that is taken back asks for each of them.
create index item_subject_reading on item_subject (firm_id, reading_id);
create index house_rule_tree on house_rule (firm_id, tree_id) where tree_id is not null;
create index photo_tree on photo (firm_id, tree_id);
create index tree_import_change_tree on tree_import_change (firm_id, tree_id);

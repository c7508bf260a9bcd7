-- The minutes of a tree's work stand beside its plan: the week adds up thousands of them, and a plan is long.
alter table item_subject
  add column minutes double precision generated always as ((plan->>'minutes')::double precision) stored;

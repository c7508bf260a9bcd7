-- What whoever began the work saw at the tree: leaves, flowers, soil, bark, larvae. The gate was asked with it.
alter table job_subject add column seen jsonb not null default '{}';

-- What was signed beside the main cause of an examination: what opens the door for it, what lives on it, what stands beside it.
alter table diagnosis add column beside jsonb not null default '[]';

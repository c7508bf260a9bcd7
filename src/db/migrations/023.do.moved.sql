-- What was promised for a day and is done on another one, or not at all, with the reason.
create table moved (
  id uuid not null,
  firm_id uuid not null references firm (id),
  primary key (firm_id, id),
  -- A promised check, or the trees of a job.
  follow_up_id uuid,
  job_id uuid,
  -- The job it went to.
  to_job_id uuid,
  from_on date not null,
  -- Null where it is not done any more.
  to_on date,
  trees integer not null check (trees > 0),
  why text not null check (length(why) between 4 and 300),
  by_person uuid not null,
  at timestamptz not null,
  check (num_nonnulls(follow_up_id, job_id) = 1 and (job_id is null) = (to_job_id is null)),
  foreign key (firm_id, follow_up_id) references follow_up (firm_id, id),
  foreign key (firm_id, job_id) references job (firm_id, id),
  foreign key (firm_id, to_job_id) references job (firm_id, id),
  foreign key (firm_id, by_person) references person (firm_id, id)
);
create index moved_check on moved (firm_id, follow_up_id, at) where follow_up_id is not null;
create index moved_from on moved (firm_id, job_id, at) where job_id is not null;
create index moved_to on moved (firm_id, to_job_id, at) where to_job_id is not null;
alter table moved enable row level security;
alter table moved force row level security;
create policy own_firm on moved using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert on moved to elmhorn_app;

-- Work that was done without a signal, otherwise than it could be known there: what stood against it by the time it was entered. Shown
-- until an arborist has seen it.
create table done_away (
  id uuid not null,
  firm_id uuid not null references firm (id) deferrable initially immediate,
  primary key (firm_id, id),
  job_subject_id uuid not null,
  words text not null check (length(words) between 1 and 2000),
  by_person uuid not null,
  -- By the device.
  at timestamptz not null,
  entered_at timestamptz not null,
  seen_at timestamptz,
  seen_by uuid,
  foreign key (firm_id, job_subject_id) references job_subject (firm_id, id) deferrable initially immediate,
  foreign key (firm_id, by_person) references person (firm_id, id) deferrable initially immediate,
  foreign key (firm_id, seen_by) references person (firm_id, id) deferrable initially immediate,
  check ((seen_at is null) = (seen_by is null))
);
create index done_away_of_subject on done_away (firm_id, job_subject_id);
create index done_away_unseen on done_away (firm_id, entered_at) where seen_at is null;
alter table done_away enable row level security;
alter table done_away force row level security;
create policy own_firm on done_away using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert on done_away to elmhorn_app;
grant update (seen_at, seen_by) on done_away to elmhorn_app;
create trigger note_change after update of seen_at on done_away for each row execute function note_change('done_away');

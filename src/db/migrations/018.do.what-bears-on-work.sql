-- What bears on work that is with the crew, and on what was recorded of it.

-- Why a dose that is with the crew must be worked out again: another size, another kind, a newer card; null while it stands.
alter table item_subject add column anew text check (anew in ('size', 'kind', 'card'));
create index item_subject_anew on item_subject (firm_id, tree_id) where anew is not null and status = 'handed';

-- Since when the ground is closed by work that is not signed yet: from the first drop.
alter table job_subject add column closed_from timestamptz;
create index job_subject_closed on job_subject (firm_id, job_id) where closed_from is not null and status = 'open';

-- What a correction says of the amount a tree got; the newest holds. The first entry stands in the record as it was signed.
create table application_correction (
  firm_id uuid not null references firm (id),
  record_id uuid not null,
  application_id uuid not null,
  subject_id uuid not null,
  corrected_at timestamptz not null,
  amount double precision not null check (amount >= 0),
  active_kg double precision,
  primary key (firm_id, record_id, subject_id),
  foreign key (firm_id, application_id, subject_id) references application_subject (firm_id, application_id, subject_id)
);
create index application_correction_subject on application_correction (firm_id, application_id, subject_id, corrected_at);
alter table application_correction enable row level security;
alter table application_correction force row level security;
create policy own_firm on application_correction using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert on application_correction to elmhorn_app;

-- The day on which picking begins, where the card keeps days before it.
alter table prescription add column harvest_on date;

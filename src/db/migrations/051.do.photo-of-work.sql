-- A photograph is of an examination or of work at a tree of a job: then of the task that wanted it.
alter table photo alter column assessment_id drop not null;
alter table photo add column job_subject_id uuid;
alter table photo add column task text check (length(task) between 1 and 60);
alter table photo add constraint photo_of_work foreign key (firm_id, job_subject_id)
  references job_subject (firm_id, id) deferrable initially immediate;
alter table photo add constraint photo_of_one check ((assessment_id is null) <> (job_subject_id is null));
create index photo_of_subject on photo (firm_id, job_subject_id, taken_at) where job_subject_id is not null;

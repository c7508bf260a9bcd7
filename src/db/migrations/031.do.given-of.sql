-- What was given of a prescription is looked up by what of it was given, where a cover is due again.
create index application_subject_subject on application_subject (firm_id, subject_id);

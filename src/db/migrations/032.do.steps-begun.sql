-- Whether something was done at a tree is asked of every open tree of a week.
create index step_state_begun on step_state (firm_id, job_subject_id)
  where coalesce(state->>'drilledAt', state->>'startedAt') is not null;

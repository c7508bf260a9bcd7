-- A step that was taken: under which id, by whom, with what content and what was answered. The same id with the same
-- content is a repeat; with other content it is a conflict that can show both.
alter table audit_event
  add column step uuid,
  add column input_hash text,
  add column input jsonb,
  add column answer jsonb,
  -- When the hand pressed, by the device; `at` is when the server kept it.
  add column device_at timestamptz;
create unique index audit_event_step on audit_event (firm_id, step) where step is not null;
create index audit_event_time on audit_event (firm_id, at desc);

-- What stood in a row before it was changed or taken away, and in the course of which event.
create table change (
  firm_id uuid not null references firm (id),
  id bigint generated always as identity,
  at timestamptz not null default clock_timestamp(),
  event uuid,
  in_table text not null,
  was jsonb not null,
  primary key (firm_id, id)
);
create index change_event on change (firm_id, event);

create function note_change() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' or to_jsonb(old) is distinct from to_jsonb(new) then
    insert into change (firm_id, event, in_table, was)
    values (old.firm_id, nullif(current_setting('elmhorn.event', true), '')::uuid, tg_argv[0],
      to_jsonb(old) - 'jpeg' - 'password_hash' - 'demo_password' - 'token_hash');
  end if;
  return null;
end $$;

do $$
declare
  t text;
begin
  foreach t in array array['firm', 'client', 'site', 'site_feature', 'ring_mark', 'assessment', 'finding', 'lot',
    'prescription', 'prescription_item', 'job', 'job_item', 'port', 'almanac_own', 'photo'] loop
    execute format('create trigger note_change after update or delete on %I for each row execute function note_change(%L)', t, t);
  end loop;
end $$;
create trigger note_change after delete or update of tag, host, listed_as, identity_confirmed_at, east_m, north_m,
  live_crown_percent, note, status on tree for each row execute function note_change('tree');
create trigger note_change after delete or update of name, email, role, licence, units, language on person
  for each row execute function note_change('person');
create trigger note_change after update of revoked_at on api_token for each row execute function note_change('api_token');
create trigger note_change after delete or update of due_on, what, expectation on follow_up
  for each row execute function note_change('follow_up');

alter table change enable row level security;
alter table change force row level security;
create policy own_firm on change using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert on change to elmhorn_app;
grant usage on all sequences in schema public to elmhorn_app;

-- One of each, whatever arrives at the same moment.
create unique index assessment_open on assessment (firm_id, tree_id) where closed_at is null;
create unique index diagnosis_once on diagnosis (firm_id, assessment_id);
create unique index prescription_once on prescription (firm_id, decision_id) where status <> 'withdrawn';
create unique index job_of_day on job (firm_id, site_id, on_date, title);

-- A tree that got less than the label's least is partly treated, one that got nothing is not treated: both go back.
alter table prescription drop constraint prescription_status_check;
alter table prescription add constraint prescription_status_check
  check (status in ('handed', 'done', 'partly', 'not treated', 'withdrawn'));
alter table prescription add column withdrawn_words text;

alter table job_item drop constraint job_item_status_check;
alter table job_item add constraint job_item_status_check check (status in ('open', 'recorded', 'withdrawn'));

-- A licence that has run out signs nothing.
alter table person add column licence_until date;

-- What was left is kept as a quantity, so that a port can be told from its events alone.
update port_event e set detail = e.detail || jsonb_build_object('leftM3', p.left_m3)
from port p where p.firm_id = e.firm_id and p.id = e.port_id and e.kind = 'give-up';

-- When the server heard of it; `at` is the device's time.
alter table port_event add column received_at timestamptz not null default now();

-- Safety cases go to a qualified risk assessor before anything else; whole trees go to nobody's saw by a proposal.
alter table decision drop constraint decision_action_check;
alter table decision add constraint decision_action_check
  check (action in ('treat', 'care', 'watch', 'sample', 'refer', 'remove'));

-- Where an attempt came from, hashed: whoever guesses is slowed down, not the one whose e-mail it is.
alter table sign_in_attempt add column source text not null default '';

-- Every decision leads on: a date somebody looks, or an answer that is waited for. Nothing that was signed is changed.

alter table decision drop constraint decision_action_check;
alter table decision add constraint decision_action_check
  check (action in ('treat', 'care', 'watch', 'sample', 'refer', 'remove', 'healthy'));

-- A check is promised by a prescription or by a decision.
alter table follow_up add column decision_id uuid;
alter table follow_up add foreign key (firm_id, decision_id) references decision (firm_id, id);
create index follow_up_decision on follow_up (firm_id, decision_id) where decision_id is not null;

-- An answer is a number, or is told.
alter table measurement alter column value drop not null;
alter table measurement add column said text;
alter table measurement add constraint measurement_answer check (num_nonnulls(value, said) = 1);
alter table measurement drop constraint measurement_verdict_check;
alter table measurement add constraint measurement_verdict_check check (verdict in (
  'as expected', 'slower', 'not working', 'left behind', 'harmed', 'under the threshold', 'over the threshold',
  'as it was', 'better', 'worse', 'done', 'not yet', 'answer arrived'));

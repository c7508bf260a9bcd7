-- One fence round every firm: all tables, for the owner too.
do $$
declare
  t text;
begin
  for t in select tablename from pg_tables where schemaname = 'public' and tablename <> 'schema_version' loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_firm on %I using (firm_id = current_firm()) with check (firm_id = current_firm())', t);
    execute format('grant select, insert, update, delete on %I to elmhorn_app', t);
  end loop;
end $$;

-- Before the firm is known, only the one person and the attempts of the one e-mail can be seen.
create policy signing_in on person for select using (lower(email) = signing_in());
drop policy own_firm on sign_in_attempt;
create policy signing_in on sign_in_attempt using (email = signing_in()) with check (email = signing_in());

-- Records, readings and events are added to, never changed.
revoke update, delete on record, stem_reading, port_event, diagnosis, decision, measurement, audit_event, label_card from elmhorn_app;
revoke delete on firm, person, client, site, tree, prescription, prescription_item, job, job_item, port, follow_up from elmhorn_app;
grant usage on all sequences in schema public to elmhorn_app;

-- Links under which a crew's days, or what is planned at a client's sites, stand in a calendar program. Only the hash of a link is kept.
create table calendar_link (
  id uuid not null,
  firm_id uuid not null references firm (id),
  primary key (firm_id, id),
  crew_id uuid,
  client_id uuid,
  token_hash text not null,
  made_by uuid not null,
  made_at timestamptz not null,
  last_used_at timestamptz,
  revoked_at timestamptz,
  check (num_nonnulls(crew_id, client_id) = 1),
  foreign key (firm_id, crew_id) references crew (firm_id, id),
  foreign key (firm_id, client_id) references client (firm_id, id),
  foreign key (firm_id, made_by) references person (firm_id, id)
);
create unique index calendar_link_token on calendar_link (firm_id, token_hash);
create index calendar_link_presented on calendar_link (token_hash);
create index calendar_link_crew on calendar_link (firm_id, crew_id) where revoked_at is null;
create index calendar_link_client on calendar_link (firm_id, client_id) where revoked_at is null;
alter table calendar_link enable row level security;
alter table calendar_link force row level security;
create policy own_firm on calendar_link using (firm_id = current_firm()) with check (firm_id = current_firm());
-- Whoever holds the link is known before the firm is.
create policy presented on calendar_link for select using (token_hash = presented_token());
grant select, insert on calendar_link to elmhorn_app;
grant update (last_used_at, revoked_at) on calendar_link to elmhorn_app;
create trigger note_change after update of revoked_at on calendar_link
  for each row execute function note_change('calendar_link');

create index job_crew on job (firm_id, crew_id, on_date) where crew_id is not null;

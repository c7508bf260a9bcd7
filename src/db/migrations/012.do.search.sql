-- One table to find things by: what each is called, lower case. Kept by triggers, so that no step can forget it.
create extension if not exists pg_trgm;
create extension if not exists btree_gin;

create table search_entry (
  firm_id uuid not null references firm (id),
  kind text not null check (kind in ('tree', 'site', 'client', 'person', 'card', 'record')),
  id uuid not null,
  words text collate "C" not null,
  primary key (firm_id, kind, id)
);
create index search_entry_prefix on search_entry (firm_id, words);
create index search_entry_parts on search_entry using gin (firm_id, words gin_trgm_ops);

create function keep_search() returns trigger language plpgsql as $$
declare
  called text;
begin
  called := case tg_argv[0]
    when 'tree' then to_jsonb(new)->>'tag'
    when 'record' then 'record ' || (to_jsonb(new)->>'seq')
    when 'card' then (to_jsonb(new)->>'name') || ' ' || (to_jsonb(new)->>'code')
    else to_jsonb(new)->>'name' end;
  insert into search_entry (firm_id, kind, id, words) values (new.firm_id, tg_argv[0], new.id, lower(called))
  on conflict (firm_id, kind, id) do update set words = excluded.words;
  return null;
end $$;
create trigger keep_search after insert or update of tag on tree for each row execute function keep_search('tree');
create trigger keep_search after insert or update of name on site for each row execute function keep_search('site');
create trigger keep_search after insert or update of name on client for each row execute function keep_search('client');
create trigger keep_search after insert or update of name on person for each row execute function keep_search('person');
create trigger keep_search after insert on label_card for each row execute function keep_search('card');
create trigger keep_search after insert on record for each row execute function keep_search('record');

insert into search_entry select firm_id, 'tree', id, lower(tag) from tree;
insert into search_entry select firm_id, 'site', id, lower(name) from site;
insert into search_entry select firm_id, 'client', id, lower(name) from client;
insert into search_entry select firm_id, 'person', id, lower(name) from person;
insert into search_entry select firm_id, 'card', id, lower(name || ' ' || code) from label_card;
insert into search_entry select firm_id, 'record', id, 'record ' || seq from record;

alter table search_entry enable row level security;
create policy own_firm on search_entry using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert, update on search_entry to elmhorn_app;

-- What begins with the words, then what has them in it, then what is spelt like them. The operators that know parts of
-- words may not look behind a fence, so this runs as the owner of the table, on the one firm of the transaction.
create function find_called(q text, most int)
returns table (kind text, id uuid, words text, how text)
language plpgsql stable security definer set search_path = public, pg_temp as $$
declare
  firm uuid := current_firm();
  like_q text := replace(replace(replace(q, '\', '\\'), '%', '\%'), '_', '\_');
  got int;
begin
  return query select e.kind, e.id, e.words::text, 'begins' from search_entry e
    where e.firm_id = firm and e.words >= q and e.words < q || chr(1114111)
    order by e.words, e.kind, e.id limit most;
  get diagnostics got = row_count;
  if got >= most or length(q) < 3 then return; end if;
  return query select e.kind, e.id, e.words::text, 'has' from search_entry e
    where e.firm_id = firm and e.words like '%' || like_q || '%' and not (e.words >= q and e.words < q || chr(1114111))
    limit most - got;
  get diagnostics got = row_count;
  if got > 0 or length(q) < 4 or exists (
    select 1 from search_entry e where e.firm_id = firm and e.words >= q and e.words < q || chr(1114111)) then return; end if;
  return query select e.kind, e.id, e.words::text, 'like' from search_entry e
    where e.firm_id = firm and e.words % q order by similarity(e.words, q) desc, e.words limit most;
end $$;
revoke all on function find_called(text, int) from public;
grant execute on function find_called(text, int) to elmhorn_app;

create index tree_host on tree (firm_id, host, tag, id) where status = 'standing';

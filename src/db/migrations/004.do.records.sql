-- The legal record: entries are added, never changed and never taken away. Each carries the hash of the one before.
create table record (
  id uuid primary key,
  firm_id uuid not null references firm (id),
  seq bigint not null,
  kind text not null check (kind in ('application', 'correction')),
  -- A correction points at the entry it corrects.
  corrects uuid,
  tree_id uuid not null,
  site_id uuid not null,
  job_item_id uuid,
  signed_at timestamptz not null,
  signed_by uuid not null,
  body jsonb not null,
  prev_hash text not null,
  hash text not null,
  unique (firm_id, id),
  unique (firm_id, seq),
  foreign key (firm_id, corrects) references record (firm_id, id),
  foreign key (firm_id, tree_id) references tree (firm_id, id),
  foreign key (firm_id, site_id) references site (firm_id, id),
  foreign key (firm_id, job_item_id) references job_item (firm_id, id),
  check ((kind = 'correction') = (corrects is not null))
);
create unique index record_once_per_item on record (firm_id, job_item_id) where kind = 'application' and job_item_id is not null;
create index record_tree on record (firm_id, tree_id, seq desc);

-- What the hash covers, one line a field; the server recomputes it when it verifies the chain.
create function record_hash(r public.record) returns text language sql immutable as $$
  select encode(sha256(convert_to(concat_ws(E'\n',
    r.prev_hash, r.firm_id, r.seq, r.id, r.kind, coalesce(r.corrects::text, '-'), r.tree_id, r.site_id,
    coalesce(r.job_item_id::text, '-'), to_char(r.signed_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"'),
    r.signed_by, r.body::text), 'UTF8')), 'hex')
$$;

create function record_chain() returns trigger language plpgsql as $$
declare
  last public.record%rowtype;
begin
  -- Entries of a firm are numbered one after another.
  perform pg_advisory_xact_lock(hashtextextended(new.firm_id::text, 7));
  select * into last from record where firm_id = new.firm_id order by seq desc limit 1;
  new.seq := coalesce(last.seq, 0) + 1;
  new.prev_hash := coalesce(last.hash, repeat('0', 64));
  new.hash := record_hash(new);
  return new;
end $$;
create trigger record_chain before insert on record for each row execute function record_chain();

create function record_stands() returns trigger language plpgsql as $$
begin
  raise exception 'A record is never changed or deleted; add a correction instead.' using errcode = 'EL001';
end $$;
create trigger record_no_change before update or delete on record for each row execute function record_stands();
create trigger record_no_truncate before truncate on record for each statement execute function record_stands();

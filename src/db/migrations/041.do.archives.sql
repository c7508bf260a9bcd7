-- A firm is put back whole, whatever points at what within it: inside one transaction, the order is free.
do $$
declare
  k record;
begin
  for k in select conrelid::regclass as own, conname from pg_constraint
           where contype = 'f' and connamespace = 'public'::regnamespace and not condeferrable loop
    execute format('alter table %s alter constraint %I deferrable initially immediate', k.own, k.conname);
  end loop;
end $$;

-- True while the owner of the tables puts this firm back; nobody else can make it true.
create function restoring(firm uuid) returns boolean language sql stable as $$
  select current_setting('elmhorn.restoring', true) = firm::text
    and current_user = (select pg_get_userbyid(relowner) from pg_class where oid = 'public.record'::regclass)
$$;

create or replace function record_chain() returns trigger language plpgsql as $$
declare
  last public.record%rowtype;
begin
  -- What is put back is taken as it was entered, if it is what its hash says.
  if restoring(new.firm_id) then
    if new.hash is distinct from record_hash(new) then
      raise exception 'record % was changed: its hash is not that of its text', new.seq using errcode = 'EL003';
    end if;
    return new;
  end if;
  -- Entries of a firm are numbered one after another.
  perform pg_advisory_xact_lock(hashtextextended(new.firm_id::text, 7));
  select * into last from record where firm_id = new.firm_id order by seq desc limit 1;
  new.seq := coalesce(last.seq, 0) + 1;
  new.prev_hash := coalesce(last.hash, repeat('0', 64));
  new.hash := record_hash(new);
  return new;
end $$;

create or replace function examination_stands() returns trigger language plpgsql as $$
declare
  of uuid := coalesce(new.assessment_id, old.assessment_id);
begin
  if restoring(coalesce(new.firm_id, old.firm_id)) then return coalesce(new, old); end if;
  if exists (select 1 from diagnosis d where d.firm_id = coalesce(new.firm_id, old.firm_id) and d.assessment_id = of) then
    raise exception 'the examination % is signed', of using errcode = 'EL002';
  end if;
  return coalesce(new, old);
end $$;

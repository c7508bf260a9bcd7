-- What happens to a lot beside what records use of it: bought, opened, spilled, given back, counted. Nothing of it is changed; a count stands
-- above all before it.
create table stock_move (
  id uuid not null,
  firm_id uuid not null references firm (id) deferrable initially immediate,
  primary key (firm_id, id),
  lot_id uuid not null,
  kind text not null check (kind in ('bought', 'opened', 'spilled', 'given back', 'counted')),
  -- m³ or kg.
  amount double precision check (amount >= 0 and amount < 1e6),
  measure text check (measure in ('volume', 'mass')),
  words text check (length(words) between 1 and 500),
  by_person uuid not null,
  -- By the device.
  at timestamptz not null,
  foreign key (firm_id, lot_id) references lot (firm_id, id) deferrable initially immediate,
  foreign key (firm_id, by_person) references person (firm_id, id) deferrable initially immediate,
  check ((amount is null) = (measure is null)),
  check (kind = 'opened' or amount is not null)
);
create index stock_move_of_lot on stock_move (firm_id, lot_id, at);
-- The least of a card that is to be there; the newest holds, none where it is empty.
create table stock_least (
  id uuid not null,
  firm_id uuid not null references firm (id) deferrable initially immediate,
  primary key (firm_id, id),
  card_code text not null,
  amount double precision check (amount > 0 and amount < 1e6),
  measure text check (measure in ('volume', 'mass')),
  by_person uuid not null,
  at timestamptz not null,
  foreign key (firm_id, by_person) references person (firm_id, id) deferrable initially immediate,
  check ((amount is null) = (measure is null))
);
create index stock_least_of_card on stock_least (firm_id, card_code, at desc);
create index application_of_lot on application (firm_id, lower(lot), ended_at);
alter table stock_move enable row level security;
alter table stock_move force row level security;
create policy own_firm on stock_move using (firm_id = current_firm()) with check (firm_id = current_firm());
alter table stock_least enable row level security;
alter table stock_least force row level security;
create policy own_firm on stock_least using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert on stock_move, stock_least to elmhorn_app;

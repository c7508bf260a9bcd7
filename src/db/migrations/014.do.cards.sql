-- A card is what is known of a product; its uses say how it may be put on, each by one method with terms of its own.
alter table label_card rename to card;
alter table card
  add column kind text not null default 'label' check (kind in ('label', 'house')),
  add column entered_at timestamptz,
  add column entered_by uuid,
  add foreign key (firm_id, entered_by) references person (firm_id, id);
alter table card alter column registration drop not null;
alter table lot rename column label_code to card_code;

create table card_use (
  firm_id uuid not null references firm (id),
  id uuid not null,
  card_id uuid not null,
  n integer not null,
  -- Its shape is that of the method; a new method needs no change here.
  method text not null,
  body jsonb not null,
  primary key (firm_id, id),
  unique (firm_id, card_id, n),
  foreign key (firm_id, card_id) references card (firm_id, id)
);
alter table card_use enable row level security;
alter table card_use force row level security;
create policy own_firm on card_use using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert on card_use to elmhorn_app;

insert into card_use (firm_id, id, card_id, n, method, body)
select firm_id, gen_random_uuid(), id, 1, 'trunk-injection',
  jsonb_build_object('hosts', body->'hosts', 'targets', body->'targets', 'forbiddenOnFood', body->'forbiddenOnFood',
    'foodCrops', coalesce((select jsonb_agg(jsonb_build_object('host', crop, 'harvestDays', 0))
      from jsonb_array_elements(body->'foodCrops') crop), '[]'),
    'reentryHours', body->'reentryHours', 'beeCaution', body->'beeCaution', 'waterCaution', body->'waterCaution',
    'protectiveGear', body->'protectiveGear', 'terms', (body->'use') - 'method')
from card;
update card set body = jsonb_build_object('formulation', body->'formulation', 'actives', body->'actives',
  'signalWord', body->'signalWord', 'example', body->'example');

-- What was prescribed rests on a use of a card.
alter table prescription_item add column card_use_id uuid;
alter table prescription_item disable trigger user;
update prescription_item i set card_use_id = u.id from card_use u
where u.firm_id = i.firm_id and u.card_id = i.label_card_id;
alter table prescription_item enable trigger user;
alter table prescription_item
  alter column card_use_id set not null,
  add foreign key (firm_id, card_use_id) references card_use (firm_id, id),
  drop column label_card_id;

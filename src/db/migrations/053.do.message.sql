-- What was sent to a client about work, to whom, when and in which words. Nobody is told twice of the same.
create table message (
  id uuid not null,
  firm_id uuid not null references firm (id) deferrable initially immediate,
  primary key (firm_id, id),
  client_id uuid not null,
  job_id uuid not null,
  kind text not null check (kind in ('day', 'tomorrow', 'done')),
  -- The day it is about: work that was moved is told anew.
  about date not null,
  language text not null check (language ~ '^[a-z]{2}$'),
  name text not null check (length(name) between 1 and 200),
  address text not null check (length(address) between 3 and 320),
  subject text not null check (length(subject) between 1 and 300),
  body text not null check (length(body) between 1 and 5000),
  by_person uuid not null,
  at timestamptz not null,
  unique (firm_id, job_id, kind, about, address),
  foreign key (firm_id, client_id) references client (firm_id, id) deferrable initially immediate,
  foreign key (firm_id, job_id) references job (firm_id, id) deferrable initially immediate,
  foreign key (firm_id, by_person) references person (firm_id, id) deferrable initially immediate
);
create index message_of_client on message (firm_id, client_id, at desc);
alter table message enable row level security;
alter table message force row level security;
create policy own_firm on message using (firm_id = current_firm()) with check (firm_id = current_firm());
grant select, insert on message to elmhorn_app;

-- A device that is lost: its session is ended by whoever keeps the house, and what it keeps is emptied when it next asks.
alter table session add column empties boolean not null default false;
grant update (empties) on session to elmhorn_app;

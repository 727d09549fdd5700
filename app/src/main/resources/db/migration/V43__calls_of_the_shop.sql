-- What the shop signs its calls with, sealed; empty where it makes none.
alter table shop_connection add column signs varchar(2000) default '' not null;

-- The numbers of calls that came from the shop: none counts twice.
create table shop_call (
  number varchar(200) primary key,
  came_at timestamp with time zone not null
);

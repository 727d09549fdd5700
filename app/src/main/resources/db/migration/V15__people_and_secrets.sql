-- A second factor (RFC 6238): its sealed secret, hashes of recovery codes not yet used, and the last time step that was accepted.
alter table person add column second_factor varchar(400);
alter table person add column recovery varchar(2000) default '' not null;
alter table person add column last_step bigint default 0 not null;

-- What the owner has decided about the house; what isn't here is as usual.
create table house_setting (
  name varchar(60) primary key,
  setting varchar(2000) not null
);

-- Who did what, when and from where. Rows are added and never changed.
create table log_entry (
  id bigint generated always as identity primary key,
  noted_at timestamp with time zone not null,
  who varchar(200) not null,
  event varchar(40) not null,
  about varchar(400) not null,
  detail varchar(2000) not null,
  address varchar(100) not null,
  product_id bigint
);
create index log_entry_by_product on log_entry (product_id, id);

-- Hosts that text models may be asked at.
create table model_host (
  host varchar(260) primary key,
  allowed_by varchar(200) not null,
  allowed_at timestamp with time zone not null
);
insert into model_host (host, allowed_by, allowed_at)
  select distinct regexp_replace(address, '^https?://([^/]+).*$', '$1'), made_by, made_at from model_connection c
  where made_at = (select min(made_at) from model_connection d
    where regexp_replace(d.address, '^https?://([^/]+).*$', '$1') = regexp_replace(c.address, '^https?://([^/]+).*$', '$1'));

-- Where the shop is, and the sealed word that lets Rhetor write there.
create table shop_connection (
  id int primary key,
  address varchar(500) not null,
  secret varchar(2000) not null,
  said_by varchar(200) not null,
  said_at timestamp with time zone not null,
  constraint one_shop check (id = 1)
);

-- Sealed, a key takes more room.
alter table model_connection alter column secret varchar(3000);

-- A named set of products worked on together; a product is in one at most, so that one style holds for it.
create table product_range (
  id bigint generated always as identity primary key,
  name varchar(80) not null,
  name_key varchar(80) generated always as (lower(name)) unique,
  made_by varchar(200) not null,
  made_at timestamp with time zone not null
);

create table in_range (
  product_id bigint primary key references product on delete cascade,
  range_id bigint not null references product_range on delete cascade
);
create index in_range_by_range on in_range (range_id, product_id);

-- What a range decides otherwise than the house.
create table range_style (
  range_id bigint primary key references product_range on delete cascade,
  version int not null,
  layer varchar(2000000) not null,
  made_by varchar(200) not null,
  made_at timestamp with time zone not null
);

-- Lines that texts carry for a time; without a range they are for the whole house.
create table angle (
  id bigint generated always as identity primary key,
  range_id bigint references product_range on delete cascade,
  name varchar(80) not null,
  line varchar(200) not null,
  first_day date not null,
  last_day date not null,
  -- Whether texts have been told that it holds.
  in_force boolean default false not null,
  made_by varchar(200) not null,
  made_at timestamp with time zone not null
);

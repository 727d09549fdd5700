create table person (
  id bigint generated always as identity primary key,
  email varchar(200) not null unique,
  name varchar(120) not null,
  role varchar(10) not null check (role in ('OWNER', 'EDITOR', 'WRITER', 'READER')),
  password varchar(200) not null,
  created_at timestamp with time zone not null
);

create table intake (
  id bigint generated always as identity primary key,
  kind varchar(10) not null check (kind in ('SHEET', 'HAND', 'PASTE', 'SHOP', 'PICTURES')),
  supplier varchar(120) not null,
  file_name varchar(255) not null,
  -- What only sheets have: the file's copy, how it is written, how it is read, how it differs from the one before.
  stored_as varchar(80),
  layout varchar(1000000),
  reading varchar(1000000),
  changes varchar(1000000),
  seen boolean default false not null,
  status varchar(10) not null check (status in ('PROPOSED', 'TAKING', 'TAKEN', 'TAKEN_BACK')),
  result varchar(1000000),
  created_by varchar(200) not null,
  created_at timestamp with time zone not null
);

create index intake_by_supplier on intake (supplier, id);

-- How a supplier's last sheet was read.
create table known_reading (
  supplier varchar(120) primary key,
  reading varchar(1000000) not null,
  profiles varchar(1000000) not null
);

-- Each refill of the cache is a commit of its own; an intake takes thousands.
create sequence product_id cache 10000;

create table variant_group (
  id bigint generated always as identity primary key,
  name varchar(400) not null
);

create table product (
  id bigint primary key,
  sku varchar(64) not null unique,
  name varchar(400) not null,
  brand varchar(120) not null,
  kind varchar(120) not null,
  product_class varchar(60) not null,
  keyword varchar(400) not null,
  stage varchar(10) not null check (stage in ('UNWRITTEN', 'DRAFTED', 'IN_PROOF', 'SIGNED_OFF', 'PUBLISHED')),
  failed varchar(1000),
  stale boolean default false not null,
  readiness int default -1 not null,
  must_fix int default 0 not null,
  -- Essential facts that no source gives, and facts that the sources disagree about.
  missing int default 0 not null,
  disputed int default 0 not null,
  -- The text that counts. No foreign key: texts name their product, and a second index costs intakes a tenth.
  text_id bigint,
  page varchar(500),
  shop_version varchar(100)
);
create index product_by_readiness on product (readiness, id);

-- A table of its own: a column of product would need an index that each intake pays for.
create table variant (
  product_id bigint primary key references product on delete cascade,
  group_id bigint not null references variant_group on delete cascade
);

-- What an intake said of a product. Later intakes add rows and change none. The id is the intake's times ten million
-- plus the row's number, so that an intake's rows stand together without an index of their own.
create table product_source (
  id bigint primary key,
  product_id bigint not null references product,
  intake_id bigint generated always as (id / 10000000),
  row_no int generated always as (cast(mod(id, 10000000) as int)),
  -- Taken back with its intake.
  withdrawn boolean default false not null,
  facts varbinary(10000000) not null
);

create table typed_fact (
  product_id bigint not null references product on delete cascade,
  fact_id varchar(200) not null,
  label varchar(200) not null,
  text varchar(4000) not null,
  typed_by varchar(200) not null,
  typed_at timestamp with time zone not null,
  primary key (product_id, fact_id)
);

create table settlement (
  product_id bigint not null references product on delete cascade,
  fact_id varchar(200) not null,
  fact_value varchar(100000) not null,
  settled_by varchar(200) not null,
  settled_at timestamp with time zone not null,
  primary key (product_id, fact_id)
);

create table picture (
  id bigint generated always as identity primary key,
  -- The product it shows, as far as is known; proposed until a person has confirmed it.
  product_id bigint references product on delete set null,
  file_name varchar(255) not null,
  stored_as varchar(80) not null,
  -- Perceptual hash: near-duplicates differ in few of its bits.
  hash bigint not null,
  analysis varchar(100000) not null,
  confidence double precision not null,
  reason varchar(400) not null,
  status varchar(10) not null check (status in ('PROPOSED', 'CONFIRMED', 'UNMATCHED')),
  created_by varchar(200) not null,
  created_at timestamp with time zone not null,
  unique (stored_as, file_name)
);

-- Pictures that sources name. They are fetched only from hosts that the house allows; a file name has no host and
-- waits for a file of that name to be dropped.
create table picture_address (
  id bigint generated always as identity primary key,
  product_id bigint not null references product on delete cascade,
  intake_id bigint not null references intake,
  address varchar(2000) not null,
  host varchar(260) not null,
  file_name varchar(255) not null,
  named_by varchar(120) not null,
  status varchar(10) not null check (status in ('WAITING', 'FETCHED', 'FAILED')),
  tries int default 0 not null,
  not_before timestamp with time zone not null,
  trouble varchar(400) default '' not null,
  picture_id bigint references picture on delete set null,
  unique (product_id, address)
);
create index picture_address_by_status on picture_address (status, not_before, id);
create index picture_address_by_host on picture_address (host, status);
create index picture_address_by_file_name on picture_address (file_name);

create table picture_host (
  host varchar(260) primary key,
  allowed_by varchar(200) not null,
  allowed_at timestamp with time zone not null
);

create table house_name (
  id bigint generated always as identity primary key,
  kind varchar(10) not null check (kind in ('COLOUR', 'MATERIAL', 'SIZE', 'UNIT', 'OTHER')),
  written varchar(200) not null,
  printed varchar(200) not null,
  unique (kind, written)
);

-- The alphabet. Filled in order at the end of an intake, it costs a third of an index filled at random; a foreign
-- key would bring such an index back.
create table product_name (
  name varchar(400) not null,
  product_id bigint not null,
  primary key (name, product_id)
);

create table run (
  id bigint generated always as identity primary key,
  status varchar(10) not null check (status in ('WAITING', 'RUNNING', 'DONE', 'STOPPED')),
  seed bigint not null,
  total int not null,
  created_by varchar(200) not null,
  created_at timestamp with time zone not null,
  finished_at timestamp with time zone
);

create table run_item (
  run_id bigint not null references run,
  product_id bigint not null references product,
  status varchar(10) not null check (status in ('WAITING', 'WRITTEN', 'FAILED', 'LEFT')),
  reason varchar(1000),
  primary key (run_id, product_id)
);
create index run_item_by_status on run_item (run_id, status);
create index run_item_by_product on run_item (product_id, status);

create table text (
  id bigint generated always as identity primary key,
  product_id bigint not null references product,
  parent_id bigint references text,
  run_id bigint references run,
  author varchar(200) not null,
  origin varchar(10) not null check (origin in ('COMPOSER', 'HAND')),
  note varchar(200) not null,
  draft varchar(10000000) not null,
  audit varchar(10000000) not null,
  created_at timestamp with time zone not null
);
create index text_by_product on text (product_id, id);

-- Pages of the shop that show several products together, as they were pulled in.
create table category (
  shop_key varchar(200) primary key,
  name varchar(400) not null,
  text varchar(1000000) not null,
  pulled_at timestamp with time zone not null
);

create table category_product (
  shop_key varchar(200) not null references category on delete cascade,
  sku varchar(64) not null,
  primary key (shop_key, sku)
);
create index category_product_by_sku on category_product (sku);

-- Categories, then products pulled from the shop, page by page; the cursors are the last ones that came.
create table pull (
  id bigint generated always as identity primary key,
  intake_id bigint not null references intake,
  last_category varchar(200) not null,
  categories int not null,
  categories_done boolean not null,
  last_sku varchar(64) not null,
  pulled int not null,
  status varchar(10) not null check (status in ('RUNNING', 'DONE', 'FAILED')),
  trouble varchar(1000) not null,
  started_by varchar(200) not null,
  started_at timestamp with time zone not null
);

create table edition (
  id bigint generated always as identity primary key,
  status varchar(10) not null check (status in ('WAITING', 'RUNNING', 'DONE')),
  total int not null,
  created_by varchar(200) not null,
  created_at timestamp with time zone not null,
  finished_at timestamp with time zone
);

create table edition_item (
  edition_id bigint not null references edition,
  product_id bigint not null references product,
  text_id bigint not null references text,
  status varchar(10) not null check (status in ('WAITING', 'PUBLISHED', 'FAILED')),
  reason varchar(1000),
  page varchar(500),
  primary key (edition_id, product_id)
);

create table scheduled_tasks (
  task_name varchar(100) not null,
  task_instance varchar(100) not null,
  task_data blob,
  execution_time timestamp(6) with time zone not null,
  picked boolean not null,
  picked_by varchar(50),
  last_success timestamp(6) with time zone,
  last_failure timestamp(6) with time zone,
  consecutive_failures int,
  last_heartbeat timestamp(6) with time zone,
  version bigint not null,
  priority smallint,
  primary key (task_name, task_instance)
);
create index scheduled_tasks_by_time on scheduled_tasks (execution_time);
create index scheduled_tasks_by_heartbeat on scheduled_tasks (last_heartbeat);

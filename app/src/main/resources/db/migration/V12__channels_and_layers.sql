create table channel (
  id bigint generated always as identity primary key,
  name varchar(80) not null,
  name_key varchar(80) generated always as (lower(name)) unique,
  -- Null where it is written as the house spells.
  spelling varchar(10) check (spelling in ('BRITISH', 'AMERICAN')),
  takes_markup boolean not null,
  made_by varchar(200) not null,
  made_at timestamp with time zone not null
);

-- What a part of the house decides otherwise: a range or channel by its id, a language by its name.
-- The highest version counts.
create table style_layer (
  kind varchar(10) not null check (kind in ('RANGE', 'CHANNEL', 'LANGUAGE')),
  owner varchar(20) not null,
  version int not null,
  layer varchar(2000000) not null,
  note varchar(200) not null,
  made_by varchar(200) not null,
  made_at timestamp with time zone not null,
  primary key (kind, owner, version)
);

insert into style_layer (kind, owner, version, layer, note, made_by, made_at)
  select 'RANGE', cast(range_id as varchar(20)), version, layer, '', made_by, made_at from range_style;

drop table range_style;

-- How texts are built; every version stays.
create table template (
  id bigint generated always as identity primary key,
  name varchar(80) not null,
  name_key varchar(80) generated always as (lower(name)) unique,
  version int not null
);

create table template_version (
  template_id bigint not null references template on delete cascade,
  version int not null,
  body varchar(2000000) not null,
  made_by varchar(200) not null,
  made_at timestamp with time zone not null,
  primary key (template_id, version)
);

alter table run add column template_id bigint references template on delete set null;

-- The template that a product's texts were built after last; its limits hold for them from then on.
create table built_after (
  product_id bigint primary key references product on delete cascade,
  template_id bigint not null references template on delete cascade
);
create index built_after_by_template on built_after (template_id);

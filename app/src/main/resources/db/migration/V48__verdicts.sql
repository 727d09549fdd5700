-- What people think of wordings, each of one that stood in a product's text.
create table wording_verdict (
  product_id bigint not null,
  concept varchar(200) not null,
  form varchar(20) not null,
  wording varchar(400) not null,
  good boolean not null,
  why varchar(400) not null,
  sentence varchar(1000) not null,
  given_by varchar(200) not null,
  given_at timestamp with time zone not null,
  primary key (product_id, concept, wording, given_by),
  foreign key (product_id) references product (id) on delete cascade
);
create index wording_verdict_of on wording_verdict (concept, wording);

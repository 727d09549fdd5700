-- Facts that people took out of sentences, product by product: what is taken out often is offered to be left to the list.
create table struck_fact (
  product_id bigint not null references product (id) on delete cascade,
  concept varchar(200) not null,
  label varchar(300) not null,
  struck_by varchar(200) not null,
  struck_at timestamp with time zone not null,
  primary key (product_id, concept)
);

create index struck_fact_by_concept on struck_fact (concept);

-- Kinds of facts that go on being told, and are not offered again.
create table struck_fact_left (
  concept varchar(200) not null primary key,
  left_by varchar(200) not null
);

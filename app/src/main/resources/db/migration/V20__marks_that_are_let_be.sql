-- Marks that a person has overruled: they aren't raised again for that sentence of that product.
create table let_be (
  id bigint generated always as identity primary key,
  product_id bigint not null references product (id) on delete cascade,
  check_name varchar(60) not null,
  sentence varchar(1000) not null,
  words varchar(500) not null,
  said_by varchar(200) not null,
  said_at timestamp with time zone not null,
  constraint let_be_once unique (product_id, check_name, sentence, words)
);

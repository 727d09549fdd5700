-- Supporting keywords and required words of single products, as a layer over the style of their range.
create table product_words (
  product_id bigint primary key references product on delete cascade,
  layer varchar(100000) not null
);

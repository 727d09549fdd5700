-- Products whose facts have changed since their text was checked.
create table to_recheck (
  product_id bigint primary key references product on delete cascade
);

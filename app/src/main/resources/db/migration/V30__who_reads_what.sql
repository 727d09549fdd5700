-- Who is to read which texts. A person who leaves the house leaves the texts to whoever takes them next.
create table assignment (
  product_id bigint primary key references product on delete cascade,
  reader_id bigint not null references person on delete cascade,
  assigned_by varchar(200) not null,
  assigned_at timestamp with time zone not null
);
create index assignment_by_reader on assignment (reader_id, product_id);

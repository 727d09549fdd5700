-- What people said that a column of a heading is; the last word of each supplier's sheets. It counts for like columns of any supplier.
create table column_answer (
  id bigint generated always as identity primary key,
  heading varchar(200) not null,
  heading_key varchar(200) not null,
  meaning varchar(100) not null,
  supplier varchar(200) not null,
  said_by varchar(200) not null,
  said_at timestamp with time zone not null,
  constraint column_answer_of_supplier unique (heading_key, supplier)
);

-- What people say to each other about a product's text: of a passage of it, or of all.
create table text_comment (
  id bigint generated always as identity primary key,
  product_id bigint not null references product on delete cascade,
  -- The revision that was seen. No foreign key, as product has none.
  text_id bigint not null,
  -- Both empty where all of the text is meant.
  field varchar(40) not null,
  passage varchar(1000) not null,
  said varchar(1000) not null,
  said_by varchar(200) not null,
  said_at timestamp with time zone not null,
  settled_by varchar(200),
  settled_at timestamp with time zone
);

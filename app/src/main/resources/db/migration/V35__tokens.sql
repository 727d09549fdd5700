-- What lets programs work in the house; only a hash is kept of each.
create table token (
  id bigint generated always as identity primary key,
  name varchar(80) not null,
  hash char(64) not null unique,
  role varchar(10) not null,
  made_by_id bigint not null references person on delete cascade,
  made_at timestamp with time zone not null,
  ends_at timestamp with time zone not null,
  used_at timestamp with time zone
);

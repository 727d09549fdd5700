-- What became of files that were put into the watched folder. The same content is never taken twice.
create table folder_file (
  id bigint generated always as identity primary key,
  hash char(64) not null,
  name varchar(400) not null,
  outcome varchar(20) not null,
  reason varchar(2000) default '' not null,
  intake_id bigint,
  run_id bigint,
  put_back boolean default false not null,
  came_at timestamp with time zone not null
);
create index folder_file_by_hash on folder_file (hash);
create index folder_file_by_run on folder_file (put_back, run_id);

-- Runs that begin by themselves.
create table schedule (
  id bigint generated always as identity primary key,
  wanted varchar(100000) not null,
  rhythm varchar(10) not null,
  weekday int not null,
  at_time varchar(5) not null,
  zone varchar(60) not null,
  next_at timestamp with time zone,
  last_at timestamp with time zone,
  last_run bigint,
  last_said varchar(1000) default '' not null,
  set_by varchar(200) not null
);
create index schedule_due on schedule (next_at);

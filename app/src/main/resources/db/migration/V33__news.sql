-- What happened while nobody looked on, and whom it is told by mail or by a call of a program.
create table news (
  id bigint generated always as identity primary key,
  needs_person boolean not null,
  subject varchar(300) not null,
  detail varchar(2000) not null,
  link varchar(300) not null,
  happened_at timestamp with time zone not null
);

create table news_delivery (
  id bigint generated always as identity primary key,
  news_id bigint not null references news on delete cascade,
  way varchar(10) not null,
  address varchar(500) not null,
  tries int default 0 not null,
  next_at timestamp with time zone not null,
  is_done boolean default false not null,
  trouble varchar(500) default '' not null
);
create index news_delivery_due on news_delivery (is_done, next_at);

alter table person add column mail_wish varchar(10) default 'NEEDED' not null;

-- Runs that nobody waited for: begun by the watched folder or by a schedule.
alter table run add column unattended boolean default false not null;
alter table run add column about varchar(400) default '' not null;

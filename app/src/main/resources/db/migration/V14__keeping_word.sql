-- What only one may begin at a time; the row is locked by whoever does.
create table turn (
  what varchar(20) primary key
);
insert into turn (what) values ('RUN'), ('EDITION'), ('PULL'), ('OWNER'), ('STYLE');

-- When a person last put their word to the text that counts.
alter table product add column signed_at timestamp with time zone;

alter table run add column leaves_signed boolean default true not null;

-- What a request with a key of its own was answered, so that the same order twice is carried out once.
create table done_request (
  person varchar(200) not null,
  request_key varchar(100) not null,
  request varchar(1000) not null,
  -- 0 while it is being carried out.
  status int not null,
  content_type varchar(200) not null,
  body varchar(1000000) not null,
  made_at timestamp with time zone not null,
  primary key (person, request_key)
);
create index done_request_by_age on done_request (made_at);

-- What was sent to the shop, noted before it goes, so that our own is known again whatever happens on the way.
create table sent_text (
  id bigint generated always as identity primary key,
  product_id bigint not null references product on delete cascade,
  text_id bigint not null,
  hash char(64) not null,
  content varchar(10000000) not null,
  sent_at timestamp with time zone not null,
  unique (product_id, hash)
);

-- What somebody else had put into the shop when a text was to go there.
alter table edition_item add column theirs varchar(10000000);
alter table edition_item add column their_version varchar(100);

-- Whether an editor has said that a template may allow what the house doesn't.
alter table template_version add column approved boolean default true not null;

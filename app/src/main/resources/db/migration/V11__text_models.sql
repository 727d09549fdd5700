create table model_connection (
  id bigint generated always as identity primary key,
  name varchar(80) not null,
  name_key varchar(80) generated always as (lower(name)) unique,
  address varchar(500) not null,
  model varchar(200) not null,
  secret varchar(1000) not null,
  -- What a million tokens cost, as the house's account says.
  price_asked decimal(12, 4) not null,
  price_answered decimal(12, 4) not null,
  -- Most to be spent in a calendar month, 0 for no limit.
  monthly_most decimal(12, 2) not null,
  made_by varchar(200) not null,
  made_at timestamp with time zone not null
);

-- What a model answered to what it was asked: the same question is never paid for twice.
create table model_answer (
  hash char(64) primary key,
  answer varchar(1000000) not null,
  tokens_asked int not null,
  tokens_answered int not null
);

-- Each time that a model was asked, and what that cost; a new answer doesn't undo an old bill.
create table model_call (
  id bigint generated always as identity primary key,
  connection_id bigint references model_connection on delete set null,
  tokens_asked int not null,
  tokens_answered int not null,
  cost decimal(14, 6) not null,
  asked_by varchar(200) not null,
  asked_at timestamp with time zone not null
);
create index model_call_by_connection on model_call (connection_id, asked_at);

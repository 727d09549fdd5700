-- Words that people put in place of others in texts, product by product: what is done often is offered as the house's word.
create table word_change (
  id bigint generated always as identity primary key,
  product_id bigint not null references product (id) on delete cascade,
  word varchar(100) not null,
  instead varchar(100) not null,
  done_by varchar(200) not null,
  done_at timestamp with time zone not null,
  constraint word_change_once unique (product_id, word, instead)
);

create index word_change_by_word on word_change (word, instead);

-- Pairs of words that are not offered again.
create table word_change_left (
  word varchar(100) not null,
  instead varchar(100) not null,
  left_by varchar(200) not null,
  primary key (word, instead)
);

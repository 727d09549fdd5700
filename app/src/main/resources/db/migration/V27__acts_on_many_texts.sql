-- What a person did to many texts at once, with what each was before, so that it can be taken back as one act.
create table act (
  id bigint generated always as identity primary key,
  deed varchar(20) not null,
  texts int not null,
  done_by varchar(200) not null,
  done_at timestamp with time zone not null,
  taken_back_by varchar(200),
  taken_back_at timestamp with time zone
);

create table act_text (
  act_id bigint not null references act on delete cascade,
  product_id bigint not null references product on delete cascade,
  text_id bigint not null,
  stage varchar(10) not null,
  primary key (act_id, product_id)
);

-- What the house says that cells of a kind of fact mean, by what they say in small letters.
create table cell_in_words (
  fact_id varchar(200) not null,
  written varchar(1000) not null,
  words varchar(400) not null,
  said_by varchar(200) not null,
  said_at timestamp with time zone not null,
  primary key (fact_id, written)
);

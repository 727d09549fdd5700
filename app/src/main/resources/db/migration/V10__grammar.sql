-- What the grammar checker found in a sentence, whichever text it stands in; empty for nothing.
create table grammar_sentence (
  hash char(64) primary key,
  mistakes varchar(20000) not null
);

-- Texts whose sentences have all been checked.
create table grammar_text (
  text_id bigint primary key references text on delete cascade
);

-- Which words were put for which, where an act did that; the texts of such an act are the revisions it made.
alter table act add column what varchar(500) default '' not null;

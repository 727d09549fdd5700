-- A mark may be answered by a cell that a text model names. It is let be as long as the cell says what it said.
alter table let_be add column opinion_of varchar(200) default '' not null;
alter table let_be add column cell_label varchar(300) default '' not null;
alter table let_be add column cell varchar(1000) default '' not null;

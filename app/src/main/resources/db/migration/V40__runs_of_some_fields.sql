-- Which fields a run writes, by their codes with commas; none for all. How long they may be; 0 for as long as the house has them.
alter table run add column fields varchar(300) default '' not null;
alter table run add column most_characters int default 0 not null;
alter table run add column most_words int default 0 not null;

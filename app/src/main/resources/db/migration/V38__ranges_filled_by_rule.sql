-- Of which kind and by which maker products come into a range by themselves; empty for any, both empty for none.
alter table product_range add column kind varchar(200) default '' not null;
alter table product_range add column brand varchar(200) default '' not null;

alter table run add column voice varchar(40) default 'plain' not null;

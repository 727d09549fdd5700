-- What a text model said that a picture shows, as JSON; null where none was asked.
alter table picture add column told varchar(10000);

-- The lines that are printed on what a picture shows, as JSON; null where nobody has looked for them yet.
alter table picture add column printed varchar(100000);

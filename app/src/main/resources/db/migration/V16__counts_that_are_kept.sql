-- How many items of a run or an edition have which outcome, kept with each outcome.
alter table run add column written int default 0 not null;
alter table run add column failed int default 0 not null;
alter table run add column left_alone int default 0 not null;
update run r set
  written = (select count(*) from run_item i where i.run_id = r.id and i.status = 'WRITTEN'),
  failed = (select count(*) from run_item i where i.run_id = r.id and i.status = 'FAILED'),
  left_alone = (select count(*) from run_item i where i.run_id = r.id and i.status = 'LEFT');

alter table edition add column published int default 0 not null;
alter table edition add column failed int default 0 not null;
update edition e set
  published = (select count(*) from edition_item i where i.edition_id = e.id and i.status = 'PUBLISHED'),
  failed = (select count(*) from edition_item i where i.edition_id = e.id and i.status = 'FAILED');
create index edition_item_by_status on edition_item (status, edition_id);

-- Lists of one stage in the order of readiness.
create index product_by_stage on product (stage, readiness, id);

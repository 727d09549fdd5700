-- The next products of a run or an edition are the next in an index, however many wait.
drop index run_item_by_status;
create index run_item_by_status on run_item (run_id, status, product_id);
create index edition_item_next on edition_item (edition_id, status, product_id);

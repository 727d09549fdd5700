-- Whether the shop's products are pulled in before a schedule's run begins, and the pull that it waits for.
alter table schedule add column pulls_first boolean default false not null;
alter table schedule add column awaits_pull bigint;

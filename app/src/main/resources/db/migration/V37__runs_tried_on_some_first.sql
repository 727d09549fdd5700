-- For how many products a run writes before it waits for somebody to look at them; 0 for all at once.
alter table run add column tries int default 0 not null;

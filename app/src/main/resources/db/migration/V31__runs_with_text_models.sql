-- Who writes a run's texts, what may be spent on it, and why it waits.
alter table run drop constraint "RUN_STATUS_KNOWN";
alter table run add constraint "RUN_STATUS_KNOWN" check (case status when 'WAITING' then true when 'RUNNING' then true
  when 'PAUSED' then true when 'DONE' then true when 'STOPPED' then true else false end);
alter table run add column engine varchar(20) default 'COMPOSER' not null;
alter table run add column connection_id bigint references model_connection on delete set null;
alter table run add column amends varchar(20) default 'COMPOSE' not null;
alter table run add column most decimal(14, 2) default 0 not null;
alter table run add column falls_back boolean default false not null;
alter table run add column trouble varchar(1000) default '' not null;
alter table run add column goes_on_at timestamp with time zone;

alter table text drop constraint "TEXT_ORIGIN_KNOWN";
alter table text add constraint "TEXT_ORIGIN_KNOWN" check (case origin when 'COMPOSER' then true when 'HAND' then true when 'MODEL' then true else false end);

-- What was paid for which run.
alter table model_call add column run_id bigint references run on delete set null;
create index model_call_by_run on model_call (run_id);

-- Every decision about what Rhetor knows stays, so that words and settings of before can be had again.
create table knowledge_version (
  version bigint generated always as identity primary key,
  kind varchar(10) not null,
  id varchar(60) not null,
  state varchar(10) not null,
  body varchar(100000) not null,
  decided_by varchar(200) not null,
  decided_at timestamp with time zone not null
);

create index knowledge_version_of on knowledge_version (kind, id, version);

insert into knowledge_version (kind, id, state, body, decided_by, decided_at)
  select kind, id, state, body, decided_by, decided_at from house_knowledge order by decided_at;

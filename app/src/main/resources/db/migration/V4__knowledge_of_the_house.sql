-- What the house decided about a claim, a kind of fact (concept) or a kind of product (class): its own, another than
-- the one that ships, approved, or banned.
create table house_knowledge (
  kind varchar(10) not null check (kind in ('CLAIM', 'CONCEPT', 'CLASS')),
  id varchar(60) not null,
  state varchar(10) not null check (state in ('OWN', 'CHANGED', 'APPROVED', 'BANNED')),
  body varchar(100000) not null,
  decided_by varchar(200) not null,
  decided_at timestamp with time zone not null,
  primary key (kind, id)
);

insert into house_knowledge (kind, id, state, body, decided_by, decided_at)
  select 'CLAIM', id, state, claim, decided_by, decided_at from house_claim;

drop table house_claim;

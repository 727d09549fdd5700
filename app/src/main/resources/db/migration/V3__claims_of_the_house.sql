-- What the house decided about a claim: its own, another wording of one that ships, approved, or banned.
create table house_claim (
  id varchar(60) primary key,
  state varchar(10) not null check (state in ('OWN', 'CHANGED', 'APPROVED', 'BANNED')),
  claim varchar(100000) not null,
  decided_by varchar(200) not null,
  decided_at timestamp with time zone not null
);

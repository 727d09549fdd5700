-- What the house has decided about all its texts; every version stays.
create table house_style (
  version bigint generated always as identity primary key,
  body varchar(2000000) not null,
  note varchar(200) not null,
  made_by varchar(200) not null,
  made_at timestamp with time zone not null
);

-- What the checks found in the texts that count, counted by cause, so that an audit needn't read the texts.
create table finding (
  product_id bigint not null references product,
  field varchar(20) not null,
  cause varchar(40) not null,
  weight varchar(10) not null check (weight in ('MUST_FIX', 'WEIGH')),
  marks int not null,
  -- How many of them can be mended by computation.
  mendable int not null,
  primary key (product_id, field, cause, weight)
);
create index finding_by_cause on finding (cause, field, weight, product_id);

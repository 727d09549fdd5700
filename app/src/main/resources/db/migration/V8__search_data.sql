-- The search data that were taken in last.
create table search_intake (
  id bigint generated always as identity primary key,
  file_name varchar(255) not null,
  rows_read bigint not null,
  matched bigint not null,
  general bigint not null,
  unmatched bigint not null,
  skipped bigint not null,
  -- The first rows that were left out, with the reasons, as JSON.
  troubles varchar(100000) not null,
  taken_by varchar(200) not null,
  taken_at timestamp with time zone not null
);

-- The queries that matter most to each product.
create table search_query (
  product_id bigint not null references product on delete cascade,
  place int not null,
  query varchar(120) not null,
  page varchar(2000) not null,
  impressions bigint not null,
  clicks bigint not null,
  mean_position double precision not null,
  volume bigint not null,
  competition double precision not null,
  relevance double precision not null,
  primary key (product_id, place)
);

-- Pages that are found already by a keyword of the house.
create table ranking_page (
  keyword varchar(120) not null,
  page varchar(500) not null,
  mean_position double precision not null,
  clicks bigint not null,
  primary key (keyword, page)
);

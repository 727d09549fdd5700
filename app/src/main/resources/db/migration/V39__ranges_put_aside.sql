-- Ranges that are done with: their products keep what the range decides, and none come in.
alter table product_range add column is_aside boolean default false not null;

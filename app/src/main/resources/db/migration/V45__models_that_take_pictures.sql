-- Whether pictures may be sent with questions over a connection.
alter table model_connection add column takes_pictures boolean default false not null;

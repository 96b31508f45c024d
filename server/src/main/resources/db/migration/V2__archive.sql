-- What is archived is kept, and shown on the shelf only when it is asked for.
alter table mix add column archived boolean not null default false;

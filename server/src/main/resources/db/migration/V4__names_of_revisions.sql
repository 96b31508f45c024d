-- A revision never changes; that somebody gave it a name stands beside it.
create table revision_name (
  mix_id text not null,
  number integer not null,
  name text not null,
  primary key (mix_id, number),
  foreign key (mix_id, number) references mix_revision (mix_id, number)
);

-- Category maps, apart from any Mix.
create table kept_map (
  id text primary key,
  map jsonb not null,
  at timestamptz not null,
  removed_at timestamptz
);

-- Whole chains, apart from any Mix.
create table kept_chain (
  id text primary key,
  chain jsonb not null,
  at timestamptz not null,
  removed_at timestamptz
);

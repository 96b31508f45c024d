-- What is removed can be brought back for a while; then it goes, with what only it held.
alter table mix add column removed_at timestamptz;
alter table delivery add column removed_at timestamptz;
alter table print_run add column removed_at timestamptz;

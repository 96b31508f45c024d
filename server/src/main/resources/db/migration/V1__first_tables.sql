-- A Mix is a line of revisions; the row here names its head. version is the optimistic lock.
create table mix (
  id text primary key,
  name text not null,
  kind text not null,
  head integer not null,
  version bigint not null,
  created_at timestamptz not null,
  changed_at timestamptz not null
);

create table mix_revision (
  mix_id text not null references mix (id),
  number integer not null,
  parent integer,
  at timestamptz not null,
  says text not null,
  document jsonb not null,
  primary key (mix_id, number)
);

-- One row for each content in the audio store.
create table audio_file (
  sha256 text primary key,
  bytes bigint not null,
  received_at timestamptz not null,
  inspection jsonb not null
);

create table delivery (
  id text primary key,
  mix_id text not null references mix (id),
  name text not null,
  at timestamptz not null
);

create table delivered_file (
  id text primary key,
  delivery_id text not null references delivery (id),
  name text not null,
  received_at timestamptz not null,
  sha256 text references audio_file (sha256),
  fault text,
  category text not null,
  confidence double precision not null,
  because jsonb not null,
  sorted_by_hand boolean not null
);

create index delivered_file_delivery on delivered_file (delivery_id);
create index delivery_mix on delivery (mix_id);

create table print_run (
  id text primary key,
  mix_id text not null references mix (id),
  revision integer not null,
  outputs jsonb not null,
  state text not null,
  done double precision not null,
  cancel_asked boolean not null,
  message text,
  report jsonb,
  asked_at timestamptz not null,
  started_at timestamptz,
  ended_at timestamptz
);

create index print_run_mix on print_run (mix_id);

-- What happened once, such as loading the demo.
create table milestone (
  name text primary key,
  at timestamptz not null
);

-- db-scheduler's own table, as its documentation gives it for PostgreSQL.
create table scheduled_tasks (
  task_name text not null,
  task_instance text not null,
  task_data bytea,
  execution_time timestamp with time zone,
  picked boolean not null,
  picked_by text,
  last_success timestamp with time zone,
  last_failure timestamp with time zone,
  consecutive_failures int,
  last_heartbeat timestamp with time zone,
  version bigint not null,
  priority smallint,
  primary key (task_name, task_instance)
);

create index scheduled_tasks_execution_time on scheduled_tasks (execution_time);
create index scheduled_tasks_last_heartbeat on scheduled_tasks (last_heartbeat);

-- Measuring is a job: a content is known before it is measured.
alter table audio_file alter column inspection drop not null;
-- What was measured before more was asked: it says what it knows, and nothing wrong.
update audio_file set inspection = inspection || jsonb_build_object(
  'container', inspection->'header'->'container',
  'encoding', 'PCM',
  'notes', '{"trackNames":[],"info":{},"markers":[]}'::jsonb,
  'clippedRuns', '[]'::jsonb,
  'usedBits', 24,
  'unusableSamples', 0,
  'sound', '{"onsetsPerSecond":0,"activeShare":0,"activity":[]}'::jsonb);

alter table delivery add column client text;
alter table delivery add column artist text;
alter table delivery add column project text;

-- The microphone that a file was compared with, and what came of it.
alter table delivered_file add column beside text;
alter table delivered_file add column pair jsonb;
-- Steps of conforming that a person left out.
alter table delivered_file add column steps_off jsonb not null default '[]';
create index delivered_file_sha256 on delivered_file (sha256);

-- What a person corrected: names of just these words belong there.
create table sorting_rule (
  id text primary key,
  client text not null,
  words text not null,
  category text not null,
  at timestamptz not null,
  unique (client, words)
);

-- A large file on its way, in pieces; what has arrived of it lies in a file of this name.
create table upload (
  id text primary key,
  delivery_id text not null references delivery (id),
  name text not null,
  bytes bigint not null,
  at timestamptz not null,
  unique (delivery_id, name, bytes)
);

-- A revision is kept as what is different from its parent (a JSON Patch), with a whole one now and then.
alter table mix_revision alter column document drop not null;
alter table mix_revision add column changes jsonb;
alter table mix_revision alter column changes set compression lz4;
-- How many changes it is away from a whole one.
alter table mix_revision add column steps integer not null default 0;
-- The format of the whole one; nothing for those that were written before it was noted.
alter table mix_revision add column format integer;
alter table mix_revision add check ((document is null) <> (changes is null));

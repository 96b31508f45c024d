-- Where a person wants a file, whatever the plan thinks.
alter table delivered_file add column wish jsonb;
-- How seats are named after their files; null for the usual way.
alter table delivery add column seat_names text;
-- The recording of the same source whose sides stand the other way round, or the same.
alter table delivered_file add column swapped jsonb;

-- The number of the newest revision, which an edit counts on from: one question less at each edit.
alter table mix add column last integer;
update mix set last = (select max(number) from mix_revision where mix_id = mix.id);
alter table mix alter column last set not null;

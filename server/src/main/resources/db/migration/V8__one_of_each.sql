-- What the shelf shows of a Mix, so that it opens no document; null until it is looked at.
alter table mix add column summary jsonb;

-- What was asked for under an id is done once.
create table done_request (
  mix_id text not null references mix (id),
  request text not null,
  at timestamptz not null,
  primary key (mix_id, request)
);

-- Undo and redo walk by parents.
create index mix_revision_parent on mix_revision (mix_id, parent);
alter table mix_revision add foreign key (mix_id, parent) references mix_revision (mix_id, number);
create index mix_name on mix (name, kind);

-- A print run is of a revision; one of a Mix that is gone would be a row that nothing leads to.
delete from print_run where not exists (
  select 1 from mix_revision r where r.mix_id = print_run.mix_id and r.number = print_run.revision);
alter table print_run add foreign key (mix_id, revision) references mix_revision (mix_id, number);

-- One content under one name is in a delivery once. Should it be there twice, both stay.
with again as (
  select id, row_number() over (
    partition by delivery_id, name, sha256 order by received_at, id) as nth
  from delivered_file where sha256 is not null and fault is null)
update delivered_file set name = name || ' (again ' || again.nth || ')'
from again where again.id = delivered_file.id and again.nth > 1;
create unique index delivered_file_once on delivered_file (delivery_id, name, sha256)
  where sha256 is not null and fault is null;

-- What became of an upload, kept for a while for a page that did not hear it.
alter table upload add column done boolean not null default false;
alter table upload add column files jsonb not null default '[]';
alter table upload add column fault text;

-- Another take of the same name and length is another file: when it was changed tells them apart.
alter table upload add column changed bigint not null default 0;
alter table upload drop constraint upload_delivery_id_name_bytes_key;
create unique index upload_open on upload (delivery_id, name, bytes, changed) where not done;

-- A name that was refused is listed once, however often it is sent.
delete from delivered_file f using delivered_file newer
where f.sha256 is null and newer.sha256 is null
  and newer.delivery_id = f.delivery_id and newer.name = f.name
  and (newer.received_at, newer.id) > (f.received_at, f.id);
create unique index delivered_file_refused_once on delivered_file (delivery_id, name)
  where sha256 is null;

-- What counts as dead air in a delivery's files; nothing for the usual.
alter table delivery add column dead_air jsonb;

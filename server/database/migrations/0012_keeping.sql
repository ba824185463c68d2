-- What was erased stays erased: a backup from before is put right by this list when it is restored.
create table erased (
  client_id uuid primary key,
  at timestamptz not null default now()
);
-- Every backup that was tried, with what came of it.
create table backups (
  id bigint generated always as identity primary key,
  at timestamptz not null default now(),
  file text not null,
  bytes bigint,
  -- why there is none, in words; null where it was read back and is good
  problem text
);

select pg_temp.allow('select, insert', 'erased');
select pg_temp.allow('select', 'backups');

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

do $$
declare
  app text := current_setting('arch.app_role', true);
begin
  if app is null or app = '' or app = current_user then
    return;
  end if;
  execute format('grant select, insert on erased to %I', app);
  execute format('grant select on backups to %I', app);
end
$$;

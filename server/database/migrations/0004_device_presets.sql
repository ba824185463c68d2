-- Devices that a shop keeps to start others from.
create table device_presets (
  id uuid primary key default gen_random_uuid(),
  shop_id uuid not null references shops,
  name text not null,
  note text not null default '',
  device jsonb not null,
  made_by text,
  made_at timestamptz not null default now(),
  unique (shop_id, name)
);

do $$
declare
  app text := current_setting('arch.app_role', true);
begin
  if app is null or app = '' or app = current_user then
    return;
  end if;
  execute format('grant select, insert, delete on device_presets to %I', app);
end
$$;

-- Scans and casts as they came: the original bytes, never changed.
create table scans (
  id uuid primary key default gen_random_uuid(),
  shop_id uuid not null references shops,
  fitting_id uuid not null references fittings on delete cascade,
  side text check (side in ('left', 'right')),
  name text not null,
  format text not null,
  unit text not null,
  points integer not null,
  triangles integer not null,
  sha256 text not null,
  bytes bytea not null,
  made_by text,
  made_at timestamptz not null default now(),
  unique (fitting_id, sha256)
);
alter table scans alter column bytes set storage external;

do $$
declare
  app text := current_setting('arch.app_role', true);
begin
  if app is null or app = '' or app = current_user then
    return;
  end if;
  execute format('grant select, insert, delete on scans to %I', app);
end
$$;

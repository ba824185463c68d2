-- Norms by version, double readings of a shop's fitters, photographs of a client's old footwear.
create table norms (
  shop_id uuid not null references shops,
  version integer not null,
  content jsonb not null,
  made_by text,
  made_at timestamptz not null default now(),
  primary key (shop_id, version)
);

create table double_readings (
  id uuid primary key default gen_random_uuid(),
  shop_id uuid not null references shops,
  fitter text not null,
  what text not null,
  subject text not null,
  first_value double precision not null,
  second_value double precision not null,
  taken_on text not null
);
create index double_readings_by_shop on double_readings (shop_id, what);

create table photos (
  id uuid primary key default gen_random_uuid(),
  shop_id uuid not null references shops,
  fitting_id uuid not null references fittings on delete cascade,
  words text not null default '',
  width integer not null,
  height integer not null,
  jpeg bytea not null,
  made_by text,
  made_at timestamptz not null default now()
);
create index photos_by_fitting on photos (fitting_id);

do $$
declare
  app text := current_setting('arch.app_role', true);
begin
  if app is null or app = '' or app = current_user then
    return;
  end if;
  execute format('grant select, insert on norms to %I', app);
  execute format('grant select, insert, delete on double_readings, photos to %I', app);
end
$$;

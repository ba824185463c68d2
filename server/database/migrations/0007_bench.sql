-- The bench: a plan for each day, what each step really took, and logs of heat.
create table bench_plans (
  shop_id uuid not null references shops,
  day date not null,
  plan jsonb not null,
  version integer not null default 1,
  changed_by text,
  changed_at timestamptz not null default now(),
  primary key (shop_id, day)
);

create table bench_log (
  id bigint generated always as identity primary key,
  shop_id uuid not null references shops,
  fitting_id uuid references fittings on delete cascade,
  step text not null,
  foot text,
  did text not null,
  planned_min numeric(8, 2),
  actual_min numeric(8, 2),
  reason text,
  made_by text,
  made_at timestamptz not null default now()
);
create index bench_log_shop on bench_log (shop_id, made_at);

create table heat_logs (
  id uuid primary key,
  shop_id uuid not null references shops,
  fitting_id uuid references fittings on delete cascade,
  name text not null,
  apparatus text not null,
  heat_window text,
  readings jsonb not null default '[]',
  started_at timestamptz not null default now(),
  stopped_at timestamptz,
  made_by text
);
create index heat_logs_shop on heat_logs (shop_id, started_at);

do $$
declare
  app text := current_setting('arch.app_role', true);
begin
  if app is null or app = '' or app = current_user then
    return;
  end if;
  execute format('grant select, insert, update on bench_plans, heat_logs to %I', app);
  execute format('grant select, insert on bench_log to %I', app);
end
$$;

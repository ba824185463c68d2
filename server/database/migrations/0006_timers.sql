-- Timers of the bench. They stay when they are stopped: what was planned and what it took is the shop's log.
create table timers (
  id uuid primary key,
  shop_id uuid not null references shops,
  fitting_id uuid references fittings on delete cascade,
  step text,
  name text not null,
  planned_min numeric(7, 2) not null check (planned_min > 0),
  started_at timestamptz not null default now(),
  ends_at timestamptz,
  left_ms bigint,
  state text not null default 'running' check (state in ('running', 'paused', 'stopped')),
  stopped_at timestamptz,
  made_by text,
  check ((state = 'running') = (ends_at is not null))
);
create index timers_open on timers (shop_id) where state <> 'stopped';

do $$
declare
  app text := current_setting('arch.app_role', true);
begin
  if app is null or app = '' or app = current_user then
    return;
  end if;
  execute format('grant select, insert, update on timers to %I', app);
end
$$;

-- Shops, people, clients, fittings in versioned parts, visits, catalogue, audit trail.
create extension if not exists pg_trgm;

create table shops (
  id uuid primary key default gen_random_uuid(),
  name text not null,
  demo boolean not null default false,
  created_at timestamptz not null default now()
);

create table people (
  id uuid primary key default gen_random_uuid(),
  shop_id uuid not null references shops,
  name text not null,
  login text not null,
  role text not null check (role in ('owner', 'fitter', 'bench', 'reader')),
  password_hash text,
  one_time_code_hash text,
  demo boolean not null default false
);
create unique index people_login on people (lower(login));

-- Slows sign-in after failures; holds a hash of what was typed, never the name.
create table sign_in_failures (
  login_hash text primary key,
  failures integer not null,
  last_at timestamptz not null
);

create table clients (
  id uuid primary key default gen_random_uuid(),
  shop_id uuid not null references shops,
  code text not null,
  name text not null,
  details jsonb not null,
  version integer not null default 1,
  created_at timestamptz not null default now(),
  unique (shop_id, code)
);
create index clients_search on clients using gin (lower(name || ' ' || code) gin_trgm_ops);
create index clients_by_shop on clients (shop_id, lower(name));

-- One key per client encrypts what the audit trail holds about them; erasing the client drops it.
create table client_keys (
  client_id uuid primary key,
  key bytea not null
);

create table fittings (
  id uuid primary key default gen_random_uuid(),
  shop_id uuid not null references shops,
  client_id uuid not null references clients on delete cascade,
  opened_on date not null,
  created_at timestamptz not null default now()
);
create index fittings_by_client on fittings (client_id, opened_on desc);

create table fitting_parts (
  fitting_id uuid not null references fittings on delete cascade,
  part text not null,
  content jsonb not null,
  version integer not null,
  changed_by text,
  changed_at timestamptz not null default now(),
  primary key (fitting_id, part)
);

-- A command that arrives twice (the network ate the answer) is applied once.
create table applied_commands (
  id uuid primary key,
  fitting_id uuid not null references fittings on delete cascade,
  part text not null,
  version integer not null,
  at timestamptz not null default now()
);

create table visits (
  id uuid primary key default gen_random_uuid(),
  shop_id uuid not null references shops,
  fitting_id uuid not null references fittings on delete cascade,
  starts_at timestamptz not null,
  minutes integer not null default 45,
  reason text not null default '',
  state text not null default 'to-come' check (state in ('to-come', 'waiting', 'now', 'seen')),
  version integer not null default 1
);
create index visits_by_day on visits (shop_id, starts_at);

create table models (
  shop_id uuid not null references shops,
  id text not null,
  position integer not null,
  content jsonb not null,
  primary key (shop_id, id)
);

create table audit (
  id bigint generated always as identity primary key,
  shop_id uuid not null,
  at timestamptz not null default now(),
  person_id uuid,
  person_name text,
  client_id uuid,
  fitting_id uuid,
  action text not null,
  detail bytea
);
create index audit_by_client on audit (client_id, id desc);
create index audit_by_shop on audit (shop_id, id desc);

-- The application's role owns nothing: it works on rows, and can only add to the audit trail.
do $$
declare
  app text := current_setting('arch.app_role', true);
begin
  if app is null or app = '' or app = current_user then
    return;
  end if;
  execute format('grant usage on schema public to %I', app);
  execute format('grant select, insert, update, delete on shops, people, sign_in_failures, clients, client_keys, fittings, fitting_parts, applied_commands, visits, models to %I', app);
  execute format('grant select, insert on audit to %I', app);
end
$$;

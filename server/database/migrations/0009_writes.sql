-- Every change carries an id that the browser made. It is remembered in the transaction that keeps
-- the change, so that a change that is sent again is counted once and answered as the first time.
create table writes (
  id uuid primary key,
  shop_id uuid not null references shops on delete cascade,
  person_id uuid not null,
  route text not null,
  answer json,
  at timestamptz not null default now()
);
create index writes_at on writes (at) where answer is not null;

do $$
declare
  app text := current_setting('arch.app_role', true);
begin
  if app is null or app = '' or app = current_user then
    return;
  end if;
  execute format('grant select, insert, update on writes to %I', app);
end
$$;

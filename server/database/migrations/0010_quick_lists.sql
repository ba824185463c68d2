-- Lists of a large shop are read from their newest end, by an index, and no further.
create index fittings_newest on fittings (shop_id, opened_on desc, created_at desc);
create index audit_by_action on audit (shop_id, action, id desc);

-- What will be due, reckoned when something changes that it rests on, so that a day's list is one
-- look-up. A client whose list is not reckoned yet, or no longer right, has no day here.
alter table clients add column due_reckoned_at timestamptz;
alter table clients alter column due_reckoned_at set default now();
create index clients_due_stale on clients (id) where due_reckoned_at is null;

create table due_items (
  fitting_id uuid not null references fittings on delete cascade,
  client_id uuid not null references clients on delete cascade,
  shop_id uuid not null references shops on delete cascade,
  kind text not null,
  due_on date not null,
  tell_from date not null,
  tell_until date not null,
  words text not null
);
create index due_items_by_fitting on due_items (fitting_id);
create index due_items_by_client on due_items (client_id);
create index due_items_told on due_items (shop_id, tell_until, tell_from);

do $$
declare
  app text := current_setting('arch.app_role', true);
begin
  if app is null or app = '' or app = current_user then
    return;
  end if;
  execute format('grant select, insert, delete on due_items to %I', app);
end
$$;

-- The next code of a client is one after the longest and highest.
create index clients_by_code on clients (shop_id, length(code) desc, code desc)
  where code ~ '^HR-[0-9]{1,9}$';

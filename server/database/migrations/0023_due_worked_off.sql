-- What is due is worked off: each line has a name of its own that stays when its day moves, what was done about it
-- is written down one after the other, and letters to clients wait here until they are sent.
alter table due_items add column key text not null default '';
create table due_marks (
  id bigint generated always as identity primary key,
  shop_id uuid not null references shops,
  fitting_id uuid not null references fittings on delete cascade,
  key text not null,
  state text not null check (state in ('called', 'told', 'later', 'done', 'open')),
  until date,
  note text not null default '',
  made_by text not null,
  made_at timestamptz not null default now()
);
create index due_marks_by_line on due_marks (fitting_id, key, id desc);
select pg_temp.allow('select, insert', 'due_marks');

create table letters (
  id uuid primary key default gen_random_uuid(),
  shop_id uuid not null references shops,
  -- gone with the client
  client_id uuid not null references clients on delete cascade,
  mail text not null,
  subject text not null,
  body text not null,
  state text not null default 'waiting' check (state in ('waiting', 'sent', 'failed')),
  tries integer not null default 0,
  next_try_at timestamptz not null default now(),
  problem text,
  made_by text not null,
  made_at timestamptz not null default now(),
  sent_at timestamptz
);
create index letters_by_shop on letters (shop_id, made_at desc);
create index letters_waiting on letters (next_try_at) where state = 'waiting';
create index letters_by_client on letters (client_id);
select pg_temp.allow('select, insert, update, delete', 'letters');

-- Lines that stand there have no name yet: their clients are reckoned anew.
update clients set due_reckoned_at = null
where id in (select client_id from due_items)
  or id in (
    select f.client_id from fittings f join fitting_parts p on p.fitting_id = f.id
    where p.part in ('quotes', 'orders', 'jobs')
  );

-- Who is signed in where: a row that can be ended, locked and opened again.
create table sessions (
  id uuid primary key,
  person_id uuid not null references people on delete cascade,
  device text not null,
  begun_at timestamptz not null default now(),
  touched_at timestamptz not null default now(),
  locked_at timestamptz,
  -- wrong tries of the PIN since it was last right
  pin_tries integer not null default 0,
  ended_at timestamptz
);
create index sessions_by_person on sessions (person_id) where ended_at is null;

alter table people add column pin_hash text;
alter table shops add column lock_minutes integer not null default 10
  check (lock_minutes between 1 and 120);

-- Tries of signing in, counted before they are judged: by name and address together, by address, and
-- by name from addresses that never got it right. Keys are hashes: no name, no address is kept.
drop table sign_in_failures;
create table sign_in_tries (
  key text primary key,
  tries integer not null,
  last_at timestamptz not null default now()
);
-- Addresses from which a name once got in: tries from elsewhere do not keep it out there.
create table sign_in_known (
  key text primary key,
  at timestamptz not null default now()
);

select pg_temp.allow('select, insert, update', 'sessions');
select pg_temp.allow('select, insert, update, delete', 'sign_in_tries, sign_in_known');

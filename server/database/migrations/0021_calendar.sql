-- The calendar: in which chair a visit is, since when it stands as it does, why it was called off, and
-- visits that wait for a day (no time yet). Times at which somebody is not to be had come from calendar
-- files: only from when to when, nothing of what it is.
alter table visits
  add column chair smallint check (chair between 1 and 20),
  add column stands_since timestamptz not null default now(),
  add column note text not null default '',
  alter column starts_at drop not null,
  add constraint visits_have_a_time check (starts_at is not null or state in ('to-come', 'cancelled'));
create index visits_for_a_day on visits (shop_id, stands_since)
  where starts_at is null and state = 'to-come';

create table busy_times (
  shop_id uuid not null references shops,
  person_id uuid not null references people,
  -- what the file calls it, and which time of one that repeats
  uid text not null,
  starts_at timestamptz not null,
  ends_at timestamptz not null check (ends_at > starts_at),
  primary key (person_id, uid, starts_at)
);
create index busy_times_by_shop on busy_times (shop_id, starts_at);
select pg_temp.allow('select, insert, delete', 'busy_times');

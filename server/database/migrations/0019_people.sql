-- People of a shop over time: invited by a code that runs out, with what they can do and when they
-- work; whoever leaves keeps their name on what they did, and opens nothing any more.
alter table people
  add column left_at timestamptz,
  -- until when the one-time code opens; for the very first owner it is made anew at each start
  add column code_until timestamptz,
  add column skills text[] not null default '{}',
  -- weekdays worked, '1' Monday to '7' Sunday: {"1": {"from": "09:00", "to": "17:00"}}; {} is every day
  add column hours jsonb not null default '{}',
  -- days away: [{"from": "2026-12-24", "to": "2026-12-31"}]
  add column days_off jsonb not null default '[]';

-- What papers say of the shop, and how it opens: address, telephone, mail, tax number, initials
-- of client codes, hours.
alter table shops add column details jsonb not null default '{}';
-- Codes of clients begin as they did.
update shops set details = '{"initials": "HR"}'
where exists (select 1 from clients where shop_id = shops.id and code like 'HR-%');
-- The next code is one after the longest and highest, whatever a shop's initials are.
drop index clients_by_code;
create index clients_by_code on clients (shop_id, length(code) desc, code desc);

-- How somebody is reached, to find them by: digits of the telephone, mail, guardian, address.
alter table clients add column reach text not null generated always as (
  lower(
    regexp_replace(coalesce(details->>'phone', ''), '\D', '', 'g') || ' '
    || coalesce(details->>'mail', '') || ' ' || coalesce(details->>'guardian', '') || ' '
    || coalesce(details->>'address', '')
  )
) stored;
create index clients_reach on clients using gin (reach gin_trgm_ops) where reach <> '   ';

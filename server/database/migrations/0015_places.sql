-- The places of a shop: rooms in different houses, each with its chairs, apparatus, shelf, bench and
-- timers. Clients and their fittings are the whole shop's. Every shop has one place at least.
create table places (
  id uuid primary key default gen_random_uuid(),
  shop_id uuid not null references shops on delete cascade,
  name text not null check (length(name) between 1 and 60),
  position integer not null default 0,
  closed_at timestamptz
);
create unique index places_by_name on places (shop_id, lower(name)) where closed_at is null;
select pg_temp.allow('select, insert, update', 'places');

insert into places (shop_id, name) select id, left(name, 60) from shops;
create function found_place() returns trigger language plpgsql as $$
begin
  insert into places (shop_id, name) values (new.id, left(new.name, 60));
  return new;
end;
$$;
create trigger shop_has_a_place after insert on shops for each row execute function found_place();

create function first_place(shop uuid) returns uuid language sql stable as $$
  select id from places where shop_id = shop and closed_at is null order by position, name limit 1
$$;

-- Where somebody usually works, and where a session works now.
alter table people add column place_id uuid references places;
alter table sessions add column place_id uuid references places;
update sessions s set place_id = first_place(p.shop_id) from people p where p.id = s.person_id;
alter table sessions alter column place_id set not null;
-- Where a line of the trail was written; a place that is gone stays named by it.
alter table audit add column place_id uuid;

-- Where it happens. What is written without a place belongs to the shop's first.
create function stand_somewhere() returns trigger language plpgsql as $$
begin
  new.place_id := coalesce(new.place_id, first_place(new.shop_id));
  return new;
end;
$$;
do $$
declare
  those text;
begin
  foreach those in array array['fittings', 'visits', 'timers', 'heat_logs', 'bench_plans'] loop
    execute format('alter table %I add column place_id uuid references places', those);
    execute format('update %I set place_id = first_place(shop_id)', those);
    execute format('alter table %I alter column place_id set not null', those);
    execute format(
      'create trigger %I before insert on %I for each row execute function stand_somewhere()',
      those || '_somewhere', those);
  end loop;
end
$$;
-- Every place plans its own day.
alter table bench_plans drop constraint bench_plans_pkey;
alter table bench_plans add primary key (shop_id, place_id, day);

-- What lies on the shelf, by place and size: {"<place>": {"265": 2}}. It stands beside the model, so
-- that a catalogue that is read in anew changes the shelf of one place only.
alter table models add column stock jsonb not null default '{}';
update models set stock = jsonb_build_object(first_place(shop_id), coalesce(content->'stock', '{}')),
  content = jsonb_set(content, '{stock}', '{}');

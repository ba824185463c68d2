-- What became of every handed-over pair, reckoned when something changes that it rests on, so that
-- "what worked" is summed from what is kept. A fitting that is still to be reckoned has no day here.
create table outcomes (
  fitting_id uuid primary key references fittings on delete cascade,
  shop_id uuid not null references shops on delete cascade,
  opened_on date not null,
  outcome jsonb not null,
  reckoned_at timestamptz not null default clock_timestamp()
);
create index outcomes_by_shop on outcomes (shop_id, reckoned_at);

alter table fittings add column outcome_reckoned_at timestamptz;
alter table fittings alter column outcome_reckoned_at set default now();
update fittings set outcome_reckoned_at = now()
where not exists (
  select 1 from fitting_parts p
  where p.fitting_id = fittings.id and p.part = 'handover' and p.content ? 'on'
);
create index fittings_outcome_stale on fittings (id) where outcome_reckoned_at is null;

select pg_temp.allow('select, insert, delete', 'outcomes');

-- Which fittings are handed over, without reading what was handed over.
create index fitting_parts_handed_over on fitting_parts (fitting_id)
  where part = 'handover' and content ? 'on';

-- Visits are booked ahead, with whom, moved, called off, or nobody came.
alter table visits
  add column person_id uuid references people,
  drop constraint visits_state_check,
  add constraint visits_state_check
    check (state in ('to-come', 'waiting', 'now', 'seen', 'cancelled', 'absent'));
create index visits_by_person on visits (person_id, starts_at) where person_id is not null;
create index visits_by_fitting on visits (fitting_id, starts_at);

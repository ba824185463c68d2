-- What a fitting took off the shelf when it was handed over, so that it can be put back: one row a model
-- and size. Nothing lay there: no pair was taken, and none comes back. With the client the row goes, what
-- was sold stays sold.
create table shelf_taken (
  fitting_id uuid not null references fittings on delete cascade,
  model_id text not null,
  size_mm text not null,
  place_id uuid not null references places,
  pairs integer not null check (pairs in (0, 1)),
  primary key (fitting_id, model_id, size_mm)
);
select pg_temp.allow('select, insert, update, delete', 'shelf_taken');

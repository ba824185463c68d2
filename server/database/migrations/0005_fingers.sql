-- A fitter's own fingers behind a heel, mm: one, and two side by side. Null until they calibrated them.
alter table people add column finger_one_mm numeric(4, 1) check (finger_one_mm between 8 and 30);
alter table people add column finger_two_mm numeric(4, 1) check (finger_two_mm between 16 and 60);

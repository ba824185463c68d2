-- What is stored as a document says which version of the record it was written under, so that it
-- is brought to today's shape when it is read. All that is there was written under version 1.
alter table fitting_parts add column record_version integer not null default 1;
alter table device_presets add column record_version integer not null default 1;

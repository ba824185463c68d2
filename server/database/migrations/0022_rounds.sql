-- What comes back to the bench after handover is a round of its own: since when one is open stands with its fitting,
-- so that the few are found among all that were ever handed over.
alter table fittings add column round_opened_on date;
create function note_round() returns trigger language plpgsql as $$
declare
  gone boolean := tg_op = 'DELETE';
  opened date;
begin
  if not gone then
    select max((round->>'openedOn')::date) into opened
    from jsonb_array_elements(new.content) as round
    where not round ? 'handedOverOn';
  end if;
  update fittings set round_opened_on = opened
  where id = case when gone then old.fitting_id else new.fitting_id end
    and round_opened_on is distinct from opened;
  return case when gone then old else new end;
end;
$$;
create trigger round_noted after insert or update of content on fitting_parts
  for each row when (new.part = 'rounds') execute function note_round();
create trigger round_gone after delete on fitting_parts
  for each row when (old.part = 'rounds') execute function note_round();
create index fittings_in_round on fittings (shop_id, round_opened_on)
  where round_opened_on is not null;

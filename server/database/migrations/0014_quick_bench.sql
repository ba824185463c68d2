-- Fittings whose shells were checked against the prediction, without reading all that chose one.
create index fitting_parts_shell_checks on fitting_parts (fitting_id)
  where part = 'footwear' and content #> '{chosen,shellChecks,0}' is not null;

-- Whether a fitting is handed over stands with the fitting, so that the few that are open are found
-- among all that ever were. It follows what is written about the handover, by whatever way.
alter table fittings add column handed_over boolean not null default false;
update fittings set handed_over = true
where exists (
  select 1 from fitting_parts p
  where p.fitting_id = fittings.id and p.part = 'handover' and p.content ? 'on'
);
create function note_handover() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' then
    update fittings set handed_over = false where id = old.fitting_id and handed_over;
    return old;
  end if;
  update fittings set handed_over = new.content ? 'on'
  where id = new.fitting_id and handed_over is distinct from (new.content ? 'on');
  return new;
end;
$$;
create trigger handover_noted after insert or update of content on fitting_parts
  for each row when (new.part = 'handover') execute function note_handover();
create trigger handover_gone after delete on fitting_parts
  for each row when (old.part = 'handover') execute function note_handover();
create index fittings_open on fittings (shop_id, opened_on desc, created_at desc)
  where not handed_over;
-- Nobody asks the parts for it any more.
drop index fitting_parts_handed_over;

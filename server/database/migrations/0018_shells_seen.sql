-- Fittings whose shells were checked or worked on, of whatever model and for whichever device:
-- found without reading every fitting that has footwear.
drop index fitting_parts_shell_checks;
create index fitting_parts_shells_seen on fitting_parts (fitting_id)
  where part = 'footwear'
    and (content #> '{shellChecks,0}' is not null
      or content #> '{chosen,shellChecks,0}' is not null
      or content #> '{chosen,work,0}' is not null
      or content #> '{moreChosen,0}' is not null);

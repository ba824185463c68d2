-- Quotes are numbered through a shop, whoever gives them.
alter table shops add column last_quote_no integer not null default 0;

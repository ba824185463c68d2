-- A common word is found by walking the names in their order; with all that is looked at in the index
-- itself, no client is fetched for it.
drop index clients_by_shop;
create index clients_by_shop on clients (shop_id, lower(name)) include (id, name, code);

-- Up Migration

-- A standing list may be one client's own: its name is apart from the house's.
alter table measuring_list add column client_id bigint references client on delete cascade;
alter table measuring_list drop constraint measuring_list_name_key_key;
create unique index measuring_list_name on measuring_list ((coalesce(client_id, 0)), name_key);
create index measuring_list_client on measuring_list (client_id) where client_id is not null;

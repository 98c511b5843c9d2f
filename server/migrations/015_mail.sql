-- Up Migration

-- The mail server through which the house's letters go; until it is on, they are recorded only.
create table mail_server (
  only_one boolean primary key default true check (only_one),
  is_on boolean not null default false,
  host text not null default '',
  port integer not null default 587 check (port between 1 and 65535),
  security text not null default 'starttls' check (security in ('tls', 'starttls', 'none')),
  username text not null default '',
  -- what the mail server is told; it is answered to nobody and stands in no history
  secret text not null default '',
  version integer not null default 1
);
insert into mail_server default values;
-- Only there may sending be made to fail.
alter table house add column demo boolean not null default false;

-- A letter is written before it is handed to the mail server, with the key of the page it names: tried again, it is the same.
alter table carried add column page_key text not null default '';
alter table carried add column by_mail boolean not null default false;
do $$
declare name text;
begin
  for name in select conname from pg_constraint where conrelid = 'message'::regclass and contype = 'c'
    and pg_get_constraintdef(oid) like '%no-address%'
  loop execute format('alter table message drop constraint %I', name); end loop;
end $$;
alter table message add constraint message_state_known check (state in ('waiting', 'sent', 'dropped', 'no-address', 'refused'));

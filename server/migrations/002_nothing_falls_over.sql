-- Up Migration

-- Any earlier shape of the first migration comes to today's: a sheet agreed before sheets were kept as computed
-- has no `kept`; it is computed from its own spec when it is read.
alter table sheet add column if not exists kept jsonb;
do $$
declare name text;
begin
  for name in select conname from pg_constraint where conrelid = 'sheet'::regclass and contype = 'c'
    and pg_get_constraintdef(oid) like '%agreed_by%'
  loop execute format('alter table sheet drop constraint %I', name); end loop;
end $$;
alter table sheet add constraint sheet_agreed_by_somebody
  check (status = 'draft' or (spec is not null and agreed_by is not null and agreed_at is not null));

-- What is kept as it is stays so, but for the erasing of one client's data on request, which says so first.
create or replace function erasing() returns boolean language sql stable as $$
  select coalesce(current_setting('rocchetto.erasing', true), '') = 'on'
$$;
create or replace function sheet_is_kept() returns trigger language plpgsql as $$
begin
  if erasing() then return new; end if;
  if old.status <> 'draft' and (new.spec is distinct from old.spec or new.kept is distinct from old.kept or new.settings is distinct from old.settings
      or new.agreed_by is distinct from old.agreed_by or new.agreed_at is distinct from old.agreed_at) then
    raise exception 'an agreed sheet is kept as it is';
  end if;
  if old.status = 'cut' or (old.status = 'agreed' and new.status = 'draft') then
    raise exception 'a sheet does not go back';
  end if;
  return new;
end $$;
create or replace function fact_is_kept() returns trigger language plpgsql as $$
begin
  if erasing() then return coalesce(new, old); end if;
  raise exception 'readings and history are only added';
end $$;
drop trigger reading_is_kept on reading;
create trigger reading_is_kept before update or delete on reading for each row execute function fact_is_kept();
drop trigger history_is_kept on history;
create trigger history_is_kept before update or delete on history for each row execute function fact_is_kept();

-- One studio, one time zone; settings are changed on top of a version.
alter table house add column time_zone text not null default 'UTC';
alter table house add column version integer not null default 1;

-- A name is taken only while its bearer works here.
alter table staff drop constraint staff_name_key_key;
create unique index staff_name_active on staff (name_key) where active;

-- A key stays with its content; what is past its time is found by index.
alter table write_once add column content bytea;
create index write_once_at on write_once (at);
create index setup_link_expiry on setup_link (expires_at);
create index sign_in_tries_expire on sign_in_tries (expire);
create index sign_in_staff on sign_in (staff_id);
create index setup_link_staff on setup_link (staff_id);

-- Phone digits in a column of their own; `search` holds only what every role may read.
alter table client add column phone_digits text not null default '';
alter table client add column erased_at timestamptz;
update client set phone_digits = regexp_replace(phone, '[^0-9]', '', 'g');
update client set search = left(search, -(length(phone_digits) + 1))
 where phone_digits <> '' and search like '% ' || phone_digits;
create index client_phone on client using gin (phone_digits gin_trgm_ops);

-- How far an order has come is kept beside it, so that a list of 50 works out 50 and a stage has an index.
alter table orders add column stage text not null default 'asked'
  check (stage in ('asked', 'brief', 'measured', 'sheet', 'agreed', 'cut'));
-- Its own words and its client's, folded for searching.
alter table orders add column search text not null default '';
update orders o set
  stage = case
    when exists (select 1 from sheet s where s.order_id = o.id and s.status = 'cut') then 'cut'
    when (select s.status from sheet s where s.order_id = o.id order by s.revision desc limit 1) = 'agreed' then 'agreed'
    when exists (select 1 from sheet s where s.order_id = o.id) then 'sheet'
    when exists (select 1 from session m join reading r on r.session_id = m.id where m.order_id = o.id) then 'measured'
    when o.brief is not null then 'brief' else 'asked' end,
  search = (select trim(regexp_replace(regexp_replace(
      translate(replace(replace(replace(replace(
        lower(regexp_replace(normalize(o.number || ' ' || o.what || ' ' || o.occasion, nfd), '[̀-ͯ]', '', 'g')),
        'ß', 'ss'), 'æ', 'ae'), 'œ', 'oe'), 'þ', 'th'), 'øłđðıħ', 'olddih'),
      '[''’ʼ`]', '', 'g'), '\s+', ' ', 'g')) || ' ' || c.search
    from client c where c.id = o.client_id);
create index orders_search on orders using gin (search gin_trgm_ops);
-- The walks by date carry the words, so that looking for one among the nearest reads the index alone.
drop index orders_due;
create index orders_due on orders ((coalesce(due_on, 'infinity'::date)), id) include (due_on, search);
create index orders_open on orders ((coalesce(due_on, 'infinity'::date)), id) include (due_on, search, stage) where stage <> 'cut';
create index orders_cut on orders ((coalesce(due_on, 'infinity'::date)), id) include (due_on, search, stage) where stage = 'cut';
create index orders_stage on orders (stage, (coalesce(due_on, 'infinity'::date)), id);
create index orders_responsible on orders (responsible_id, (coalesce(due_on, 'infinity'::date)), id);

-- A first reading and every step of a sheet move the order's stage, whoever makes them.
create function order_is_measured() returns trigger language plpgsql as $$
begin
  update orders set stage = 'measured'
   where stage in ('asked', 'brief') and id in (select m.order_id from added a join session m on m.id = a.session_id);
  return null;
end $$;
create trigger order_is_measured after insert on reading referencing new table as added
  for each statement execute function order_is_measured();
create function order_has_sheet() returns trigger language plpgsql as $$
begin
  update orders o set stage = case new.status when 'draft' then 'sheet' else new.status end
   where o.id = new.order_id and o.stage <> 'cut'
     and o.stage <> case new.status when 'draft' then 'sheet' else new.status end;
  return null;
end $$;
create trigger order_has_sheet after insert or update of status on sheet for each row execute function order_has_sheet();

-- Up Migration

-- Nobody is in two places at one moment: a client neither. Several times offered for one appointment may lie upon each
-- other, since only one of them will be; nothing else of a client's may. Where two stood upon each other before this,
-- both stay as they are and the second keeps no place of its own.
alter table occupied add column client_id bigint references client;
alter table occupied add column appointment_id bigint references appointment on delete cascade;
alter table occupied drop constraint occupied_check1;
alter table occupied add constraint occupied_by_one
  check (num_nonnulls(staff_id, room_id, house, client_id) = 1 and (client_id is null) = (appointment_id is null));
alter table occupied add constraint client_once
  exclude using gist (client_id with =, appointment_id with <>, during with &&) where (client_id is not null);
create index occupied_client on occupied (client_id, appointment_id) where client_id is not null;
create index occupied_appointment on occupied (appointment_id) where appointment_id is not null;
create or replace function slot_is_kept() returns trigger language plpgsql as $$
begin
  if new.state = 'left' then
    delete from occupied where slot_id = new.id;
    return null;
  end if;
  if tg_op = 'INSERT' then
    insert into occupied (slot_id, house, during) values (new.id, 1, new.during);
    insert into occupied (slot_id, client_id, appointment_id, during)
      select new.id, a.client_id, a.id, new.during from appointment a where a.id = new.appointment_id;
    if new.room_id is not null then
      insert into occupied (slot_id, room_id, during)
        select new.id, new.room_id, with_buffer(new.during, a.buffer) from appointment a where a.id = new.appointment_id;
    end if;
  end if;
  return null;
end $$;
do $$
declare s record;
begin
  for s in select t.id, a.client_id, a.id as appointment_id, t.during from slot t join appointment a on a.id = t.appointment_id
    where t.state <> 'left' order by t.id
  loop
    insert into occupied (slot_id, client_id, appointment_id, during) values (s.id, s.client_id, s.appointment_id, s.during)
      on conflict do nothing;
  end loop;
end $$;

-- Who of the staff gave a client's answer for her; null when it came by her own page.
alter table appointment add column answered_by bigint references staff;

-- Erased is closed: whatever the program does, nothing is added to a client whose data were erased, nor to their orders.
create function client_is_open() returns trigger language plpgsql as $$
begin
  if new.client_id is null or erasing() then return new; end if;
  perform 1 from client where id = new.client_id and erased_at is null for share;
  if not found and exists (select 1 from client where id = new.client_id) then
    raise exception 'this client was erased' using errcode = 'RO001';
  end if;
  return new;
end $$;
create function order_is_open() returns trigger language plpgsql as $$
begin
  if new.order_id is null or erasing() then return new; end if;
  perform 1 from orders o join client c on c.id = o.client_id where o.id = new.order_id and c.erased_at is null for share of c;
  if not found and exists (select 1 from orders where id = new.order_id) then
    raise exception 'this client was erased' using errcode = 'RO001';
  end if;
  return new;
end $$;
create function erased_stays() returns trigger language plpgsql as $$
begin
  if old.erased_at is not null and not erasing() then
    raise exception 'this client was erased' using errcode = 'RO001';
  end if;
  return new;
end $$;
create trigger erased_stays before update on client for each row execute function erased_stays();
do $$
declare name text;
begin
  foreach name in array array['orders', 'session', 'appointment', 'client_like', 'client_away', 'own_block', 'imported_row'] loop
    execute format('create trigger client_is_open before insert on %I for each row execute function client_is_open()', name);
  end loop;
  foreach name in array array['sheet', 'alteration', 'photo', 'money_noted', 'open_question', 'home_link', 'flat_lay',
      'brought_in', 'garment_reading', 'handed_over', 'pins_counted', 'bench_work'] loop
    execute format('create trigger order_is_open before insert on %I for each row execute function order_is_open()', name);
  end loop;
end $$;

create trigger client_is_open_still before update of client_id, what, occasion, worn_on, due_on, brief, rack, care on orders
  for each row execute function client_is_open();

-- A sign-in has a number and a name that its bearer can tell it by, and can be locked: what it may read waits for its passphrase.
alter table sign_in add column id bigint generated always as identity;
alter table sign_in add constraint sign_in_id unique (id);
alter table sign_in add column device text not null default '';
alter table sign_in add column locked_at timestamptz;

-- A device on which somebody has signed in before: guesses made elsewhere do not keep it out.
create table known_device (
  token_hash bytea primary key,
  staff_id bigint not null references staff on delete cascade,
  made_at timestamptz not null default now(),
  expires_at timestamptz not null
);
create index known_device_staff on known_device (staff_id);
create index known_device_expiry on known_device (expires_at);

-- A second factor (RFC 6238): its secret, whether it was confirmed, the last step that was used, and what is left of the
-- recovery codes, hashed.
create table second_factor (
  staff_id bigint primary key references staff on delete cascade,
  secret text not null,
  on_at timestamptz,
  last_step bigint not null default 0,
  codes bytea[] not null default '{}',
  made_at timestamptz not null default now()
);

-- How the house keeps its doors: minutes until an idle screen locks, roles that need a second factor.
alter table house add column doors jsonb not null default '{"version": 1}';

-- What happened at the doors. Only added to.
create table security_event (
  id bigint generated always as identity primary key,
  at timestamptz not null default clock_timestamp(),
  what text not null,
  staff_id bigint references staff,
  name text not null default '',
  address text not null default '',
  says jsonb not null default '{"version": 1}'
);
create trigger security_event_is_kept before update or delete on security_event for each row execute function fact_is_kept();

-- What is only added to is not emptied either.
create function never_emptied() returns trigger language plpgsql as $$
begin
  raise exception 'readings and history are only added';
end $$;
do $$
declare name text;
begin
  foreach name in array array['history', 'reading', 'sheet', 'security_event'] loop
    execute format('create trigger never_emptied before truncate on %I for each statement execute function never_emptied()', name);
  end loop;
end $$;

-- The program's own role may only add to the history. What the erasing of one client's data takes out of it is taken by
-- this, with its owner's right: the words of what changed, for that client alone, and only while she is being erased.
create function erase_history(erased_client bigint) returns void language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if not erasing() or not exists (select 1 from client where id = erased_client and erased_at is not null) then
    raise exception 'readings and history are only added';
  end if;
  update history h set before = null, after = null
   where (h.before is not null or h.after is not null) and (
     (h.entity = 'client' and h.entity_id = erased_client::text)
     or (h.entity = 'appointment' and h.entity_id in (select id::text from appointment where client_id = erased_client))
     or (h.entity in ('order', 'sheet') and h.entity_id in (select id::text from orders where client_id = erased_client)));
end $$;
